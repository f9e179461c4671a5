import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { describe, expect, test } from 'vitest';
import { atlas, dune2, indexed, mica9, shippedModels } from '../testing/demo-models';
import { depth } from '../testing/depth';
import { materials } from '../thermal/materials';
import { sourceOf, sources } from '../thermal/sources';
import { columnsOf } from './columns';
import {
  cellLimitC,
  type HeatAsked,
  heatWindow,
  panelLimitC,
  readingSaid,
  softC,
  soakAt,
} from './heat-window';
import { between, drawnFrom, runOf, unknownsOf } from './knowledge';
import { plannedParts, plannedSoak, sourceAsSet } from './planned-soak';

const index = indexed(mica9);
const asked = (more: Partial<HeatAsked> = {}): HeatAsked => ({
  columns: columnsOf(index, 'seal'),
  source: sourceOf('hot-plate')!,
  setC: 80,
  onHeat: [],
  ...more,
});
/** A normal spread from a seed. */
const normalOf = (seed: number) => {
  const generator = xoroshiro128plus(seed);
  return randomNormal.source(() => uniformFloat64(generator))();
};
/** When a line first reaches a value; Infinity where it never does. */
function first(times: readonly number[], line: readonly number[], value: number): number {
  const k = line.findIndex((c) => c >= value);
  if (k <= 0) return k === 0 ? 0 : Infinity;
  return times[k - 1]! + ((value - line[k - 1]!) / (line[k]! - line[k - 1]!)) * (times[k]! - times[k - 1]!);
}
/** True devices as they may be, with when their seal is soft and their cell at its limit; honest readings if any are asked. */
function devices(of: HeatAsked, count: number, seed: number, readAt: readonly number[] = []) {
  const normal = normalOf(seed);
  return Array.from({ length: count }, () => {
    const drawn = drawnFrom(of, Array.from({ length: unknownsOf(of) }, normal));
    const soft = softC.likely + (normal() * (softC.high - softC.low)) / 2 / 1.2816;
    const { times, bond, cell, glass } = runOf(of, drawn, [{ fromS: 0 }], 720);
    return {
      softS: first(times, bond, soft),
      limitS: first(times, cell!, cellLimitC),
      readings: readAt.map((atS) => ({ atS, glassC: between(times, glass, atS) + 1.5 * normal() })),
    };
  });
}
const share = <T>(list: readonly T[], is: (one: T) => boolean) => list.filter(is).length / list.length;

