import { quantileSorted } from 'd3-array';
import type { JobEvent } from '../log/events';
import { workedS } from '../log/worked';
import type { Edit } from '../model/edit';
import type { IndexedModel } from '../model/index-model';
import type { Minutes } from '../model/schema';
import { mayGo, type ModelNeed, needsOfModel, needsOfWay } from './needs';

type Logs = readonly (readonly JobEvent[])[];
/** A need that jobs have shown to be none: the part came off while the thing was still in. */
export interface Refutation extends ModelNeed {
  jobs: number;
}
/** The thing that an entry reports as undone; undefined where it reports no such thing. */
export function undoneBy({ body }: JobEvent): string | undefined {
  switch (body.type) {
    case 'screwOut':
      return body.fastener;
    case 'connectorOff':
      return body.connector;
    case 'bondReleased':
      return body.bond;
    case 'catchFreed':
      return body.catch;
    case 'pieceMoved':
      return body.slot;
    default:
      return undefined;
  }
}
/**
 * What the ways of a model wait for and jobs did without: a part came off while it was still in. Of a part with several ways
 * that one counts of which least was still in; where all of one was undone, nothing is shown.
 * @param logs of the jobs, each in its order, without what was taken back
 */
export function refutedBy(index: IndexedModel, logs: Logs): Refutation[] {
  const jobs = new Map<string, number>();
  for (const log of logs) {
    const undone = new Set<string>();
    const shown = new Set<string>();
    for (const event of log) {
      const { body } = event;
      if (body.type === 'pieceMoved' && body.pose === 'out' && !undone.has(`${body.slot} out`)) {
        undone.add(`${body.slot} out`);
        for (const need of stillIn(index, body.slot, undone)) shown.add(need.key);
      }
      const id = undoneBy(event);
      if (id) undone.add(id);
    }
    for (const key of shown) jobs.set(key, (jobs.get(key) ?? 0) + 1);
  }
  return needsOfModel(index)
    .filter((need) => jobs.has(need.key) && mayGo(index, need))
    .map((need) => ({ ...need, jobs: jobs.get(need.key)! }));
}
function stillIn(index: IndexedModel, id: string, undone: ReadonlySet<string>): ModelNeed[] {
  const slot = index.slots.get(id);
  if (!slot) return [];
  const open = slot.ways
    .filter((way) => way.to === 'out')
    .map((way) => needsOfWay(slot, way).filter((need) => !undone.has(need.first)));
  return (
    open.reduce<ModelNeed[] | undefined>(
      (least, needs) => (!least || needs.length < least.length ? needs : least),
      undefined,
    ) ?? []
  );
}

/** How long a part truly took to come out, beside what the model says, minutes. */
export interface LearntMinutes {
  slot: string;
  way: string;
  model: Minutes;
  jobs: number;
  measured: Minutes;
  /** It takes longer than the model allows for. */
  proposed: boolean;
}
/** Fewer than this many jobs say nothing about a time. */
const fewest = 5;
/** True minutes of the last movement of each part, from the entry before it; parts with one way alone, since no other is told apart. */
export function learnMinutes(index: IndexedModel, logs: Logs): LearntMinutes[] {
  const taken = new Map<string, number[]>();
  for (const log of logs)
    for (const [k, event] of log.entries()) {
      const { body } = event;
      if (body.type !== 'pieceMoved' || body.pose !== 'out') continue;
      const seconds = workedS(log[k - 1], event);
      if (seconds !== undefined) taken.set(body.slot, [...(taken.get(body.slot) ?? []), seconds / 60]);
    }
  return index.model.slots.flatMap((slot): LearntMinutes[] => {
    const times = (taken.get(slot.id) ?? []).sort((a, b) => a - b);
    const [way, other] = slot.ways;
    if (!way || other || times.length < fewest) return [];
    const at = (share: number) => Math.round(quantileSorted(times, share)! * 10) / 10;
    const measured = { low: at(0.1), likely: at(0.5), high: at(0.9) };
    // shorter says that presses were made up for in a row, and not that it went faster
    const proposed = measured.likely > way.minutes.high;
    return [{ slot: slot.id, way: way.id, model: way.minutes, jobs: times.length, measured, proposed }];
  });
}
/** The changes that take true minutes over. */
export const minutesEdits = (index: IndexedModel, learnt: readonly LearntMinutes[]): Edit[] =>
  learnt.flatMap(({ slot: id, way, measured }): Edit[] => {
    const slot = index.slots.get(id);
    if (!slot) return [];
    const ways = slot.ways.map((w) => (w.id === way ? { ...w, minutes: measured } : w));
    return [{ do: 'put', list: 'slots', id, thing: { ...slot, ways } }];
  });

/** What was said at the bench of a thing that is not as its model says. */
export interface SaidOtherwise {
  thing: string;
  jobs: number;
  /** The last words of each job. */
  notes: string[];
}
/** Findings and troubles "not as the model says", and screws that were met and that no model has; by thing. */
export function saidOtherwise(logs: Logs): SaidOtherwise[] {
  const said = new Map<string, string[]>();
  for (const log of logs) {
    const own = new Map<string, string>();
    for (const { body } of log) {
      if (body.type === 'troubled' && body.kind === 'not as the model says')
        own.set(body.thing, body.note ?? '');
      if (body.type === 'noted' && body.finding && body.thing) own.set(body.thing, body.text);
      if (body.type === 'met') own.set(body.thing.id, body.thing.name);
    }
    for (const [thing, note] of own) said.set(thing, [...(said.get(thing) ?? []), note]);
  }
  return [...said].map(([thing, notes]) => ({ thing, jobs: notes.length, notes: notes.filter(Boolean) }));
}
