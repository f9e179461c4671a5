import { describe, expect, test } from 'vitest';
import { runningText } from '../../../words/things';
import { heatSoFar } from './use-heat-window';

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
