import { describe, expect, test } from 'vitest';
import { safeLengthMm } from '../screws/safe-length';
import { Bench } from '../testing/bench';
import { indexed, mica9, route, withMethods } from '../testing/demo-models';
import { unaccounted } from './balance';
import { instruct } from '../progress/instruct';
import { isScrewTooLong } from './interlocks/pieces-and-screws';

const index = indexed(mica9);
const now = (b: Bench) => instruct(b.context, b.state, { at: b.at, clockKnown: true });
/** A bench that is about to put the first screw in. */
function toTheFirstScrewIn(role: 'lead' | 'technician' = 'technician'): {
  b: Bench;
  hole: string;
  piece: string;
} {
  const b = new Bench(index, route(mica9), 'p1', role).open();
  for (let k = 0; k < 400; k++) {
    const i = now(b);
    if (i.kind === 'do' && i.body.type === 'screwIn')
      return { b, hole: i.body.fastener, piece: i.body.piece };
    b.next();
  }
  throw new Error('no screw goes in');
}

describe('a screw longer than its hole bears', () => {
  test('measured at the hole, it is a stop of the very next instruction, and of a technician for good', () => {
    const { b, hole, piece } = toTheFirstScrewIn();
    const long = safeLengthMm(index.fasteners.get(hole)!) + 0.5;
    b.do({ type: 'screwMeasured', piece, lengthMm: long });
    expect(b.state.spec[piece]).toMatchObject({ lengthMm: long });
    const next = now(b);
    const stop = next.kind === 'do' ? next.findings.find((f) => f.rule === 'screw too long') : undefined;
    expect(stop).toMatchObject({ severity: 'stop', ids: [piece, hole], passableBy: ['owner', 'lead'] });
  });
  test('a length within what a calliper tells is no stop', () => {
    const { b, hole, piece } = toTheFirstScrewIn();
    b.do({ type: 'screwMeasured', piece, lengthMm: safeLengthMm(index.fasteners.get(hole)!) + 0.04 });
    expect(now(b)).toMatchObject({ kind: 'do', findings: [] });
  });
  test('where the model gives no greatest length, the hole’s own is the limit', () => {
    const hole = mica9.fasteners.find((f) => f.maxLengthMm === undefined)!;
    expect(safeLengthMm(hole)).toBe(hole.lengthMm);
  });
  test('reported in all the same, the device does not close over it', () => {
    const { b, hole, piece } = toTheFirstScrewIn();
    b.do({ type: 'screwMeasured', piece, lengthMm: 9 });
    expect(b.do({ type: 'screwIn', fastener: hole, piece }).events[0]!.breach).toEqual([
      { rule: 'screw too long', ids: [piece, hole] },
    ]);
    for (const q in b.state.question)
      if (b.state.question[q]) b.do({ type: 'answered', question: q, answer: 'it fits' });
    const closed = b.do({ type: 'deviceClosed' });
    expect(closed.refused).toMatchObject({ code: 'interlock' });
    expect(closed.findings.find((f) => f.rule === 'too long screw inside')).toMatchObject({ ids: [hole] });
  });
  test('an unmeasured screw of a longer hole counts with that hole’s length', () => {
    const { b } = toTheFirstScrewIn();
    const [short, long] = [...index.fasteners.values()].toSorted((x, y) => x.lengthMm - y.lengthMm);
    expect(isScrewTooLong(index, b.state, short!.id, `${[...index.fasteners.values()].at(-1)!.id}#1`)).toBe(
      [...index.fasteners.values()].at(-1)!.lengthMm > safeLengthMm(short!) + 0.05,
    );
    expect(isScrewTooLong(index, b.state, long!.id, `${short!.id}#1`)).toBe(false);
  });
  test('put aside, the hole asks for another one, not for the same again', () => {
    const { b, hole, piece } = toTheFirstScrewIn();
    b.do({ type: 'pieceSetAside', piece, to: 'owner' });
    const next = now(b);
    expect(next.kind === 'do' && next.body).toMatchObject({
      type: 'screwIn',
      fastener: hole,
      piece: `${hole}#2`,
    });
  });
});

test('with new screws as the method new pieces go in, and the old ones into the owner’s bag', () => {
  const b = new Bench(index, route(mica9, withMethods({ screws: 'new' }))).open().finish();
  const moved = [...index.fasteners.keys()].filter((f) => b.state.place[`${f}#1`] !== undefined);
  expect(moved.length).toBeGreaterThan(5);
  for (const f of moved) {
    expect(b.state.place[`${f}#1`], f).toBe('aside/owner');
    expect(b.state.place[`${f}#2`], f).toBe(`hole/${f}`);
  }
  expect(unaccounted(b.state, index)).toEqual([]);
  expect(b.log.filter((e) => e.body.type === 'screwsBagged')).toHaveLength(1);
  expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
});
