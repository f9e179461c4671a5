import { useCallback, useEffect, useRef, useState } from 'react';
import type { DeviceModel } from '../../../core/model/schema';
import type { Route, RouteInput, RouteResult } from '../../../core/route/types';
import type { PlanAsked, PlanTold } from '../../workers/plan.worker';

export interface Planning {
  route: RouteResult | undefined;
  /** Still looking for better, or for the proof. */
  busy: boolean;
  stage: number;
  stages: number;
  stop: () => void;
}

/**
 * Plans in a worker beside the page whenever the question changes: the best answer so far is shown at once, better ones
 * as they come, until it is proved or stopped. Without a question the first answer stands.
 * @param first what the server planned for the page
 */
export function usePlan(first: RouteResult | undefined, model: DeviceModel, modelHash: string, input: RouteInput | undefined): Planning {
  const [told, setTold] = useState<{ route: RouteResult | undefined; busy: boolean; stage: number; stages: number }>({ route: first, busy: false, stage: 0, stages: 0 });
  const worker = useRef<Worker | undefined>(undefined);
  const stop = useCallback(() => { worker.current?.terminate(); worker.current = undefined; setTold((t) => ({ ...t, busy: false })); }, []);
  const key = input ? JSON.stringify(input) : '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is what its text says
  useEffect(() => {
    worker.current?.terminate();
    worker.current = undefined;
    const proved = (r: RouteResult | undefined): r is Route => r !== undefined && !('infeasible' in r) && r.optimal;
    // the server has answered just this
    if (!input || (proved(first) && JSON.stringify(first.input) === key)) { setTold({ route: first, busy: false, stage: 0, stages: 0 }); return; }
    const w = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' });
    worker.current = w;
    setTold((t) => ({ ...t, busy: true, stage: 0 }));
    w.onmessage = (e: MessageEvent<PlanTold>) => {
      setTold({ route: e.data.route, busy: !e.data.done, stage: e.data.stage, stages: e.data.stages });
      if (e.data.done) w.terminate();
    };
    w.onerror = () => setTold((t) => ({ ...t, busy: false }));
    w.postMessage({ model, modelHash, input } satisfies PlanAsked);
    return () => w.terminate();
  }, [key, first]);
  return { ...told, stop };
}
