import { describe, expect, test } from 'vitest';
import { evolve } from '../log/evolve';
import { flag, type Flags, type JobState } from '../log/state';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { bondWorked, cellLimitS, openBy, soakShortS } from './soak';

const index = indexed(mica9);
const opened = new Bench(index, route(mica9)).open().state;
const at = opened.lastAt;
const soaked = (more: Partial<NonNullable<Flags['heatEndedAt']>> = {}, state = opened): JobState => ({
  ...state,
  flag: {
    ...state.flag,
    heatEndedAt: {
      at,
      clockKnown: true,
      seq: state.seq,
      station: 'hot-plate',
      gaveS: 300,
      ofS: 300,
      ...more,
    },
  },
});
const model = (change: (bond: (typeof mica9.bonds)[number]) => object) =>
  indexed({ ...mica9, bonds: mica9.bonds.map((b) => (b.id === 'seal' ? { ...b, ...change(b) } : b)) });
const seal = mica9.bonds.find((b) => b.id === 'seal')!;
const delayS = seal.release.find((r) => r.by === 'heat')!.maxDelayS!;

describe('a soak', () => {
  test('counts as given with a tenth missing, and not with more; what is missing is told whole', () => {
    expect(soakShortS(soaked(), index, 'seal')).toBeUndefined();
    expect(soakShortS(soaked({ gaveS: 270 }), index, 'seal')).toBeUndefined();
    expect(soakShortS(soaked({ gaveS: 269.5 }), index, 'seal')).toBe(31);
    expect(soakShortS(soaked({ gaveS: 0 }), index, 'seal')).toBe(300);
  });
  test('says nothing while it goes on, before there was one, or where heat does not soften the bond', () => {
    expect(soakShortS(opened, index, 'seal')).toBeUndefined();
    const cold = model(() => ({ release: seal.release.filter((r) => r.by !== 'heat') }));
    expect(soakShortS(soaked({ gaveS: 0 }), cold, 'seal')).toBeUndefined();
    expect(openBy(soaked({ gaveS: 0 }), cold, 'seal')).toBeUndefined();
    const going = soaked({ gaveS: 0 });
    const heat = { since: at, until: at + 1, clockKnown: true, station: 'hot-plate' } as Flags['heat'];
    expect(soakShortS({ ...going, flag: { ...going.flag, heat } }, index, 'seal')).toBeUndefined();
  });
  test.each(['solvent seal', 'gap seal'])('no longer counts once there has been a %s since', (key) => {
    const state = soaked({ gaveS: 0 });
    expect(soakShortS({ ...state, acted: { [key]: state.seq + 1 } }, index, 'seal')).toBeUndefined();
    // one of before the soak changes nothing
    expect(soakShortS({ ...state, acted: { [key]: state.seq } }, index, 'seal')).toBe(300);
  });
});

describe('how long a warmed bond can be worked on', () => {
  test('is as long as the model says', () => {
    expect(openBy(soaked(), index, 'seal')).toEqual({ until: at + delayS * 1000, clockKnown: true });
    expect(openBy(soaked({ clockKnown: false }), index, 'seal')!.clockKnown).toBe(false);
  });
  test('or as it was computed to be soft, whichever is over first', () => {
    expect(openBy(soaked({ softForS: delayS - 10 }), index, 'seal')!.until).toBe(at + (delayS - 10) * 1000);
    expect(openBy(soaked({ softForS: delayS + 10 }), index, 'seal')!.until).toBe(at + delayS * 1000);
    // nothing was computed where it came to nothing
    expect(openBy(soaked({ softForS: 0 }), index, 'seal')!.until).toBe(at + delayS * 1000);
  });
  test('what was computed is of the cover’s bond: of one that holds the cover with something else, too; of another not', () => {
    const more = model((b) => ({ holds: [...(b as typeof seal).holds, 'cell'] }));
    expect(openBy(soaked({ softForS: 5 }), more, 'seal')!.until).toBe(at + 5000);
    const inner = model(() => ({ holds: ['cell'] }));
    expect(openBy(soaked({ softForS: 5 }), inner, 'seal')!.until).toBe(at + delayS * 1000);
  });
  test('is unknown where neither says anything', () => {
    const unnamed = model((b) => ({
      release: (b as typeof seal).release.map(({ maxDelayS: _, ...r }) => r),
    }));
    expect(openBy(soaked(), unnamed, 'seal')).toBeUndefined();
    expect(openBy(soaked({ softForS: 5 }), unnamed, 'seal')!.until).toBe(at + 5000);
  });
});

test('a bond is worked on by its first gap or its release, and by nothing else', () => {
  expect(bondWorked({ type: 'bondReleased', bond: 'seal', torn: false })).toBe('seal');
  expect(bondWorked({ type: 'acted', act: 'gap', target: 'seal' })).toBe('seal');
  expect(bondWorked({ type: 'acted', act: 'press', target: 'seal' })).toBeUndefined();
  expect(bondWorked({ type: 'noted', text: 'seal' })).toBeUndefined();
});
test('when the cell may be at its limit is known of a source whose heat is, and comes sooner with more of it', () => {
  const [mild, hot] = [90, 120].map((setC) => cellLimitS(index, 'hot-plate', setC)!);
  expect(hot).toBeGreaterThan(0);
  expect(mild).toBeGreaterThan(hot!);
  expect(cellLimitS(index, 'no such source', 120)).toBeUndefined();
  const cold = model(() => ({ release: seal.release.filter((r) => r.by !== 'heat') }));
  expect(cellLimitS(cold, 'hot-plate', 120)).toBeUndefined();
});
test('it is told by the log: a soak that is ended early is short by what is missing', () => {
  const b = new Bench(index, route(mica9)).open();
  while (!flag(b.state, 'heat')) b.next();
  b.at = flag(b.state, 'heat')!.since + 20_000;
  const ended = b.do({ type: 'heatEnded' }).events.reduce(evolve, b.state);
  expect(soakShortS(ended, b.index, 'seal')).toBeGreaterThan(0);
});