describe('the heat window', () => {
  test('the habits of the trade lie where about nine seals of ten are soft: five minutes on a plate, six on a mat (common practice)', () => {
    for (const [station, seconds] of [
      ['hot-plate', 300],
      ['heat-mat', 360],
    ] as const) {
      const source = sourceOf(station)!;
      const { opensLikelyS, opensS, closesLikelyS } = heatWindow(asked({ source, setC: source.usualC }));
      expect(opensLikelyS!, station).toBeLessThan(seconds);
      expect(opensS!, station).toBeGreaterThan(seconds * 0.8);
      expect(opensS!, station).toBeLessThan(seconds * 1.6);
      // and the cell of the likely device is not at its limit by then
      expect(closesLikelyS!, station).toBeGreaterThan(seconds);
    }
  });
  test('of a hundred devices that are as unsure as is said, about nine of ten are soft where it opens, and hardly a cell is at its limit where it closes', () => {
    for (const [station, setC] of [
      ['hot-plate', 90],
      ['dryer', 95],
      ['hot-air', 85],
    ] as const) {
      const of = asked({ source: sourceOf(station)!, setC });
      const said = heatWindow(of);
      const true300 = devices(of, 300, 7);
      const soft = share(true300, (d) => d.softS <= said.opensS!);
      expect(soft, station).toBeGreaterThan(0.85);
      expect(soft, station).toBeLessThan(0.95);
      expect(
        share(true300, (d) => d.limitS >= said.limitS!),
        station,
      ).toBeGreaterThan(0.94);
    }
  });
  test('the same with honest readings at the glass: what they make of it is neither too sure nor too shy', () => {
    const of = asked({ setC: 90 });
    const tried = devices(of, depth(16, 300), 12, [40, 80, 120, 160]).map((d) => ({
      ...d,
      said: heatWindow({ ...of, readings: d.readings }),
    }));
    const soft = share(tried, (d) => d.softS <= (d.said.opensS ?? Infinity));
    expect(soft).toBeGreaterThan(depth(0.7, 0.85));
    expect(soft).toBeLessThan(depth(1.01, 0.95));
    expect(share(tried, (d) => d.limitS >= d.said.limitS!)).toBeGreaterThan(0.93);
    // and they narrow it
    const without = heatWindow(of);
    const width = ({ opensS, opensLikelyS }: typeof without) => (opensS ?? 720) - opensLikelyS!;
    expect(tried.reduce((sum, d) => sum + width(d.said), 0) / tried.length).toBeLessThan(width(without));
  });
  test('the bond is soft at its opening and no cell near its limit where it closes, also a while after', () => {
    const w = heatWindow(asked({ source: sourceOf('dryer')!, setC: 90 }));
    const { opensS, closesS } = w.window!;
    expect(between(w.times, w.bond.likely, opensS)).toBeGreaterThan(softC.likely);
    expect(Math.max(...w.cell!.high)).toBeLessThan(cellLimitC);
    expect(opensS).toBeGreaterThan(w.opensLikelyS!);
    expect(closesS).toBeLessThan(w.closesLikelyS ?? Infinity);
    for (const k of w.times.keys()) {
      expect(w.bond.low[k]!).toBeLessThanOrEqual(w.bond.likely[k]!);
      expect(w.bond.likely[k]!).toBeLessThanOrEqual(w.bond.high[k]!);
    }
  });
  test('a warmer plate softens sooner and is too hot sooner; one that is too cool has none, and says so', () => {
    const [cool, hot] = [heatWindow(asked({ setC: 76 })), heatWindow(asked({ setC: 88 }))];
    expect(hot.opensLikelyS!).toBeLessThan(cool.opensLikelyS!);
    expect(hot.closesLikelyS!).toBeLessThan(cool.closesLikelyS!);
    const cold = heatWindow(asked({ setC: 45 }));
    expect(cold.window).toBeUndefined();
    expect(cold.opensLikelyS).toBeUndefined();
    expect(cold.limitS).toBeUndefined();
    expect(cold.softOfHundred).toBe(0);
  });
  test('the panel has a limit of its own, and hot air at 80 C of the glass never warms a bond over that', () => {
    const hot = heatWindow(asked({ setC: 100 }));
    expect(hot.limitOf).toBe('panel');
    expect(hot.limitS!).toBeLessThan(heatWindow(asked({ setC: 90 })).limitS!);
    const air = sourceOf('hot-air')!;
    const w = heatWindow(asked({ source: air, setC: air.usualC }));
    expect(air.usualC).toBe(80);
    expect(Math.max(...w.bond.high)).toBeLessThan(panelLimitC);
  });
  test('heat along one edge softens the seal before the cell: further ahead than on a plate', () => {
    const [edge, whole] = [heatWindow(asked({ source: sourceOf('dryer')!, setC: 95 })), heatWindow(asked())];
    expect(edge.softOfHundred).toBeGreaterThan(whole.softOfHundred);
    expect(edge.closesLikelyS! - edge.opensLikelyS!).toBeGreaterThan(
      whole.closesLikelyS! - whole.opensLikelyS!,
    );
  });
  test('a second soak starts from how warm it still is, however long after the first', () => {
    const cold = heatWindow(asked());
    const twice = heatWindow(asked({ onHeat: [{ fromS: 0, toS: 200 }, { fromS: 330 }] }));
    expect(twice.opensLikelyS! - 330).toBeLessThan(cold.opensLikelyS!);
    expect(twice.limitS! - 330).toBeLessThan(cold.limitS!);
    // a device that has cooled for half an hour has its whole time again, not what is left of twelve minutes
    const late = heatWindow(asked({ onHeat: [{ fromS: 0, toS: 200 }, { fromS: 2000 }] }));
    expect(late.limitS! - 2000).toBeGreaterThan(cold.limitS! * 0.8);
    expect(late.times.at(-1)!).toBeGreaterThan(2000);
  });
  test('off when it was: the band cools from there, and how long it stays soft is counted from there', () => {
    const early = heatWindow(asked({ onHeat: [{ fromS: 0, toS: 170 }] }));
    const late = heatWindow(asked({ onHeat: [{ fromS: 0, toS: 300 }] }));
    expect(early.softForS).toBeLessThan(late.softForS);
    const peak = early.times[early.bond.likely.indexOf(Math.max(...early.bond.likely))]!;
    expect(peak).toBeGreaterThanOrEqual(160);
    expect(peak).toBeLessThan(200);
  });
  test('what several settings come to is what each comes to by itself', () => {
    const [at80, at90] = soakAt(asked(), [80, 90]);
    const alone = heatWindow(asked({ setC: 90 }));
    expect(at80!.opensS!).toBeCloseTo(heatWindow(asked()).opensS!, 0);
    for (const key of ['opensS', 'limitS', 'opensLikelyS', 'closesLikelyS'] as const)
      expect(Math.abs(at90![key]! - alone[key]!) / alone[key]!, key).toBeLessThan(0.05);
  });
});

