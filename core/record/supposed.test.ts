import { describe, expect, test } from 'vitest';
import type { Met } from '../log/met-schema';
import { coveredBy } from '../model/covers';
import type { DeviceModel } from '../model/schema';
import { checkRoutes } from '../route/check-routes';
import { Bench } from '../testing/bench';
import { indexed, route } from '../testing/demo-models';
import { blankModel } from './blank-model';
import { gradesOf } from './grades';
import { withMet } from './model-of-job';
import { unclaimed } from './proposals';

const blank = blankModel({
  ...{ id: 'own-2', maker: 'Alder', name: 'Ten' },
  ...{ widthMm: 70, heightMm: 140, thicknessMm: 8 },
});
type PartMet = Met & { kind: 'part' };
const part = (id: string, kind: PartMet['part'], more: Partial<PartMet> = {}): PartMet => ({
  ...{ kind: 'part', id, name: id, face: 'front', part: kind, functions: [], needed: [], said: [], free: [] },
  shape: { x: 10, y: 110, w: 20, h: 12 },
  ...more,
});
const screw = (id: string, x: number, y: number): Met => ({
  ...{ kind: 'fastener', id, name: id, face: 'front', at: { x, y }, lengthMm: 1.3, headMm: 2 },
  ...{ drive: 'PH000', thread: 'M1.2' },
});
/** As Enter takes it: the outline goes round the two screws at the lower edge, so that by its place it covers nothing else. */
const display = part('display', 'display', {
  ...{ shape: { x: 28, y: 134, w: 14, h: 5 }, first: 'folded', towards: 'right' },
  needed: ['S1', 'S2'],
});
const rim: Met = {
  ...{ kind: 'bond', id: 'rim', name: 'rim', face: 'front', bond: 'perimeter-seal', by: 'heat' },
  shape: { x: 0, y: 0, w: 70, h: 140 },
};
const opening = [screw('S1', 30, 137), screw('S2', 40, 137), rim, display];
function benchWith(base: DeviceModel, things: readonly Met[]): Bench {
  const bench = new Bench(indexed(base), undefined).open({ tasks: [] });
  for (const thing of things) bench.do({ type: 'met', thing, off: true });
  return bench;
}
const recorded = (things: readonly Met[]) => withMet(blank, benchWith(blank, things).state.met);
/** What the route to a part does, as ids of the things that its steps are about. */
function undoneFor(model: DeviceModel, slot: string): Set<string> {
  const { steps } = route(model, { tasks: [{ slot, action: 'replace' }] });
  return new Set(steps.flatMap((step) => step.targets));
}

describe('what a recorded way waits for', () => {
  test('a part that was met with the display open is never reached through a closed one, however small that was drawn', () => {
    const model = recorded([
      ...opening,
      screw('S3', 12, 112),
      part('speaker', 'loudspeaker', { needed: ['S3'] }),
    ]);
    expect(coveredBy(indexed(model), 'speaker')).toEqual(['display']);
    expect(coveredBy(indexed(model), 'S3')).toEqual(['display']);
    for (const id of ['S1', 'S2', 'rim', 'display', 'S3']) expect(undoneFor(model, 'speaker')).toContain(id);
    expect(checkRoutes(model)).toEqual([]);
  });
  test('somebody can say of one part that it is reached past the display, and the check takes that', () => {
    const apart = recorded([...opening, part('speaker', 'loudspeaker', { free: ['display'] })]);
    expect(coveredBy(indexed(apart), 'speaker')).toEqual([]);
    expect(checkRoutes(apart)).toEqual([]);
  });
  test('what is met at a device of a known model lies under what is open there, too', () => {
    const model = recorded(opening);
    const bench = new Bench(
      indexed(model),
      route(model, { tasks: [{ slot: 'display', action: 'replace' }] }),
    );
    bench.open({ tasks: [{ slot: 'display', action: 'replace' }] });
    for (const [fastener, piece] of [
      ['S1', 'S1#1'],
      ['S2', 'S2#1'],
    ] as const)
      bench.do({ type: 'screwOut', fastener, piece });
    bench.do({ type: 'bondReleased', bond: 'rim', torn: false });
    bench.do({ type: 'pieceMoved', slot: 'display', pose: 'folded' });
    bench.do({ type: 'met', thing: screw('S9', 12, 30), off: true });
    bench.do({ type: 'met', thing: part('strap', 'bracket'), off: true });
    expect(bench.log.flatMap((e) => e.breach ?? [])).toEqual([]);
    expect(coveredBy(bench.index, 'S9')).toEqual(['display']);
    expect(coveredBy(bench.index, 'strap')).toEqual(['display']);
  });
  test('a screw beside a part, taken with it by the order alone, is asked about again at the next part', () => {
    const things = [screw('S3', 12, 112), screw('S4', 60, 20)];
    const taken = part('speaker', 'loudspeaker', { needed: ['S3', 'S4'] });
    expect(unclaimed(benchWith(blank, [...things, taken]).state).map((t) => t.id)).toEqual(['S4']);
    const said = { ...taken, said: ['S4'] };
    expect(unclaimed(benchWith(blank, [...things, said]).state)).toEqual([]);
  });
  test('said is what a person pressed; all else is supposed', () => {
    const things = [screw('S3', 12, 112), screw('S4', 13, 113)];
    const bench = benchWith(blank, [
      ...things,
      part('speaker', 'loudspeaker', { needed: ['S3', 'S4'], said: ['S4'] }),
    ]);
    const index = indexed(withMet(blank, bench.state.met));
    expect(gradesOf(index, [bench.log]).map((g) => [g.first, g.grade])).toEqual([
      ['S3', 'supposed'],
      ['S4', 'said'],
    ]);
  });
});

describe('the check of a recorded model', () => {
  test('a part below a display with a way that does not open it is a fault, named', () => {
    const model = recorded([...opening, part('speaker', 'loudspeaker')]);
    const open = { ...model, slots: model.slots.map((slot) => ({ ...slot, covers: [] })) };
    expect(checkRoutes(open).map((p) => p.path)).toEqual(['slots(speaker)']);
  });
});
