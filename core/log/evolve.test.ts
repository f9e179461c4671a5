import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import type { Body } from './events';

/** What a state holds of a fact that is not a place of a piece: the property test's book knows only places. */
const stateAfter = (...bodies: Body[]) => {
  const bench = new Bench(indexed(mica9), route(mica9)).open();
  for (const body of bodies) bench.do(body);
  return bench;
};

describe('what is kept of a fact', () => {
  test('a note about a thing, with whose it is and whether it is a finding; one about the device is in the log alone', () => {
    const { state, person } = stateAfter(
      { type: 'noted', text: 'soft thread', thing: 'C3', finding: true },
      { type: 'noted', text: 'rust', thing: 'A1' },
      { type: 'noted', text: 'the owner waits' },
    );
    expect(Object.values(state.note)).toMatchObject([
      { text: 'soft thread', thing: 'C3', finding: true, by: person },
      { text: 'rust', thing: 'A1', by: person },
    ]);
    expect(Object.values(state.note)[1]).not.toHaveProperty('finding');
  });
  test('a plug that was pressed home again has been touched and reseated, at that place of the log', () => {
    const bench = stateAfter({ type: 'reseated', connector: 'K-panel' });
    expect(bench.state.acted['reseat K-panel']).toBe(bench.state.seq);
    expect(bench.state.touched['K-panel']).toBe(bench.state.seq);
  });
  test('trouble stands until it has ended', () => {
    const bench = stateAfter({ type: 'troubled', kind: 'bad thread', thing: 'B1' });
    expect(bench.state.trouble['bad thread B1']).toMatchObject({ by: bench.person });
    bench.do({ type: 'troubleEnded', kind: 'bad thread', thing: 'B1', how: 'longer screw holds' });
    expect(bench.state.trouble['bad thread B1']).toBeNull();
  });
  test('a stray is inside until it is out', () => {
    const bench = stateAfter({ type: 'strayFound', stray: 'stray 1', note: 'a screw' });
    expect(bench.state.stray['stray 1']).toBe('inside');
    bench.do({ type: 'strayRemoved', stray: 'stray 1', note: 'a screw' });
    expect(bench.state.stray['stray 1']).toBe('removed');
  });
});