describe('readings at the glass', () => {
  /** A plate that truly runs so much hotter than it says, read so well. */
  const read = (moreK: number, seed: number) => {
    const normal = normalOf(seed);
    const truth = runOf(
      asked({ setC: 80 + moreK }),
      drawnFrom(asked({ setC: 80 + moreK }), []),
      [{ fromS: 0 }],
      300,
    );
    return [60, 100, 140, 180].map((atS) => ({
      atS,
      glassC: between(truth.times, truth.glass, atS) + 0.5 * normal(),
    }));
  };
  test('find a plate that runs 12 K hot: the window of that plate, and not ten minutes', () => {
    const truth = heatWindow(asked({ setC: 92 }));
    const found = heatWindow(asked({ readings: read(12, 1) }));
    expect(Math.abs(found.opensLikelyS! - truth.opensLikelyS!) / truth.opensLikelyS!).toBeLessThan(0.15);
    expect(found.limitS!).toBeLessThan(heatWindow(asked()).limitS!);
    expect(found.limitS!).toBeGreaterThan(60);
    const { offK, contactM2KW } = found.fitted!;
    expect(offK.likely).toBeGreaterThan(3);
    // it is not sure to the last digit of what four readings say
    expect(offK.high - offK.low).toBeGreaterThan(1);
    expect(contactM2KW!.high / contactM2KW!.low).toBeGreaterThan(1.1);
  });
  test('twenty sets of readings of one plate agree on the ends of its window within a few seconds of a hundred', () => {
    const found = Array.from({ length: depth(6, 20) }, (_, k) =>
      heatWindow(asked({ setC: 80, readings: read(4, k + 1) })),
    );
    for (const key of ['opensS', 'limitS'] as const) {
      const ends = found.map((w) => w[key]!);
      const middle = ends.reduce((a, b) => a + b, 0) / ends.length;
      for (const end of ends) expect(Math.abs(end - middle) / middle, key).toBeLessThan(0.05);
    }
  });
  test('is the same whenever it is asked', () => {
    expect(heatWindow(asked({ readings: read(4, 1) }))).toEqual(heatWindow(asked({ readings: read(4, 1) })));
    expect(heatWindow(asked()).fitted).toBeUndefined();
  });
  test('one that is far from what is expected is asked for again; one that cannot be is not taken at all', () => {
    const of = asked();
    const w = heatWindow(of);
    const at120 = Math.round(between(w.times, w.glass.likely, 120));
    expect(readingSaid(w, of, { atS: 120, glassC: at120 + 4 })).toEqual({ plausible: true });
    // a plate that runs 12 K hot is believed at once; a mistyped figure is not
    expect(readingSaid(w, of, { atS: 120, glassC: at120 + 11 })).toEqual({ plausible: true });
    expect(readingSaid(w, of, { atS: 120, glassC: 29 })).toMatchObject({
      plausible: false,
      why: 'unexpected',
    });
    expect(readingSaid(w, of, { atS: 120, glassC: 99 })).toMatchObject({
      plausible: false,
      why: 'cannot be',
    });
  });
  test('one that was said twice counts for more than is usual of the source', () => {
    const at = { atS: 120, glassC: 88 };
    const [once, twice] = [
      heatWindow(asked({ readings: [at] })),
      heatWindow(asked({ readings: [{ ...at, again: true }] })),
    ];
    expect(twice.fitted!.offK.likely).toBeGreaterThan(once.fitted!.offK.likely);
  });
});
/** The contact of a plate that has been measured. */
const tight = { low: 0.0034, likely: 0.0035, high: 0.0036 };

