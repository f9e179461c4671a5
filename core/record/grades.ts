import type { JobEvent } from '../log/events';
import type { IndexedModel } from '../model/index-model';
import { slotOf } from './holds';
import { refutedBy, undoneBy } from './learn-ways';
import { type ModelNeed, needsOfModel } from './needs';

type Logs = readonly (readonly JobEvent[])[];

/** What somebody said while recording a device: which parts were recorded, and what was said to have to be off before each. */
export function saidAtRecording(logs: Logs): { recorded: Set<string>; said: Set<string> } {
  const said = new Set<string>();
  const recorded = new Set<string>();
  for (const log of logs)
    for (const { body } of log)
      if (body.type === 'met' && body.thing.kind === 'part') {
        recorded.add(body.thing.id);
        for (const id of body.thing.said ?? []) said.add(`${body.thing.id} ${slotOf(id)}`);
      }
  return { recorded, said };
}

/**
 * How sure it is that a way waits for a thing: `said`, somebody has confirmed it while recording or after; `supposed`, the
 * thing was off before it and nobody has said that it need not be; `written`, it came in a file; `refuted`, the part came off while the
 * thing was still in.
 */
export interface GradedNeed extends ModelNeed {
  grade: 'said' | 'supposed' | 'written' | 'refuted';
  /** In how many jobs the thing came off before the part; of what is refuted, in how many it did not. */
  jobs: number;
}
/** All that the ways of a model wait for, each with its grade, in the order of the model. */
export function gradesOf(index: IndexedModel, logs: Logs): GradedNeed[] {
  const { recorded, said } = saidAtRecording(logs);
  const confirmed = new Set(index.model.said ?? []);
  const refuted = new Map(refutedBy(index, logs).map((r) => [r.key, r.jobs]));
  const before = jobsInOrder(index, logs);
  return needsOfModel(index).map((need): GradedNeed => {
    const against = refuted.get(need.key);
    if (against !== undefined) return { ...need, grade: 'refuted', jobs: against };
    const sure = confirmed.has(need.key) || said.has(`${need.slot} ${need.first}`);
    const grade = sure ? 'said' : recorded.has(need.slot) ? 'supposed' : 'written';
    return { ...need, grade, jobs: before.get(`${need.slot} ${need.first}`) ?? 0 };
  });
}
/** By part and thing, in how many jobs the thing had come off when the part did. */
function jobsInOrder(index: IndexedModel, logs: Logs): Map<string, number> {
  const jobs = new Map<string, number>();
  for (const log of logs) {
    const undone = new Set<string>();
    const seen = new Set<string>();
    for (const event of log) {
      const { body } = event;
      if (body.type === 'pieceMoved' && body.pose === 'out' && index.slots.has(body.slot))
        for (const id of undone) seen.add(`${body.slot} ${id}`);
      const id = undoneBy(event);
      if (id) undone.add(id);
    }
    for (const key of seen) jobs.set(key, (jobs.get(key) ?? 0) + 1);
  }
  return jobs;
}
