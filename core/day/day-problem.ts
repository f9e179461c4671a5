import type { Operation, ScheduledJob, ScheduleProblem } from '../schedule/problem';
import { blockOfPin, type DayAsked, type Pin } from './asked';
import type { Block } from './blocks';
import { isAble, type Skill, skills } from './people';

/** Going from one device to another takes this long, s. */
export const switchS = 60;

export const blockId = (job: string, k: number) => `${job} ${k}`;
/** Coming to a device costs time, at first and when it ran by itself meanwhile; whoever is at it stays. */
export const comingS = (block: Block, before: Block | undefined): number =>
  block.by === 'hands' && !block.begun && before?.by !== 'hands' ? switchS : 0;
export const secondsAt = (blocks: readonly Block[], k: number): number =>
  Math.max(0, Math.round(blocks[k]!.takes.likely)) + comingS(blocks[k]!, blocks[k - 1]);
const stationOf = (id: string) => `station ${id}`;
const personOf = (id: string) => `person ${id}`;
const skillOf = (skill: Skill) => `skill ${skill}`;
/** Whoever has hands, whatever they do. */
const anybody = 'hands';

/** Hands by what they do; or each person by name, where it has been said who does what. */
export type HandsBy = ReadonlyMap<string, string> | undefined;

/** What hands of one block need: any hands, and some that do what is asked; or one person's. */
function handsFor({ who, skill }: Block, id: string, by: HandsBy): string[] {
  if (by) return [personOf(by.get(id) ?? who ?? '')];
  return [anybody, ...(skill === undefined ? [] : [skillOf(skill)])];
}
/** Who or what is away is as if it were needed elsewhere just then. */
function awayOperations(
  { people, away = [] }: DayAsked,
  stations: ReadonlySet<string>,
  by: HandsBy,
): ScheduledJob['operations'] {
  const needs = (what: string): string[] => {
    const person = people.find((p) => p.id === what);
    if (!person) return stations.has(what) ? [stationOf(what)] : [];
    if (by) return [personOf(what)];
    return [anybody, ...skills.filter((s) => isAble(person, s)).map(skillOf)];
  };
  return away
    .map(({ what, fromS, toS }, k) => ({
      id: `away ${k}`,
      duration: Math.round(toS) - Math.round(fromS),
      needs: needs(what),
      at: Math.round(fromS),
    }))
    .filter((o) => o.needs.length > 0);
}
/** Stations that are cold: each of their places is as if it were needed elsewhere until it is warm. */
function warming({ warmS = {}, jobs, holds = {} }: DayAsked): ScheduledJob['operations'] {
  const at = (station: string) => jobs.flatMap((j) => j.blocks.filter((b) => b.station === station));
  return (
    Object.entries(warmS)
      .filter(([station, s]) => s > 0 && at(station).length > 0)
      // what runs at one shows that it is warm
      .filter(([station]) => !at(station).some((b) => b.begun))
      .flatMap(([station, s]) =>
        Array.from({ length: Math.max(1, holds[station] ?? 1) }, (_, k) => ({
          ...{ id: `warm ${station} ${k}`, duration: Math.round(s), needs: [stationOf(station)], at: 0 },
        })),
      )
  );
}
const runningAt = (jobs: DayAsked['jobs'], station: string): number =>
  jobs.filter((j) => j.blocks.some((b) => b.begun && b.station === station)).length;

/** Where pins put blocks, by their ids. */
function pinned(jobs: DayAsked['jobs'], pins: readonly Pin[]): Map<string, number> {
  return new Map(
    pins.flatMap(({ job, step, atS }) => {
      const blocks = jobs.find((j) => j.id === job)?.blocks ?? [];
      const k = blockOfPin(blocks, step);
      return k < 0 ? [] : [[blockId(job, k), Math.max(0, Math.round(atS))] as const];
    }),
  );
}
/**
 * The day as a schedule: hands are counted by what they do, or by person where it is said who does what.
 * @param pins where blocks have to begin
 */
export function problemOf(asked: DayAsked, pins: readonly Pin[], by: HandsBy): ScheduleProblem {
  const { now, people, jobs, holds = {} } = asked;
  const stations = new Set(jobs.flatMap((j) => j.blocks.flatMap((b) => b.station ?? [])));
  const due = (at: number | null) => (at === null ? null : Math.round((at - now) / 1000));
  const at = pinned(jobs, pins);
  const away = [...awayOperations(asked, stations, by), ...warming(asked)];
  return {
    resources: [
      ...(by
        ? people.map((p) => ({ id: personOf(p.id), capacity: 1 }))
        : [
            { id: anybody, capacity: Math.max(1, people.length) },
            ...skills.map((s) => ({
              id: skillOf(s),
              capacity: Math.max(1, people.filter((p) => isAble(p, s)).length),
            })),
          ]),
      // two that run at one station show that it holds two
      ...[...stations].map((id) => ({
        id: stationOf(id),
        capacity: Math.max(1, holds[id] ?? 1, runningAt(jobs, id)),
      })),
    ],
    jobs: [
      ...jobs.map(
        ({ id, promisedAt, blocks }): ScheduledJob => ({
          ...{ id, release: 0, due: due(promisedAt), weight: 1 },
          operations: blocks.map((b, k): Operation => {
            const pin = at.get(blockId(id, k));
            return {
              id: blockId(id, k),
              duration: secondsAt(blocks, k),
              needs: [
                ...(b.by === 'hands' ? handsFor(b, blockId(id, k), by) : []),
                ...(b.station ? [stationOf(b.station)] : []),
              ],
              ...(b.begun ? { at: 0 } : pin === undefined ? {} : { at: pin }),
            };
          }),
        }),
      ),
      ...(away.length ? [{ id: '', release: 0, due: null, weight: 0, operations: away }] : []),
    ],
    precedences: jobs.flatMap(({ id, blocks }) =>
      blocks.slice(1).map((b, k) => ({
        from: blockId(id, k),
        to: blockId(id, k + 1),
        minLag: 0,
        // whoever comes to it has to come that soon
        maxLag: b.maxDelayS === undefined ? null : Math.max(0, Math.floor(b.maxDelayS)),
      })),
    ),
    objective: 'tardiness',
  };
}
/** Whether a job of the problem is a device, and not who is away or what warms up. */
export const isDevice = (job: ScheduledJob): boolean => job.id !== '';
