import { describe, expect, test } from 'vitest';
import { atlas, dune2, indexed, mica9, shippedModels } from '../testing/demo-models';
import { materials } from '../thermal/materials';
import { sourceOf, sources } from '../thermal/sources';
import { columnsOf } from './columns';
import { cellLimitC, type HeatAsked, heatWindow, softC } from './heat-window';
import { plannedSoak, sourceAsSet } from './planned-soak';

const index = indexed(mica9);
const asked = (more: Partial<HeatAsked> = {}): HeatAsked => ({
  columns: columnsOf(index, 'seal'),
  source: sourceOf('hot-plate')!,
  setC: 80,
  onHeat: [],
  draws: 60,
  seed: 1,
  ...more,
});
const width = ({ window }: ReturnType<typeof heatWindow>) => (window ? window.closesS - window.opensS : 0);

describe('the heat window', () => {
  test('what the trade does by habit lies in it: five minutes on a plate, six on a mat, two with hot air (common practice)', () => {
    for (const [station, seconds] of [
      ['hot-plate', 300],
      ['heat-mat', 360],
      // reach, then hold two minutes
      ['opening-press', 240],
    ] as const) {
      const source = sourceOf(station)!;
      const { window } = heatWindow(asked({ source, setC: source.usualC, draws: 200 }));
      expect(window!.opensS, station).toBeLessThan(seconds);
      expect(window!.closesS, station).toBeGreaterThan(seconds);
    }
  });
  test('the bond is soft at its opening and the cell below its limit at its end, also a while after; both for eight of ten', () => {
    const w = heatWindow(asked({ draws: 200 }));
    const at = (values: readonly number[], s: number) => values[w.times.findIndex((t) => t >= s)]!;
    const { opensS, closesS } = w.window!;
    expect(at(w.bond.likely, opensS)).toBeGreaterThan(softC.likely);
    expect(at(w.cell!.likely, closesS)).toBeLessThan(cellLimitC);
    expect(Math.max(...w.cell!.likely)).toBeLessThan(cellLimitC);
    expect(opensS).toBeGreaterThan(w.opensLikelyS!);
    expect(closesS).toBeLessThan(w.closesLikelyS!);
    for (const k of w.times.keys()) {
      expect(w.bond.low[k]!).toBeLessThanOrEqual(w.bond.likely[k]!);
      expect(w.bond.likely[k]!).toBeLessThanOrEqual(w.bond.high[k]!);
    }
  });
  test('is the same for the same seed', () => {
    expect(heatWindow(asked())).toEqual(heatWindow(asked()));
    expect(heatWindow(asked({ seed: 2 })).bond.low).not.toEqual(heatWindow(asked()).bond.low);
  });
  test('a warmer plate softens sooner and is too hot sooner; one that is too cool has none, and says so', () => {
    const [cool, hot] = [heatWindow(asked({ setC: 76 })), heatWindow(asked({ setC: 88 }))];
    expect(hot.opensLikelyS!).toBeLessThan(cool.opensLikelyS!);
    expect(hot.closesLikelyS!).toBeLessThan(cool.closesLikelyS!);
    const cold = heatWindow(asked({ setC: 55 }));
    expect(cold.window).toBeUndefined();
    expect(cold.opensLikelyS).toBeUndefined();
    expect(cold.limitS).toBeUndefined();
    // so hot that the cell is at its limit before the seal is soft for eight of ten
    expect(width(heatWindow(asked({ setC: 100 })))).toBeLessThan(width(heatWindow(asked({ setC: 80 }))));
  });
  test('heat along one edge softens the seal and leaves the cell cool', () => {
    const dryer = heatWindow(asked({ source: sourceOf('dryer')!, setC: 95 }));
    expect(dryer.window).toBeDefined();
    expect(Math.max(...dryer.cell!.high)).toBeLessThan(cellLimitC);
    expect(dryer.limitS).toBeUndefined();
  });
  test('a second soak starts from how warm it still is', () => {
    const cold = heatWindow(asked());
    const twice = heatWindow(asked({ onHeat: [{ fromS: 0, toS: 240 }, { fromS: 330 }] }));
    expect(twice.window!.opensS - 330).toBeLessThan(cold.window!.opensS / 2);
    expect(twice.limitS! - 330).toBeLessThan(cold.limitS!);
  });
  test('off when it was: the band cools from there, and how long it stays soft is counted from there', () => {
    const early = heatWindow(asked({ onHeat: [{ fromS: 0, toS: 170 }] }));
    const late = heatWindow(asked({ onHeat: [{ fromS: 0, toS: 300 }] }));
    expect(early.softForS).toBeLessThan(late.softForS);
    const peak = early.times[early.bond.likely.indexOf(Math.max(...early.bond.likely))]!;
    expect(peak).toBeGreaterThanOrEqual(160);
    expect(peak).toBeLessThan(200);
  });
  test('readings at the glass narrow it, and find a plate that is cooler than it says', () => {
    // read off a plate that is truly 8 K cooler, with the likely device
    const truth = heatWindow(asked({ draws: 1, setC: 72 }));
    expect(truth.opensLikelyS).toBeDefined();
    const readings = [120, 180, 240, 300].map((atS) => ({ atS, glassC: 69.5 + atS / 300 }));
    const without = heatWindow(asked({ draws: 400 }));
    const with_ = heatWindow(asked({ draws: 400, readings }));
    expect(with_.fitted!.offK.likely).toBeLessThan(-1);
    expect(with_.opensLikelyS!).toBeGreaterThan(without.opensLikelyS!);
    const spread = (w: typeof without) => w.bond.high[20]! - w.bond.low[20]!;
    expect(spread(with_)).toBeLessThan(spread(without));
    expect(without.fitted).toBeUndefined();
  });
  test('quick steps and coarse cells are right to half a kelvin of the fine ones', () => {
    const fine = heatWindow(asked({ draws: 1 }));
    // two draws of which nothing is uncertain are the likely one, computed quickly
    const known = (s: NonNullable<ReturnType<typeof sourceOf>>) => ({
      ...s,
      contactM2KW: { low: 0.0035, likely: 0.0035, high: 0.0035 },
    });
    const columns = columnsOf(index, 'seal');
    const quick = heatWindow(asked({ draws: 120, source: known(sourceOf('hot-plate')!), columns }));
    const k = fine.times.indexOf(200);
    expect(Math.abs(quick.bond.likely[k]! - fine.bond.likely[k]!)).toBeLessThan(1.5);
  });
});

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
  test('is common practice where that lies in the window, else its nearer end', () => {
    const soak = plannedSoak(index, 'seal', 'hot-plate', 300)!;
    expect(soak).toMatchObject({ setC: 80, waitS: 300 });
    expect(soak.opensS! % 10).toBe(0);
    expect(plannedSoak(index, 'seal', 'hot-plate', 20)!.waitS).toBe(soak.opensS);
    expect(plannedSoak(index, 'seal', 'hot-plate', 900)!.waitS).toBe(soak.closesS);
  });
  test('of a source that the workshop has set otherwise, and measured, with its figures', () => {
    const heat = { 'hot-plate': { setC: 70 } };
    expect(sourceAsSet('hot-plate', heat)).toMatchObject({ setC: 70 });
    expect(sourceAsSet('leak-tester')).toBeUndefined();
    const usual = plannedSoak(index, 'seal', 'hot-plate', 300)!;
    const cooler = plannedSoak(index, 'seal', 'hot-plate', 300, heat)!;
    expect(cooler.limitS ?? Infinity).toBeGreaterThan(usual.limitS!);
    const tight = { low: 0.0034, likely: 0.0035, high: 0.0036 };
    const known = {
      'hot-plate': { setC: 80, contactM2KW: tight, offK: { low: -0.1, likely: 0, high: 0.1 } },
    };
    const measured = plannedSoak(index, 'seal', 'hot-plate', 300, known)!;
    expect(measured.closesS! - measured.opensS!).toBeGreaterThanOrEqual(usual.closesS! - usual.opensS!);
    const spread = (h: typeof known | undefined) => {
      const w = heatWindow(asked({ ...sourceAsSet('hot-plate', h)!, draws: 200 }));
      return w.bond.high[20]! - w.bond.low[20]!;
    };
    expect(spread(known)).toBeLessThan(spread(undefined));
  });
  test('there is none for what holds no cover, or on what is no source', () => {
    expect(plannedSoak(index, 'strip-tl', 'hot-plate', 300)).toBeUndefined();
    expect(plannedSoak(index, 'seal', 'microscope', 300)).toBeUndefined();
    expect(plannedSoak(indexed(atlas), 'back-seal', 'hot-plate', 300)).toBeDefined();
  });
});
