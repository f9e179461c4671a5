import { describe, expect, test } from 'vitest';
import type { HeatWindow } from '../../../core/heat/heat-window';
import { runningText } from '../../../words/things';
import { heatSoFar, windowOfSoak } from './use-heat-window';

const minute = 60_000;
describe('the times on heat that a window is computed from', () => {
  test('of a device that was never warmed there are none', () => {
    expect(heatSoFar()).toEqual({ from: 0, lastS: 0, onHeat: [], readings: [] });
  });
  test('are counted from the first that still counts; the last one is what is asked about', () => {
    const soaks = [
      { station: 'hot-plate', from: 0, to: 5 * minute },
      { station: 'hot-plate', from: 100 * minute, to: 104 * minute },
      { station: 'hot-plate', from: 106 * minute, to: null },
    ];
    const glass = [
      { at: 3 * minute, celsius: 70 },
      { at: 107 * minute, celsius: 61 },
    ];
    // the first has long cooled
    expect(heatSoFar(soaks, glass)).toEqual({
      from: 100 * minute,
      lastS: 360,
      onHeat: [{ fromS: 0, toS: 240 }, { fromS: 360 }],
      readings: [{ atS: 420, glassC: 61 }],
    });
  });
  test('one that ended in the second in which it began is a second long', () => {
    expect(heatSoFar([{ station: 'dryer', from: 1000, to: 1000 }]).onHeat).toEqual([{ fromS: 0, toS: 1 }]);
  });
});
test('the strip says of a device on heat when it is soft, then until when it comes off, then that it must', () => {
  const running = { what: 'heat', until: 100_000, offBy: 300_000 };
  expect(runningText(running, 40_000)).toBe('heat 1:00');
  expect(runningText(running, 120_000)).toBe('off in 3:00');
  expect(runningText(running, 300_000)).toBe('take it off now');
  expect(runningText({ what: 'heat', until: 100_000 }, 120_000)).toBe('heat over');
});

describe('what the step and the alarm go by', () => {
  const found = (window: HeatWindow['window'], limitS?: number) =>
    ({ window, limitS, softForS: 47 }) as HeatWindow;
  const soFar = { lastS: 300, readings: [{ atS: 310, glassC: 66 }] };
  test('is counted from the soak that runs, in whole ten seconds to the sure side', () => {
    expect(windowOfSoak(found({ opensS: 341, closesS: 429 }), soFar)).toEqual({
      type: 'heatWindowFitted',
      readings: 1,
      softForS: 40,
      opensS: 50,
      closesS: 120,
    });
  });
  test('names no opening where no time is right, and the limit of the cell where there is one', () => {
    expect(windowOfSoak(found(undefined, 395), soFar)).toMatchObject({ closesS: 90 });
    expect(windowOfSoak(found(undefined, 395), soFar)).not.toHaveProperty('opensS');
    expect(windowOfSoak(found(undefined), soFar)).not.toHaveProperty('closesS');
    // less than ten seconds are none
    expect(windowOfSoak(found({ opensS: 341, closesS: 349 }), soFar)).not.toHaveProperty('opensS');
  });
});
