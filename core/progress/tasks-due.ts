import { plugsOf } from '../checks/reseat';
import type { Task } from '../log/events';
import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { standingOf } from './standing';

/** The tasks of a job as a route takes them: what has only to be plugged anew is none once that has been done. */
export function tasksDue(state: JobState, index: IndexedModel): Task[] {
  const tasks = Object.entries(state.task).map(([slot, action]) => ({ slot, action }) as Task);
  if (!tasks.some((t) => t.action === 'reseat')) return tasks;
  const { acted } = standingOf(state, index);
  const reseated = (slot: string) =>
    plugsOf(index, slot).every((c) => c === index.cellConnector || acted.includes(`reseat ${c}`));
  return tasks.filter((t) => t.action !== 'reseat' || !reseated(t.slot));
}
