import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { decide } from './decide';

/** A job in work: the latest entries are presses of one technician. */
function atWork(presses = 20): Bench {
  const b = new Bench(indexed(mica9), route(mica9)).open();
  for (let k = 0; k < presses; k++) b.next();
  return b;
}

describe('several entries taken back by one command', () => {
  test('leave the job as it stood before the earliest of them, entry by entry in the log', () => {
    const b = atWork();
    const before = structuredClone(b.state);
    for (let k = 0; k < 3; k++) b.next();
    const gone = b.state.trail.slice(before.trail.length).map((t) => t.event);
    const d = b.do({ type: 'retracted', event: gone[0]!, entries: gone.length });
    expect(d.events.map((e) => e.body)).toEqual(
      gone.toReversed().map((event) => ({ type: 'retracted', event })),
    );
    expect(b.state.trail).toEqual(before.trail);
    expect(b.state.place).toEqual(before.place);
    expect(b.state.progress).toEqual(before.progress);
    expect(Object.keys(b.state.retracted)).toEqual(expect.arrayContaining(gone));
  });
  test('all go or none: somebody else’s among them stops it, and so does what is final', () => {
    const b = atWork();
    const own = b.state.trail.at(-1)!.event;
    const marek = new Bench(b.index, b.route, 'p2', 'technician', 'm');
    marek.state = b.state;
    marek.at = b.at;
    marek.next();
    const mixed = marek.state;
    const command = (event: string, entries: number) => ({
      id: 'x:1',
      job: 'j',
      body: { type: 'retracted' as const, event, entries },
      at: b.at,
      clockKnown: true,
    });
    const d = decide(b.context, mixed, command(own, 2));
    expect(d).toMatchObject({ events: [], refused: { code: 'somebody else’s', by: 'p2' } });
    const first = b.state.trail[0]!.event;
    expect(decide(b.context, b.state, command(first, b.state.trail.length))).toMatchObject({
      events: [],
      refused: { code: 'cannot be taken back' },
    });
  });
  test('a count that does not lead to the entry named is refused: it was asked of another state', () => {
    const b = atWork();
    const { event } = b.state.trail.at(-3)!;
    expect(b.do({ type: 'retracted', event, entries: 2 }).refused?.code).toBe('not the latest');
    expect(b.do({ type: 'retracted', event, entries: 9999 }).refused?.code).toBe('not the latest');
    expect(b.do({ type: 'retracted', event, entries: 3 }).refused).toBeUndefined();
  });
});

describe('a job that is closed', () => {
  const closed = () => {
    const b = atWork(4);
    b.do({ type: 'jobClosed', ending: 'abandoned', note: '' });
    expect(b.state.flag.ending).toBe('abandoned');
    return b;
  };
  const latest = (b: Bench) => b.state.trail.at(-1)!;
  test('is still written on, and what was written can be taken back, one note at a time', () => {
    const b = closed();
    for (const text of ['one', 'two']) expect(b.do({ type: 'noted', text }).refused).toBeUndefined();
    expect(b.do({ type: 'retracted', event: b.state.trail.at(-2)!.event, entries: 2 }).refused?.code).toBe(
      'closed',
    );
    expect(b.do({ type: 'retracted', event: latest(b).event }).refused).toBeUndefined();
    expect(b.do({ type: 'retracted', event: latest(b).event, entries: 1 }).refused).toBeUndefined();
  });
  test('is not worked on, and nothing but a note of it is taken back', () => {
    const b = closed();
    expect(latest(b).type).not.toBe('noted');
    expect(b.do({ type: 'retracted', event: latest(b).event }).refused?.code).toBe('closed');
    expect(b.do({ type: 'screwOut', fastener: 'B1', piece: 'B1#1' }).refused?.code).toBe('closed');
  });
});
