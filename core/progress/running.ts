import { knownTest } from '../diagnose/fault';
import { noHeat } from '../vocabulary/conditions';
import type { Body, Task } from '../log/events';
import type { IndexedModel } from '../model/index-model';
import { tasksDue } from './tasks-due';
import { flag, type JobState } from '../log/state';
import type { Moment } from '../rules/interlock';
import { conditionsOf, hasCondition } from '../log/view';

/** Something that runs on the device and may not go on as the device is now. */
export interface MustStop {
  what: 'heat' | 'press' | 'charge';
  /** The conditions that forbid it; none where its time is over. */
  ids: string[];
  /** Since when it should have been stopped, ms. */
  since?: number;
  /** What is reported when it has been stopped. */
  body: Body;
}

/**
 * What runs now and is forbidden by a condition that has come since: heat, the press, a charger of the fault's tests.
 * It is stopped before anything else is asked or done (common practice: a swelling cell leaves the plate at once).
 */
export function mustStop(state: JobState, now: Moment): MustStop | undefined {
  const standing = noHeat.filter((c) => hasCondition(state, c));
  if (flag(state, 'heat') && standing.length)
    return { what: 'heat', ids: standing, body: { type: 'heatEnded' } };
  // the cell, or the panel, may be at its limit: it comes off before anything else is done
  const closesAt = flag(state, 'heat')?.closesAt;
  if (closesAt !== undefined && now.clockKnown && now.at >= closesAt)
    return { what: 'heat', ids: [], since: closesAt, body: { type: 'heatEnded' } };
  const hold = flag(state, 'hold');
  if (hold?.what === 'press' && standing.length)
    return {
      what: 'press',
      ids: standing,
      body: { type: 'acted', act: 'press', target: `${hold.target}:end` },
    };
  for (const test in state.test) {
    const entry = state.test[test]!;
    if (entry.outcome !== undefined || entry.declined !== undefined) continue;
    const ids = (knownTest(test)?.never ?? []).filter((c) => hasCondition(state, c));
    if (ids.length)
      return {
        what: 'charge',
        ids,
        body: { type: 'testDeclined', test, reason: `stopped at once: the device is ${ids.join(', ')}` },
      };
  }
  return undefined;
}

/** Conditions that change what may be done and that the route in force was not planned for. */
export function conditionsUnplanned(state: JobState, planned: readonly string[]): string[] {
  return conditionsOf(state).filter((c) => noHeat.includes(c as 'swollen') && !planned.includes(c));
}

/** What has been agreed to be done and the route in force was not planned for, or planned as something else. */
export function tasksUnplanned(state: JobState, index: IndexedModel, planned: readonly Task[]): Task[] {
  return tasksDue(state, index).filter(
    (task) => !planned.some((p) => p.slot === task.slot && p.action === task.action),
  );
}
