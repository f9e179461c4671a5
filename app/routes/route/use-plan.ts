import { useCallback, useEffect, useRef, useState } from 'react';
import type { DeviceModel } from '../../../core/model/schema';
import type { Route, RouteInput, RouteResult } from '../../../core/steps/route';
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
export function usePlan(
  first: RouteResult | undefined,
  model: DeviceModel,
  modelHash: string,
  input: RouteInput | undefined,
): Planning {
  const [told, setTold] = useState<{
    route: RouteResult | undefined;
    busy: boolean;
    stage: number;
    stages: number;
  }>({ route: first, busy: false, stage: 0, stages: 0 });
  // one worker, kept warm; one that is busy with an old question is ended, which is how a search is stopped
  const worker = useRef<{ w: Worker; busy: boolean } | undefined>(undefined);
  const drop = useCallback(() => {
    worker.current?.w.terminate();
    worker.current = undefined;
  }, []);
  const stop = useCallback(() => {
    drop();
    setTold((t) => ({ ...t, busy: false }));
  }, [drop]);
  const ready = useCallback(
    () =>
      (worker.current ??= {
        w: new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
        busy: false,
      }),
    [],
  );
  const key = input ? JSON.stringify(input) : '';
  const asking = key !== '';
  // its first plan is for nobody: afterwards the planner is warm, and a change is answered before one looks up
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page begins to plan
  useEffect(() => {
    if (input) ready().w.postMessage({ model, modelHash, input } satisfies PlanAsked);
    return drop;
  }, [asking]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is what its text says
  useEffect(() => {
    if (worker.current?.busy) drop();
    const proved = (routeResult: RouteResult | undefined): routeResult is Route =>
      routeResult !== undefined && !('infeasible' in routeResult) && routeResult.optimal;
    // the server has answered just this
    if (!input || (proved(first) && JSON.stringify(first.input) === key)) {
      setTold({ route: first, busy: false, stage: 0, stages: 0 });
      return;
    }
    const mine = ready();
    mine.busy = true;
    setTold((t) => ({ ...t, busy: true, stage: 0 }));
    mine.w.onmessage = (messageEvent: MessageEvent<PlanTold>) => {
      mine.busy = !messageEvent.data.done;
      setTold({
        route: messageEvent.data.route,
        busy: !messageEvent.data.done,
        stage: messageEvent.data.stage,
        stages: messageEvent.data.stages,
      });
    };
    mine.w.onerror = () => {
      mine.busy = false;
      setTold((t) => ({ ...t, busy: false }));
    };
    mine.w.postMessage({ model, modelHash, input } satisfies PlanAsked);
  }, [key, first]);
  return { ...told, stop };
}
