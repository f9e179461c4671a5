import { useEffect, useState } from 'react';
import type { DayPlan } from '../../core/day/day-plan';
import { listen } from './channel';

/** News come in bursts: a plan is asked for when they pause, ms; and without news as often as time moves it. */
const pauseMs = 500;
const againMs = 30_000;

/**
 * The plan of the day, asked for anew whenever a device has moved on. `away`: the bench does not answer, and what is here is old.
 * @param whatIf what it would be otherwise, as a query; empty: nobody asks; left out: as it is
 */
export function useDay(whatIf?: string): { plan: DayPlan | undefined; away: boolean } {
  const [plan, setPlan] = useState<DayPlan>();
  const [away, setAway] = useState(false);
  useEffect(() => {
    // what was imagined before is no answer to this
    if (whatIf !== undefined) setPlan(undefined);
    if (whatIf === '') return;
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = async () => {
      const got = await fetch(whatIf === undefined ? '/day' : `/day?${whatIf}`)
        .then((res) => (res.ok ? (res.json() as Promise<DayPlan>) : undefined))
        .catch(() => undefined);
      if (gone) return;
      setAway(!got);
      if (got) setPlan(got);
      later(againMs);
    };
    const later = (ms: number) => {
      clearTimeout(timer);
      timer = setTimeout(() => void ask(), ms);
    };
    void ask();
    const stop = listen((m) => {
      if (m.type === 'changed' || m.type === 'resync' || m.type === 'settled') later(pauseMs);
    });
    return () => {
      gone = true;
      clearTimeout(timer);
      stop();
    };
  }, [whatIf]);
  return { plan, away };
}
