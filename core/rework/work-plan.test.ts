import { describe, expect, test } from 'vitest';
import { areaRatio, looseBallsFor } from './balls';
import { oddsOf } from './odds';
import {
  breaksIn,
  kindsFor,
  powers,
  reworkKinds,
  reworkPlan,
  type ReworkSetting,
  trialOf,
  warms,
} from './work-plan';

const setting = (change: Partial<ReworkSetting> = {}): ReworkSetting => ({
  ...{ kind: 'identity chip', school: '300', underfill: true, stencil: true, practice: false },
  ...change,
});
const ids = (change: Partial<ReworkSetting> = {}) => reworkPlan(setting(change)).map((step) => step.id);

describe('the steps', () => {
  test.each(reworkKinds)(
    '%s: the cell is off before anything is warmed, and each step stands once',
    (kind) => {
      const steps = reworkPlan(setting({ kind, practice: true }));
      const cell = steps.findIndex((step) => step.id === 'cell off');
      const warm = steps.findIndex(warms);
      expect(cell).toBeGreaterThanOrEqual(0);
      if (warm >= 0) expect(cell).toBeLessThan(warm);
      expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
    },
  );
  test.each(reworkKinds.filter((kind) => kind !== 'loose lens'))(
    '%s: data are saved before air or iron',
    (kind) => {
      const all = ids({ kind });
      expect(all.indexOf('save data')).toBeGreaterThanOrEqual(0);
      expect(all.indexOf('save data')).toBeLessThan(reworkPlan(setting({ kind })).findIndex(warms));
    },
  );
  test.each(reworkKinds)('%s: an opened projector is never powered: its frame is back on first', (kind) => {
    let open = false;
    for (const { id } of reworkPlan(setting({ kind }))) {
      if (id === 'cut frame') open = true;
      if (id === 'solder frame') open = false;
      expect(open && powers.has(id), id).toBe(false);
    }
    expect(open).toBe(false);
  });
  test('a dead projector is read before it is cut', () => {
    const steps = ids({ kind: 'dead projector' });
    for (const id of breaksIn) expect(steps.indexOf(id)).toBeGreaterThan(steps.indexOf('save data'));
  });
  test.each(reworkKinds)(
    '%s: what is tried is plugged in before and off again after, and nothing warms it between',
    (kind) => {
      const steps = reworkPlan(setting({ kind, newPart: true }));
      const at = (id: string) => steps.findIndex((s) => s.id === id);
      expect(at('plug in')).toBeGreaterThan(0);
      expect(at(trialOf[kind])).toBe(at('plug in') + 1);
      expect(at('off again')).toBe(at('plug in') + 2);
    },
  );
  test('underfill goes back when the chip has been tried; liner lies behind the pads before the iron', () => {
    const chip = ids();
    expect(chip.indexOf('underfill back')).toBeGreaterThan(chip.indexOf('off again'));
    expect(ids({ underfill: false })).not.toContain('underfill back');
    const flex = ids({ kind: 'add-on flex' });
    expect(flex.indexOf('liner')).toBeLessThan(flex.indexOf('wire flex'));
  });
  test('a chip that goes to a new part: both are worked at, each with barriers, heat and a look at its pads, and named', () => {
    const steps = reworkPlan(setting({ newPart: true }));
    const of = (part: 'old part' | 'new part') => steps.filter((s) => s.at === part).map((s) => s.id);
    expect(of('old part')).toEqual(expect.arrayContaining(['insulate', 'clamp', 'lift', 'look at pads']));
    expect(of('new part')).toEqual(
      expect.arrayContaining(['insulate new', 'clamp new', 'lift new', 'look at pads new', 'place']),
    );
    // the new part is insulated before any heat comes near it
    const warm = steps.findIndex((s) => s.at === 'new part' && warms(s));
    expect(steps.findIndex((s) => s.id === 'insulate new')).toBeLessThan(warm);
    expect(reworkPlan(setting()).some((s) => s.at !== undefined)).toBe(false);
  });
  test('underfill only where there is some; a stencil or loose balls; practising where there is a discarded part', () => {
    expect(ids()).toContain('underfill');
    expect(ids({ underfill: false })).not.toContain('underfill');
    expect(ids({ stencil: false })).toContain('loose balls');
    expect(ids({ stencil: false })).not.toContain('stencil');
    expect(ids({ practice: true })[0]).toBe('practise');
    expect(ids({ practice: true, kind: 'loose lens' })).not.toContain('practise');
  });
  test('the two schools of the trade: 300 C with little air for long, 280 C with more for 6 to 10 s (common practice)', () => {
    const lift = (school: '300' | '280') =>
      reworkPlan(setting({ school })).find((s) => s.id === 'lift')!.air!;
    expect(lift('300')).toMatchObject({ setC: 300, airPercent: 10 });
    expect(lift('280')).toMatchObject({ setC: 280, airPercent: 60, distanceMm: 10, leastS: 6, mostS: 10 });
  });
  test('chip work at a display, optics at what has a laser in it, nothing elsewhere', () => {
    expect(kindsFor({ kind: 'display', laser: false })).toContain('identity chip');
    expect(kindsFor({ kind: 'camera', laser: true })).toEqual(['loose lens', 'dead projector']);
    expect(kindsFor({ kind: 'camera', laser: false })).toEqual([]);
  });
});
describe('loose balls and stencils', () => {
  test('the size next to the old ball that leaves a gap', () => {
    expect(looseBallsFor(0.4, 0.25, 38)).toMatchObject({ ballMm: 0.25, count: 38, volumeRatio: 1 });
    expect(looseBallsFor(0.45, 0.27, 24)).toMatchObject({ ballMm: 0.25 });
    // 0.35 in 0.4 would run together
    expect(looseBallsFor(0.4, 0.36, 10)!.ballMm).toBe(0.3);
    expect(looseBallsFor(0.2, 0.15, 10)).toBeUndefined();
  });
  test('0.3 mm in 0.1 mm: 0.75, above the usual 0.66; in 0.12 mm below it (IPC-7525)', () => {
    expect(areaRatio({ shape: 'circle', sizeMm: 0.3 }, 0.1)).toBeCloseTo(0.75, 9);
    expect(areaRatio({ shape: 'circle', sizeMm: 0.3 }, 0.12)).toBeLessThan(0.66);
  });
});
describe('the chance that the part is lost', () => {
  test('before anybody has counted one in five; own jobs move it and narrow it', () => {
    expect(oddsOf({ works: 0, lost: 0 }).likely).toBeCloseTo(0.2, 9);
    // (1 + 2) / (5 + 20), the mean of a beta distribution
    expect(oddsOf({ works: 18, lost: 2 })).toMatchObject({ likely: 0.12, jobs: 20 });
    // beta(1, 4): 1 - (1 - p)^4, so its tenth lies at 1 - 0.9^(1/4) and its ninetieth at 1 - 0.1^(1/4)
    expect(oddsOf({ works: 0, lost: 0 }).low).toBeCloseTo(1 - 0.9 ** 0.25, 3);
    expect(oddsOf({ works: 0, lost: 0 }).high).toBeCloseTo(1 - 0.1 ** 0.25, 3);
    const width = (n: { low: number; high: number }) => n.high - n.low;
    expect(width(oddsOf({ works: 40, lost: 10 }))).toBeLessThan(width(oddsOf({ works: 4, lost: 1 })));
  });
});
