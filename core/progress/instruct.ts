import { reseatFor } from '../checks/reseat';
import type { IndexedModel } from '../model/index-model';
import type { Step } from '../steps/route';
import { type Body, holds, type Task } from '../log/events';
import { failedChecks } from '../checks/failed';
import { type Finding, findings } from '../rules/interlocks';
import { leastWaits, type Situation } from '../rules/interlock';
import { bodyFor, checkStepOpen, nextStep } from '../rules/step-of-event';
import { conditionsUnplanned, type MustStop, mustStop, tasksUnplanned } from './running';
import { bondWorked, openBy } from '../rules/soak';
import { mayComeOff } from '../log/soaks';
import { reworkFailed } from '../rules/interlocks/rework';
import { flag, type JobState, type ReworkEntry } from '../log/state';
import { openState } from '../log/view';
import { leakNow } from '../rules/water';
import type { Context } from '../rules/decide';

export type Instruction =
  /** Something runs that a condition forbids: it ends before anything else. */
  | ({ kind: 'stop now' } & MustStop)
  /** The device as it is closed leaks: it is mended and tested again first. `then` is what the route says after that. */
  | { kind: 'leaks'; leak: NonNullable<ReturnType<typeof leakNow>>; then: Instruction }
  /** The route was planned before these conditions or tasks: nothing of it is done before the rest is planned anew. */
  | { kind: 'plan again'; ids: string[]; tasks: Task[] }
  | { kind: 'no route' }
  | { kind: 'ended' }
  | { kind: 'question'; question: string; rule: string; ids: string[] }
  | { kind: 'checks'; step: Step; open: string[] }
  /** What was checked does not work: what to do about it before it is checked again. */
  | { kind: 'failed'; step: Step; functions: string[]; tasks: Task[] }
  /** Work under the microscope did not succeed: the customer decides, and nothing of the route is done before. */
  | { kind: 'rework failed'; step: Step; slot: string; outcome: NonNullable<ReworkEntry['outcome']> }
  | { kind: 'waiting'; step: Step; until: number; clockKnown: boolean; target: string; body: Body }
  | {
      kind: 'do';
      step: Step;
      target: string;
      body: Body;
      left: string[];
      findings: Finding[];
      /** Warm and to be worked on until then. */
      by?: { until: number; clockKnown: boolean };
    }
  | { kind: 'finished' };

/**
 * What now: the next instruction of the route, with what the interlocks say about it before it is done.
 * A question that is open comes before any instruction; a check step waits for its answers; a wait shows its end.
 */
