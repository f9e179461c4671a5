import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { bodySchema } from './event-schema';
import { type Body, eventVersion, type JobEvent } from './events';
import { evolve, foldInto } from './evolve';

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

test('glue that begins to cure is known with the time at which it holds', () => {
  const bench = stateAfter({ type: 'acted', act: 'cure', target: 'seal:start', forS: 60 });
  expect(bench.state.curing.seal).toEqual({
    until: bench.log.at(-1)!.at + 60_000,
    clockKnown: true,
  });
  bench.do({ type: 'acted', act: 'cure', target: 'seal:end' });
  expect(bench.state.curing.seal).toMatchObject({ until: expect.any(Number) });
});
test('another route begins with none of its steps done', () => {
  const bench = stateAfter();
  for (let k = 0; k < 5; k++) bench.next();
  expect(Object.values(bench.state.progress).some((step) => step !== undefined)).toBe(true);
  const adopted = {
    ...bench.log[0]!,
    v: eventVersion,
    id: 'another route',
    seq: bench.state.seq + 1,
    body: { type: 'routeAdopted', routeHash: 'r2', modelHash: 'm', variant: 'standard' },
  } as JobEvent;
  expect(Object.values(evolve(bench.state, adopted).progress).filter((step) => step !== undefined)).toEqual(
    [],
  );
});
test('tables that came back as plain objects know no key that nobody has set', () => {
  const bench = stateAfter({ type: 'noted', text: 'rust', thing: 'A1' });
  const kept = JSON.parse(JSON.stringify(bench.state)) as typeof bench.state;
  const read = foldInto(kept, []);
  expect(read.touched.constructor).toBeUndefined();
  expect(Object.getPrototypeOf(read.note)).toBeNull();
  expect(read).toEqual(bench.state);
});
test.each([
  [{ type: 'acted', act: 'cure', target: 'a:start', forS: 0 }, true],
  [{ type: 'acted', act: 'cure', target: 'a:start', forS: 172_800 }, true],
  [{ type: 'acted', act: 'cure', target: 'a:start', forS: -1 }, false],
  [{ type: 'acted', act: 'cure', target: 'a:start', forS: 172_801 }, false],
  [{ type: 'takenOver', bench: 'b'.repeat(60) }, true],
  [{ type: 'takenOver', bench: 'b'.repeat(61) }, false],
])('%j is taken: %s', (body, taken) => {
  expect(bodySchema.safeParse(body).success).toBe(taken);
});