describe('what it rests on', () => {
  test('every material and source has figures in order, and says where they are from', () => {
    for (const { kWmK, densityKgM3, cpJkgK, from } of materials) {
      for (const { low, likely, high } of [kWmK, densityKgM3, cpJkgK])
        expect(low > 0 && low <= likely && likely <= high).toBe(true);
      expect(from).toContain('memory');
    }
    for (const s of sources) {
      expect(s.usualC).toBeLessThanOrEqual(s.mostC);
      expect(s.by === 'contact' ? s.contactM2KW : s.filmWm2K).toBeDefined();
    }
    // handbook values, from memory: aluminium 2700 kg/m3 and 900 J/kgK, air 1006 J/kgK (Incropera and DeWitt, appendix A)
    const of = (id: string) => materials.find((m) => m.id === id)!;
    expect(of('aluminium').densityKgM3.likely * of('aluminium').cpJkgK.likely).toBeCloseTo(2.43e6, -4);
    expect(of('air').cpJkgK.likely).toBe(1006);
  });
  test('a stack of the model is taken; without one, what is usual for its thickness and its side', () => {
    const layer = (name: string, material: 'glass' | 'adhesive' | 'cell', thicknessMm: number) => ({
      ...{ name, material, thicknessMm },
    });
    const stack = {
      front: {
        edge: [layer('top', 'glass', 1), layer('glue', 'adhesive', 0.5)],
        cell: [layer('top', 'glass', 1), layer('pack', 'cell', 5)],
      },
    };
    const own = columnsOf(indexed({ ...mica9, stack }), 'seal');
    expect(own).toMatchObject({ from: 'model', bond: 'glue' });
    expect(own.cell!.map((l) => l.thicknessMm.likely)).toEqual([1, 5]);
    expect(columnsOf(index, 'seal')).toMatchObject({ from: 'usual', bond: 'bond' });
    // a back has no panel under it
    const back = columnsOf(indexed(dune2), 'back-glue');
    expect(back.edge.map((l) => l.name)).toEqual(['glass', 'bond', 'frame']);
    for (const model of shippedModels)
      for (const bond of model.bonds)
        expect(columnsOf(indexed(model), bond.id).edge.length).toBeGreaterThan(2);
  });
});

