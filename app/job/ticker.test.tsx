// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';

let clock: typeof import('./clock');
let ticker: typeof import('./ticker');
beforeEach(async () => {
  vi.useFakeTimers({ now: 1_000_000 });
  vi.resetModules();
  clock = await import('./clock');
  ticker = await import('./ticker');
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

test('the bench goes by the server’s clock, half the way there and back ago, and says whether it knows it', () => {
  expect(clock.benchTime()).toEqual({ at: 1_000_000, clockKnown: false });
  // asked at 1000.0 s, answered at 1000.4 s with a clock that is an hour ahead at half of it
  const askedAt = Date.now();
  vi.advanceTimersByTime(400);
  clock.setServerTime(askedAt + 200 + 3_600_000, askedAt);
  expect(clock.benchTime()).toEqual({ at: 1_000_400 + 3_600_000, clockKnown: true });
});
test('a page that came with a time and does not say when it was asked: the time of now', () => {
  clock.setServerTime(500_000);
  expect(clock.benchTime()).toEqual({ at: 500_000, clockKnown: true });
});
test('ticks once a second for all that count down, with the time at once for the first, and not for who has gone', () => {
  expect(ticker.lastTick()).toBe(0);
  const heard: number[] = [];
  const stop = ticker.watchTicks(() => heard.push(ticker.lastTick()));
  expect(heard).toEqual([1_000_000]);
  const second = vi.fn();
  ticker.watchTicks(second);
  expect(second).not.toHaveBeenCalled();
  vi.advanceTimersByTime(2000);
  expect(heard).toEqual([1_000_000, 1_001_000, 1_002_000]);
  expect(second).toHaveBeenCalledTimes(2);
  stop();
  vi.advanceTimersByTime(1000);
  expect(heard).toHaveLength(3);
  expect(second).toHaveBeenCalledTimes(3);
});
test('what shows the time is drawn anew each second', () => {
  const view = renderHook(() => ticker.useNow());
  expect(view.result.current).toBe(1_000_000);
  act(() => void vi.advanceTimersByTime(1000));
  expect(view.result.current).toBe(1_001_000);
});
