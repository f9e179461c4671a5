import { quantileSorted } from 'd3-array';
import type { JobEvent } from '../log/events';
import { workedS } from '../log/worked';
import { doneBy } from '../rules/step-of-event';
import type { Route, Step } from '../steps/route';
import type { StepAction } from '../vocabulary/steps';

/** Planned minutes so many count as much as what was measured: a job that has only begun says little, s. */
const priorS = 15 * 60;
/** No pace is believed beyond these. */
const slowest = 1.6;
const fastest = 0.7;

/** What one step took beside what was planned for it. No name stands with it. */
export interface StepTime {
  action: StepAction;
  plannedS: number;
  tookS: number;
}
/** The step of a route that an entry does, by its action and target; a later one where an earlier one was done. */
function stepOfEntry(
  route: Route,
  done: ReadonlySet<string>,
  { body }: JobEvent,
): [Step, string] | undefined {
  const did = doneBy(body);
  if (!did) return undefined;
  for (const step of route.steps) {
    const target = did.target === '' ? step.targets[0]! : did.target;
    if (step.action === did.action && step.targets.includes(target) && !done.has(`${step.id} ${target}`))
      return [step, target];
  }
  return undefined;
}
/**
 * True seconds of hands of each step that was done, from the entry before it; what runs by itself is left out, and so is what
 * came after a long pause or by a clock that nobody knows.
 * @param log without what was taken back
 */
export function stepTimes(route: Route, log: readonly JobEvent[]): StepTime[] {
  const done = new Set<string>();
  const took = new Map<string, { step: Step; tookS: number; parts: number }>();
  for (const [k, event] of log.entries()) {
    const found = stepOfEntry(route, done, event);
    if (!found) continue;
    const [step, target] = found;
    done.add(`${step.id} ${target}`);
    const seconds = workedS(log[k - 1], event);
    if (step.waitS > 0 || seconds === undefined) continue;
    const known = took.get(step.id) ?? { step, tookS: 0, parts: 0 };
    took.set(step.id, { step, tookS: known.tookS + seconds, parts: known.parts + 1 });
  }
  return [...took.values()].map(({ step, tookS, parts }) => ({
    action: step.action,
    plannedS: (step.handsS.likely * parts) / step.targets.length,
    tookS,
  }));
}
/** By how much a job takes longer than planned so far: what was planned for its steps counts as well as what was measured. */
export function paceOf(times: readonly StepTime[]): number {
  const sum = (of: (t: StepTime) => number) => times.reduce((s, t) => s + of(t), priorS);
  return Math.min(slowest, Math.max(fastest, sum((t) => t.tookS) / sum((t) => t.plannedS)));
}

/** Steps of one kind over many jobs. */
export interface KindOfStep {
  action: StepAction;
  steps: number;
  /** s; medians of one step. */
  plannedS: number;
  tookS: number;
  /** s; nine of ten took no longer. */
  mostS: number;
  /** s; of all of them together. */
  sumS: number;
}
/** Planned and true time by kind of step, the one on which most of the time went first. */
export function timesByKind(times: readonly StepTime[]): KindOfStep[] {
  const kinds = new Map<StepAction, StepTime[]>();
  for (const t of times) kinds.set(t.action, [...(kinds.get(t.action) ?? []), t]);
  const at = (values: number[], share: number) =>
    quantileSorted(
      values.sort((a, b) => a - b),
      share,
    )!;
  return [...kinds]
    .map(([action, own]) => ({
      ...{ action, steps: own.length },
      plannedS: at(
        own.map((t) => t.plannedS),
        0.5,
      ),
      tookS: at(
        own.map((t) => t.tookS),
        0.5,
      ),
      mostS: at(
        own.map((t) => t.tookS),
        0.9,
      ),
      sumS: own.reduce((s, t) => s + t.tookS, 0),
    }))
    .sort((a, b) => b.sumS - a.sumS);
}
/** How promises were kept: of those with one, how many, and by how much the others were late. */
export interface PromisesKept {
  promised: number;
  kept: number;
  /** s; the median of those that were late; undefined where none was. */
  lateS: number | undefined;
  mostLateS: number | undefined;
}
export function promisesKept(jobs: readonly { promisedAt: number | null; doneAt: number }[]): PromisesKept {
  const late = jobs
    .flatMap(({ promisedAt, doneAt }) => (promisedAt === null ? [] : [(doneAt - promisedAt) / 1000]))
    .sort((a, b) => a - b);
  const over = late.filter((s) => s >= 60);
  return {
    ...{ promised: late.length, kept: late.length - over.length },
    lateS: over.length ? quantileSorted(over, 0.5) : undefined,
    mostLateS: over.at(-1),
  };
}
