import { useEffect, useRef, useState } from 'react';
import type { DayAsked } from '../../core/day/asked';
import type { DayPlan } from '../../core/day/day-plan';
import { listen } from './channel';

/** News come in bursts: a plan is asked for when they pause, ms; and without news as often as time moves it. */
const pauseMs = 150;
const againMs = 30_000;

export interface DayHere {
  plan: DayPlan | undefined;
  /** What the plan was made from: what if is answered from it. */
  asked: DayAsked | undefined;
  /** The bench does not answer, and what is here is old. */
  away: boolean;
  /** Asks now. */
  again: () => void;
}
/** The plan of the day, asked for anew whenever a device has moved on. */
export function useDay(): DayHere {
  const [day, setDay] = useState<{ plan: DayPlan; asked: DayAsked }>();
  const [away, setAway] = useState(false);
  const again = useRef<() => void>(undefined);
  useEffect(() => {
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = async () => {
      const got = await fetch('/day')
        .then((res) => (res.ok ? (res.json() as Promise<{ plan: DayPlan; asked: DayAsked }>) : undefined))
        .catch(() => undefined);
      if (gone) return;
      setAway(!got);
      if (got) setDay(got);
      later(againMs);
    };
    const later = (ms: number) => {
      clearTimeout(timer);
      timer = setTimeout(() => void ask(), ms);
    };
    again.current = () => later(0);
    void ask();
    const stop = listen((m) => {
      if (m.type === 'changed' || m.type === 'resync' || m.type === 'settled') later(pauseMs);
    });
    return () => {
      gone = true;
      clearTimeout(timer);
      stop();
    };
  }, []);
  const [ask] = useState(() => () => again.current?.());
  return { plan: day?.plan, asked: day?.asked, away, again: ask };
}
