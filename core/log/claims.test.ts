import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { claimOf, otherTruths, putTruth } from './claims';
import { instruct } from '../progress/instruct';

describe('what an entry says of a thing', () => {
  test('is one claim: where a piece lies, how a plug, a bond or a hook stands; a check says nothing of a thing', () => {
    expect(claimOf({ type: 'screwOut', fastener: 'B1', piece: 'C1#1' })).toEqual({
      about: 'piece C1#1',
      value: 'mat/B1',
    });
    expect(claimOf({ type: 'bondReleased', bond: 'seal', torn: true })).toEqual({
      about: 'bond seal',
      value: 'torn',
    });
    expect(claimOf({ type: 'found', piece: 'mesh#1', tray: true })).toEqual({
      about: 'piece mesh#1',
      value: 'tray',
    });
    expect(claimOf({ type: 'checked', round: 'mid', function: 'touch', result: 'works' })).toBeUndefined();
  });
  test('as truth goes into the table of its kind, and an unknown kind into none', () => {
    const written: unknown[] = [];
    for (const about of ['piece A1#1', 'connector K-cell', 'weather today'])
      putTruth((t, k, v) => written.push([t, k, v]), about, 'x');
    expect(written).toEqual([
      ['place', 'A1#1', 'x'],
      ['connector', 'K-cell', 'x'],
    ]);
  });
  test('both benches may be wrong: a screw can be in its hole all the same; a plug has no third way', () => {
    const index = indexed(mica9);
    expect(otherTruths(index, 'piece A1#1', ['mat/A1', 'adrift'])).toEqual(['hole/A1']);
    expect(otherTruths(index, 'bond seal', ['released', 'torn'])).toEqual(['renewed']);
    expect(otherTruths(index, 'connector K-cell', ['on', 'off'])).toEqual([]);
    expect(otherTruths(index, 'piece cell#1', ['aside/owner', 'aside/recycling'])).toEqual([]);
  });
  test('a contradiction is asked about before any instruction; the truth ends it, and cannot be taken back', () => {
    const b = new Bench(indexed(mica9), route(mica9)).open();
    const heard = b.state.seq;
    b.do({ type: 'connectorOff', connector: 'K-cell' });
    const other = new Bench(b.index, b.route, 'p2', 'technician', 'd');
    other.state = b.state;
    other.do({ type: 'connectorOn', connector: 'K-cell' }, { seen: heard });
    expect(instruct(other.context, other.state, { at: other.at, clockKnown: true })).toMatchObject({
      kind: 'question',
      rule: 'two accounts',
      ids: ['connector K-cell'],
    });
    const question = Object.keys(other.state.question).find((q) => other.state.question[q])!;
    other.do({ type: 'truthNamed', question, about: 'connector K-cell', value: 'off' });
    expect(other.state.connector['K-cell']).toBe('off');
    expect(instruct(other.context, other.state, { at: other.at, clockKnown: true }).kind).not.toBe(
      'question',
    );
    expect(other.state.trail.at(-1)!.type).not.toBe('truthNamed');
  });
});
