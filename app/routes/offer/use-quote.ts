import { useCallback, useEffect, useRef, useState } from 'react';
import type { QuoteAsked, QuotedOption, QuoteTold } from '../../workers/quote.worker';

export interface Quoting {
  options: (QuotedOption | { id: string; infeasible: true })[] | undefined;
  progress: number;
  busy: boolean;
  stop: () => void;
}

/** Works out the options beside the page whenever the question changes; the last answer stands until the next one comes. */
export function useQuote(asked: QuoteAsked | undefined): Quoting {
  const [told, setTold] = useState<Omit<Quoting, 'stop'>>({ options: undefined, progress: 0, busy: false });
  const worker = useRef<Worker | undefined>(undefined);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setTold((t) => ({ ...t, busy: false }));
  }, []);
  const key = asked ? JSON.stringify({ ...asked, model: asked.modelHash }) : '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is what its text says
  useEffect(() => {
    worker.current?.terminate();
    if (!asked) {
      setTold({ options: undefined, progress: 0, busy: false });
      return;
    }
    const w = new Worker(new URL('../../workers/quote.worker.ts', import.meta.url), { type: 'module' });
    worker.current = w;
    setTold((t) => ({ ...t, busy: true, progress: 0 }));
    w.onmessage = (messageEvent: MessageEvent<QuoteTold>) => {
      const quoteTold = messageEvent.data;
      setTold((omit) =>
        quoteTold.done
          ? { options: quoteTold.options, progress: 1, busy: false }
          : { ...omit, progress: quoteTold.progress },
      );
      if (quoteTold.done) w.terminate();
    };
    w.onerror = () => setTold((t) => ({ ...t, busy: false }));
    w.postMessage(asked);
    return () => w.terminate();
  }, [key]);
  return { ...told, stop };
}
