import { useEffect, useRef, useState } from 'react';
import type { DayAsked } from '../../core/day/asked';
import type { DayPlan } from '../../core/day/day-plan';
import { imagine, type WhatIf } from '../../core/day/what-if';
import type { ImaginedAsked, ImaginedTold } from '../workers/day.worker';

/**
 * The plan of a day as it is imagined, computed beside the page: one question at a time, and of those that come meanwhile the
 * last. While nothing is imagined there is none.
 */
export function useWhatIf(asked: DayAsked | undefined, whatIf: WhatIf | undefined): DayPlan | undefined {
  const [told, setTold] = useState<ImaginedTold>();
  const worker = useRef<Worker>(undefined);
  const nr = useRef(0);
  const busy = useRef(false);
  const waiting = useRef<ImaginedAsked>(undefined);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = undefined;
      busy.current = false;
    },
    [],
  );
  useEffect(() => {
    if (!asked || !whatIf) return;
    const send = (question: ImaginedAsked) => {
      busy.current = true;
      worker.current!.postMessage(question);
    };
    if (!worker.current) {
      worker.current = new Worker(new URL('../workers/day.worker.ts', import.meta.url), { type: 'module' });
      worker.current.onmessage = ({ data }: MessageEvent<ImaginedTold>) => {
        busy.current = false;
        setTold(data);
        const next = waiting.current;
        waiting.current = undefined;
        if (next) send(next);
      };
    }
    const question = { nr: ++nr.current, asked: imagine(asked, whatIf) };
    if (busy.current) waiting.current = question;
    else send(question);
  }, [asked, whatIf]);
  return whatIf && told?.plan;
}