describe('a soak as it is planned', () => {
  const known = { 'hot-plate': { setC: 90, contactM2KW: tight, offK: { low: -0.5, likely: 0, high: 0.5 } } };
  test('where no time is right it ends before the limit, and says how many seals of ten are soft by then', () => {
    const soak = plannedSoak(index, 'seal', 'hot-plate', 300, { 'hot-plate': { setC: 80 } })!;
    expect(soak.opensS).toBeUndefined();
    expect(soak.softOfTen).toBeGreaterThan(3);
    expect(soak.softOfTen).toBeLessThan(10);
    expect(soak.waitS).toBe(soak.closesS! - 20);
    // common practice where that is shorter
    expect(plannedSoak(index, 'seal', 'hot-plate', 60, { 'hot-plate': { setC: 80 } })!.waitS).toBe(60);
  });
  test('is common practice where that lies in the window, else its nearer end', () => {
    const edge = plannedSoak(index, 'seal', 'dryer', 150)!;
    expect(edge.opensS! % 10).toBe(0);
    expect(edge.waitS).toBe(edge.opensS);
    expect(plannedSoak(index, 'seal', 'dryer', 900)!.waitS).toBe(edge.closesS);
    expect(plannedSoak(index, 'seal', 'dryer', edge.opensS! + 10)!.waitS).toBe(edge.opensS! + 10);
  });
  test('takes the nearest setting that leaves a window, unless the workshop has set its source', () => {
    const free = plannedSoak(index, 'seal', 'dryer', 150)!;
    expect(free.setC).not.toBe(sourceOf('dryer')!.usualC);
    expect(free.closesS! - free.opensS!).toBeGreaterThanOrEqual(30);
    expect(plannedSoak(index, 'seal', 'dryer', 150, { dryer: { setC: 95 } })!.setC).toBe(95);
  });
  test('at its end at most one cell of a hundred is at its limit, and nine seals of ten are soft', () => {
    const soak = plannedSoak(index, 'seal', 'dryer', 150)!;
    const of = asked({ source: sourceOf('dryer')!, setC: soak.setC });
    const true300 = devices(of, 300, 3);
    expect(share(true300, (d) => d.limitS <= soak.waitS)).toBeLessThanOrEqual(0.03);
    expect(share(true300, (d) => d.softS <= soak.waitS)).toBeGreaterThan(0.85);
  });
  test('of a source that the workshop has set otherwise, and measured, with its figures', () => {
    expect(sourceAsSet('hot-plate', { 'hot-plate': { setC: 70 } })).toMatchObject({ setC: 70 });
    expect(sourceAsSet('leak-tester')).toBeUndefined();
    const cooler = plannedSoak(index, 'seal', 'hot-plate', 300, { 'hot-plate': { setC: 70 } })!;
    expect(cooler.closesS!).toBeGreaterThan(plannedSoak(index, 'seal', 'hot-plate', 300)!.closesS!);
    const [own, usual] = [known, { 'hot-plate': { setC: 90 } }].map(
      (h) => plannedSoak(index, 'seal', 'hot-plate', 300, h)!,
    );
    expect(own!.closesS!).toBeGreaterThan(usual!.closesS!);
    expect(own!.softOfTen ?? 10).toBeGreaterThanOrEqual(usual!.softOfTen ?? 10);
  });
  test('there is none for what holds no cover, or on what is no source', () => {
    expect(plannedSoak(index, 'strip-tl', 'hot-plate', 300)).toBeUndefined();
    expect(plannedSoak(index, 'seal', 'microscope', 300)).toBeUndefined();
    expect(plannedSoak(indexed(atlas), 'back-seal', 'hot-plate', 300)).toBeDefined();
  });
  test('by heat alone there are as many soaks as its work takes, each within what the cell bears', () => {
    const seal = plannedParts(index, 'seal', 'hot-plate', 300, 150)!;
    expect(seal.parts).toBeGreaterThanOrEqual(2);
    const { restS, soak } = seal.again!;
    expect(soak.waitS).toBeLessThan(seal.first.waitS);
    expect(soak.waitS).toBeLessThan(soak.closesS!);
    // the likely cell is not at its limit in the second soak either
    const from = seal.first.waitS + Math.round(150 / seal.parts) + restS;
    const onHeat = [
      { fromS: 0, toS: seal.first.waitS },
      { fromS: from, toS: from + soak.waitS },
    ];
    expect(Math.max(...heatWindow(asked({ setC: seal.first.setC, onHeat })).cell!.high)).toBeLessThan(
      cellLimitC + 1,
    );
    // three quarters of an hour of chiselling is many parts, and never more than are told one by one
    expect(plannedParts(indexed(dune2), 'back-glue', 'hot-plate', 240, 2700)!.parts).toBe(12);
    expect(plannedParts(index, 'strip-tl', 'hot-plate', 300, 60)).toBeUndefined();
  });
});
