import type { JobEvent } from '../log/events';
import type { IndexedModel } from '../model/index-model';
import { saidAtRecording } from './grades';
import { mayGo, type ModelNeed, needsOfModel } from './needs';

/** A need that nobody has confirmed, with what it costs. */
export interface ModelQuestion extends ModelNeed {
  /** What undoing it takes on the way to all parts that wait for it, minutes. */
  minutes: number;
}
/** Minutes to undo one thing and put it back; of a part, its own way (from memory, near the planner's times). */
const minutesOf: Record<Exclude<ModelNeed['kind'], 'part'>, number> = {
  fastener: 0.4,
  connector: 0.3,
  bond: 2,
  catch: 0.2,
};
/** As many are asked. */
const most = 8;

/**
 * The needs of a recorded model that rest on the order of that one time alone and cost most: not confirmed in the model, and not said
 * by whoever recorded it. One that is answered with no is left out; with yes, it is confirmed in the model. Of a part that
 * came in a file nothing is asked: somebody wrote it.
 * @param logs of the jobs at which the model was recorded
 */
export function questionsOf(index: IndexedModel, logs: readonly (readonly JobEvent[])[]): ModelQuestion[] {
  const confirmed = new Set(index.model.said ?? []);
  const { recorded, said } = saidAtRecording(logs);
  const waiting = waitingFor(index);
  return needsOfModel(index)
    .filter(
      (need) =>
        recorded.has(need.slot) &&
        !confirmed.has(need.key) &&
        !said.has(`${need.slot} ${need.first}`) &&
        mayGo(index, need),
    )
    .map((need) => ({ ...need, minutes: costOf(index, need) * (1 + (waiting.get(need.slot)?.size ?? 0)) }))
    .sort((a, b) => b.minutes - a.minutes || a.key.localeCompare(b.key))
    .slice(0, most);
}
const costOf = (index: IndexedModel, { kind, first }: ModelNeed): number =>
  kind === 'part'
    ? Math.min(...(index.slots.get(first)?.ways.map((way) => way.minutes.likely) ?? [0])) * 2
    : minutesOf[kind];
/** The parts that wait for a part, directly or by others. */
function waitingFor(index: IndexedModel): Map<string, Set<string>> {
  const direct = new Map<string, string[]>();
  for (const need of needsOfModel(index))
    if (need.kind === 'part') direct.set(need.first, [...(direct.get(need.first) ?? []), need.slot]);
  const all = new Map<string, Set<string>>();
  for (const { id } of index.model.slots) {
    const seen = new Set<string>();
    const todo = [...(direct.get(id) ?? [])];
    for (let next = todo.pop(); next !== undefined; next = todo.pop())
      if (!seen.has(next)) {
        seen.add(next);
        todo.push(...(direct.get(next) ?? []));
      }
    all.set(id, seen);
  }
  return all;
}
