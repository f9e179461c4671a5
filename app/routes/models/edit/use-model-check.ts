import { useEffect, useRef, useState } from 'react';
import type { ModelProblem } from '../../../../core/model/check-model';
import type { DeviceModel } from '../../../../core/model/schema';
import type { RouteResult } from '../../../../core/steps/route';
import type { ModelAsked, ModelTold } from '../../../workers/model.worker';

export interface ModelCheck {
  problems: readonly ModelProblem[];
  /** Every part has been asked for a way out and back. */
  whole: boolean;
  /** The route to the part that is looked at, on the model as it was checked last. */
  route: { slot: string; route: RouteResult } | undefined;
}
/** Checks a model beside the page at every change of it; an answer to what it was before is not waited for. */
export function useModelCheck(model: DeviceModel, variant: string, slot: string | undefined): ModelCheck {
  const [check, setCheck] = useState<ModelCheck>({ problems: [], whole: false, route: undefined });
  const worker = useRef<{ w: Worker; busy: boolean }>(undefined);
  const nr = useRef(0);
  useEffect(() => () => worker.current?.w.terminate(), []);
  useEffect(() => {
    if (worker.current?.busy) {
      worker.current.w.terminate();
      worker.current = undefined;
    }
    worker.current ??= {
      w: new Worker(new URL('../../../workers/model.worker.ts', import.meta.url), { type: 'module' }),
      busy: false,
    };
    const mine = worker.current;
    const asked = ++nr.current;
    mine.busy = true;
    mine.w.onmessage = ({ data }: MessageEvent<ModelTold>) => {
      if (data.nr !== asked) return;
      if ('route' in data) {
        setCheck((c) => ({ ...c, route: data }));
        return;
      }
      if (data.whole || data.problems.length) mine.busy = false;
      setCheck((c) => ({
        problems: data.problems,
        whole: data.whole,
        route: data.problems.length ? undefined : c.route,
      }));
    };
    mine.w.postMessage({ nr: asked, model, variant, slot } satisfies ModelAsked);
  }, [model, variant, slot]);
  return check;
}
