import { useEffect, useState } from 'react';
import type { PromiseSaid } from '../../../core/wire/promise-asked';

/** While a time is typed nothing is asked, ms. */
const pauseMs = 300;

/** What the plan of the day says of a device with what it takes, s, and by when it is wished, ms; nothing where the bench does not answer. */
export function usePromise(
  takes: { job?: string; low: number; likely: number; high: number; wait: number } | undefined,
  by: number | null,
): PromiseSaid | undefined {
  const [said, setSaid] = useState<PromiseSaid>();
  const asked =
    takes &&
    new URLSearchParams({
      low: String(Math.round(takes.low)),
      likely: String(Math.round(takes.likely)),
      high: String(Math.round(takes.high)),
      wait: String(Math.round(takes.wait)),
      ...(takes.job === undefined ? {} : { job: takes.job }),
      ...(by === null ? {} : { by: String(by) }),
    }).toString();
  useEffect(() => {
    if (!asked) return;
    const gone = new AbortController();
    const timer = setTimeout(() => {
      void fetch(`/promise?${asked}`, { signal: gone.signal })
        .then((res) => (res.ok ? (res.json() as Promise<PromiseSaid>) : undefined))
        .then(setSaid, () => {});
    }, pauseMs);
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [asked]);
  return takes && said;
}
