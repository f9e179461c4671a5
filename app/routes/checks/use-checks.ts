import { useNavigate } from 'react-router';
import { checksDue, type DueCheck } from '../../../core/checks/due';
import type { CheckResult, Round } from '../../../core/log/events';
import { failedChecks } from '../../../core/checks/failed';
import { roundNow } from '../../../core/progress/round';
import { isLive, openState } from '../../../core/log/view';
import type { FunctionId } from '../../../core/vocabulary/trade';
import { type JobFrame, useJobFrame } from '../../ui/job-frame';

/** One function in the table, with what is known of it in each round. */
export interface CheckRow {
  fn: FunctionId;
  /** In the round that is asked now. */
  now: DueCheck | undefined;
  mid: DueCheck | undefined;
  after: DueCheck | undefined;
  any: DueCheck;
  /** Due now and not passed. */
  lit: boolean;
}

/** What can be answered of a function in a round: not tested where that is honest, as before where it did not work then. */
export const answersOf = (round: Round, dueCheck: DueCheck): CheckResult[] => [
  'works',
  'fails',
  ...(round === 'before' || dueCheck.untestable ? (['untested'] as const) : []),
  ...(round !== 'before' && dueCheck.before === 'fails' ? (['same'] as const) : []),
];

/** The checks of a job as they are asked now. */
export function useChecks() {
  const frame = useJobFrame();
  const { page, index, state, context, ended, report } = frame;
  const go = useNavigate();
  const { round, next, unopened } = roundNow(state, index, context.route);
  const due = checksDue(state, index, round);
  const live = isLive(state, index);
  const may = !ended && (round === 'before' ? openState(state, index) === 'never opened' : live);
  const open = due.filter((c) => (round === 'before' ? c.result === undefined : !c.passed));
  // what was tried and failed has been answered: it is mended, not tried first
  const failing = open.filter((c) => c.result === 'fails' && c.stale.length === 0);
  const waiting = open.filter((c) => !failing.includes(c));
  // only what was answered is copied: what nobody saw work before is tried and answered by itself
  const asBefore = round === 'before' || !may ? [] : waiting.filter((c) => c.before === 'works');
  const settled = open.length === 0;
  const stepIsThis = next?.action === 'check' && next.round === round;
  const answer = (results: [DueCheck, CheckResult][]) =>
    void report(
      ...results.map(([c, result]) => ({ type: 'checked' as const, round, function: c.function, result })),
    );
  const onward: 'offer' | 'work' | 'hand-over' =
    round === 'before' ? 'offer' : round === 'after' && (stepIsThis || !next) ? 'hand-over' : 'work';
  const goOn = async () => {
    if (stepIsThis && next && !(await report({ type: 'stepPassed', passed: next.id, round }))) return;
    void go(`/jobs/${page.id}/${onward}`);
  };
  return {
    ...frame,
    rows: rowsOf(frame, due),
    round,
    live,
    may,
    waiting,
    failing,
    asBefore,
    settled,
    unopened,
    onward,
    stepIsThis,
    failed: failedChecks(state, index),
    answer,
    goOn,
  };
}
export type ChecksState = ReturnType<typeof useChecks>;

/** What is due now stands first, the rest of the record below it; what the chosen tasks will touch is asked already. */
function rowsOf({ state, index, context }: JobFrame, due: DueCheck[]): CheckRow[] {
  const mid = context.route ? checksDue(state, index, 'mid') : [];
  const after = checksDue(state, index, 'after');
  const functions = [...new Set([...due, ...after, ...mid].map((c) => c.function))];
  const of = (list: DueCheck[], fn: FunctionId) => list.find((d) => d.function === fn);
  return functions.map((fn) => {
    const now = of(due, fn);
    return {
      fn,
      now,
      mid: of(mid, fn),
      after: of(after, fn),
      any: now ?? of(after, fn) ?? of(mid, fn)!,
      lit: now !== undefined && !now.passed,
    };
  });
}
