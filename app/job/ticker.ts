import { useSyncExternalStore } from 'react';
import { benchTime } from './clock';

/** A second's tick for everything that counts down; quiet on the server. */
let now = 0;
const tickers = new Set<() => void>();
let ticking = false;

/** Calls back every second, and at once when the time was not known before. @returns how to stop it */
export function watchTicks(cb: () => void): () => void {
  tickers.add(cb);
  if (!ticking) {
    ticking = true;
    setInterval(() => {
      now = benchTime().at;
      for (const ticker of tickers) ticker();
    }, 1000);
  }
  if (!now) {
    now = benchTime().at;
    cb();
  }
  return () => void tickers.delete(cb);
}
/** The time of the last tick, ms since 1970; 0 before the first. */
export const lastTick = () => now;
const never = () => 0;
/** The time, to the second; 0 on the server and until the page is awake. What asks for it is drawn anew every second. */
export const useNow = () => useSyncExternalStore(watchTicks, lastTick, never);
