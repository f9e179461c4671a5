import { useEffect, useMemo, useState } from 'react';
import { useActionData, useNavigate, useNavigation, useSubmit } from 'react-router';
import { checksDue } from '../../../core/checks/due';
import type { Body, Task } from '../../../core/log/events';
import type { Finding } from '../../../core/rules/interlocks';
import { flag } from '../../../core/log/state';
import { jobRouteInput } from '../../../core/progress/route-input-of-job';
import type { Route as Planned, RouteResult } from '../../../core/steps/route';
import { useJobFrame } from '../../ui/job-frame';
import type { OverrideGiven } from '../../ui/stop-sheet';
import { usePlan } from './use-plan';

/** House methods and ways that are insisted on for this job. */
export interface Wishes {
  methods: Record<string, string>;
  force: Record<string, string>;
}
type Answered = { error?: string; findings?: Finding[] } | undefined;

/** The route of a job: the one in force, or the one that is being planned. */
export function useRoute(planned: RouteResult | null) {
  const frame = useJobFrame();
  const { page, index, state, context, who, ended, report } = frame;
  const submit = useSubmit();
  const go = useNavigate();
  const busy = useNavigation().state !== 'idle';
  const answered = useActionData<Answered>();
  const [stop, setStop] = useState<Finding[]>();
  useEffect(() => {
    if (answered?.findings) setStop(answered.findings);
  }, [answered]);
  const planning = planned !== null;
  const inForce = context.route;
  const [wishes, setWishes] = useState<Wishes>(() => ({
    methods: { ...page.route?.input.methods },
    force: { ...page.route?.input.force },
  }));
  const input = useMemo(
    () => (planning ? jobRouteInput(who.settings, index, state, wishes) : undefined),
    [planning, who.settings, index, state, wishes],
  );
  const plan = usePlan(planned ?? undefined, index.model, flag(state, 'modelHash') ?? '', input);
  const answer = planning ? plan.route : inForce;
  const shown: Planned | undefined = answer && !('infeasible' in answer) ? answer : undefined;
  const again = `/jobs/${page.id}/route?again=1`;
  return {
    ...frame,
    busy,
    failed: answered?.error,
    /** What stands against taking it. */
    stop,
    setStop,
    planning,
    inForce,
    /** The one shown is the one in force. */
    adopted: !planning && !!inForce,
    plan,
    answer,
    shown,
    wishes,
    setWishes,
    tasks: Object.entries(state.task).map(([slot, action]) => ({ slot, action }) as Task),
    conditions: ended ? [] : Object.keys(state.condition).filter((c) => state.condition[c]),
    unasked: checksDue(state, index, 'before')
      .filter((c) => c.result === undefined)
      .map((c) => c.function),
    again,
    take: (override?: OverrideGiven) => {
      void submit(
        JSON.stringify({ command: crypto.randomUUID(), ...wishes, ...(override ? { override } : {}) }),
        { method: 'post', encType: 'application/json' },
      );
    },
    /** What changes the device or its tasks has the rest planned again. */
    reportAndPlan: async (body: Body) => {
      if (await report(body)) void go(again);
    },
  };
}
export type RouteState = ReturnType<typeof useRoute>;