export function instruct(context: Context, state: JobState, now: Situation['now']): Instruction {
  if (flag(state, 'ending') !== undefined) return { kind: 'ended' };
  const stop = mustStop(state, now);
  if (stop) return { kind: 'stop now', ...stop };
  for (const id in state.question) {
    const questionEntry = state.question[id];
    if (questionEntry)
      return { kind: 'question', question: id, rule: questionEntry.rule, ids: questionEntry.ids };
  }
  if (!context.route) return { kind: 'no route' };
  const tasks = tasksUnplanned(state, context.index, context.route.input.tasks);
  if (tasks.length) return { kind: 'plan again', ids: [], tasks };
  const next = nextStep(context.route, state, context.index);
  if (!next) return { kind: 'finished' };
  const leak = leakToMend(state, context.index);
  if (leak) return { kind: 'leaks', leak, then: alongRoute(context, state, now, next) };
  return alongRoute(context, state, now, next);
}
/** A leak test that failed, of the device as it is closed now; not while a route that was planned since opens it again. */
function leakToMend(state: JobState, index: IndexedModel): ReturnType<typeof leakNow> {
  const leak = leakNow(state);
  const plannedSince = (flag(state, 'adoptedAt') ?? 0) > (flag(state, 'leak')?.seq ?? 0);
  return leak && !leak.holds && !plannedSince && openState(state, index) === 'closed' ? leak : undefined;
}
/** What the route says now. */
function alongRoute(
  context: Context,
  state: JobState,
  now: Situation['now'],
  next: NonNullable<ReturnType<typeof nextStep>>,
): Instruction {
  const route = context.route!;
  const unplanned = conditionsUnplanned(state, route.input.conditions);
  if (unplanned.length) return { kind: 'plan again', ids: unplanned, tasks: [] };
  const { step, left } = next;
  if (isAtMicroscope(step.action) && reworkFailed(state, left[0]!))
    return { kind: 'rework failed', step, slot: left[0]!, outcome: state.rework[left[0]!]!.outcome! };
  const heat = flag(state, 'heat');
  // on the heat source again beside the route's own soak: nothing is worked on before it is off
  if (heat && step.action !== 'heat')
    return {
      kind: 'waiting',
      step: route.steps.findLast((s) => s.action === 'heat') ?? step,
      until: heat.until,
      clockKnown: heat.clockKnown && now.clockKnown,
      target: 'end',
      body: { type: 'heatEnded' },
    };
  if (step.action === 'check') {
    const failing = failedChecks(state, context.index)
      // planned for since then, it is simply asked again
      .filter((f) => f.round === step.round && f.seq > (flag(state, 'adoptedAt') ?? 0))
      .map((f) => f.function);
    if (failing.length)
      return { kind: 'failed', step, functions: failing, tasks: reseatFor(context.index, state, failing) };
    const open = checkStepOpen(context.index, state, step);
    if (open.length) return { kind: 'checks', step, open };
  }
  const target = left[0]!;
  const body = bodyFor(context.index, state, step, target);
  const wait = waitOf(context, state, step, target, now);
  if (wait && (!now.clockKnown || now.at < wait.until))
    return {
      kind: 'waiting',
      step,
      until: wait.until,
      clockKnown: wait.clockKnown && now.clockKnown,
      target,
      body,
    };
  const bond = bondWorked(body);
  const by = bond ? openBy(state, context.index, bond) : takeOffBy(state, body);
  return {
    kind: 'do',
    step,
    target,
    body,
    left,
    ...(by ? { by } : {}),
    findings: findings(
      {
        index: context.index,
        state,
        waits: context.waits,
        role: context.role,
        now,
        methods: context.route?.input.methods,
      },
      body,
    ),
  };
}

const isAtMicroscope = (action: Step['action']): boolean => action === 'rework' || action === 'move chip';

/** A wait that this instruction stands behind: the plate's time, or solvent that has not dwelt long enough. */
function waitOf(
  { index, waits }: Pick<Context, 'index' | 'waits'>,
  state: JobState,
  step: Step,
  target: string,
  now: Situation['now'],
): { until: number; clockKnown: boolean } | undefined {
  const heat = flag(state, 'heat');
  if (step.action === 'heat' && target === 'end' && heat)
    // it may be taken off once its bond is soft; while the source is cold none of that comes nearer
    return {
      until: mayComeOff(heat) + (heat.coldSince === undefined ? 0 : Math.max(1000, now.at - heat.coldSince)),
      clockKnown: heat.clockKnown,
    };
  const hold = flag(state, 'hold');
  if (hold && holds.has(step.action) && target.endsWith(':end'))
    return { until: hold.until, clockKnown: hold.clockKnown };
  const ended = flag(state, 'heatEndedAt');
  const wets = step.action === 'solvent' || (step.action === 'clean rim' && !target.includes(':'));
  if (wets && ended && !heat)
    return {
      until: ended.at + Math.max(waits.coolingS, leastWaits.coolingS) * 1000,
      clockKnown: ended.clockKnown,
    };
  const solvent = flag(state, 'solventAt');
  if (step.action === 'heat' && target === 'start' && step.restS && ended && !heat)
    return { until: ended.at + step.restS * 1000, clockKnown: ended.clockKnown };
  // a torn strip is given the time that alcohol takes to get under it
  const dissolving =
    step.action === 'move' &&
    (index.slots.get(target)?.ways ?? []).some((way) =>
      way.bonds.some((b) => state.bond[b] === 'torn' && state.acted[`solvent ${b}`] !== undefined),
    );
  if ((step.action === 'release' || dissolving) && solvent && !heat)
    return { until: solvent.until, clockKnown: solvent.clockKnown };
  return undefined;
}

/** Until when a device that is soft may stay on its heat source: then its cell may be at its limit. */
function takeOffBy(state: JobState, body: Body): { until: number; clockKnown: boolean } | undefined {
  const heat = flag(state, 'heat');
  return body.type === 'heatEnded' && heat?.closesAt !== undefined
    ? { until: heat.closesAt, clockKnown: heat.clockKnown }
    : undefined;
}
