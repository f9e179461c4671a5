import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Operation, ScheduledJob, ScheduleProblem } from '../schedule/problem';
import { scheduleOf } from '../schedule/schedule';
import type { Block } from './blocks';

/** What the day is planned from: each open device with what is left of it, who is there, and now. */
export interface DayAsked {
  /** ms */
  now: number;
  /** People with hands; they are taken to be alike. */
  people: number;
  /** `urgent`: what a bad cell is in does not wait, whatever was promised. */
  jobs: { id: string; promisedAt: number | null; blocks: Block[]; urgent?: boolean }[];
  /** Hands, or a station, that are not there for a time: an absence, a pause, the night; one of each named at a time. */
  away?: Away[];
  /** How many devices a station holds at a time, where it is more than one. */
  holds?: Readonly<Record<string, number>>;
}
/** s from now */
export interface Away {
  /** `hands`, or the id of a station. */
  what: string;
  fromS: number;
  toS: number;
}
export interface PlannedBlock extends Block {
  id: string;
  /** s from now. */
  startS: number;
  endS: number;
  /** Whose hands, counted from 0. */
  hands?: number;
  /** It has to have begun by then, s from now. */
  byS?: number;
}
export interface PlannedJob {
  id: string;
  /** When it is ready, s from now. */
  endS: number;
  promisedAt: number | null;
  /** By how much that is after its promise, s; 0 where it is kept. */
  lateS: number;
  /** In how many of a hundred such days the promise is kept; undefined where there is none. */
  chance?: number;
}
export interface DayPlan {
  now: number;
  people: number;
  blocks: PlannedBlock[];
  jobs: PlannedJob[];
  /** No other plan is late by less, weights being alike. */
  optimal: boolean;
  /** s of lateness that no plan avoids. */
  leastLateS: number;
  /** Devices that cannot all be come back to in time: the plan lets them go cold. */
  clash?: string[];
}

/** Going from one device to another takes this long, s. */
export const switchS = 60;
/** Steps of the search for each of its two passes. */
const nodes = 6000;
const days = 200;
/** Of devices that are all kept in time, one with a bad cell counts for so many. */
const urgentWeight = 20;
const hands = 'hands';

const exactly = (s: number) => ({ low: s, likely: s, high: s });
const blockId = (job: string, k: number) => `${job} ${k}`;
/** Coming to a device costs time, at first and when it ran by itself meanwhile; whoever is at it stays. */
const comingS = (block: Block, before: Block | undefined): number =>
  block.by === 'hands' && !block.begun && before?.by !== 'hands' ? switchS : 0;
const secondsAt = (blocks: readonly Block[], k: number): number =>
  Math.max(0, Math.round(blocks[k]!.takes.likely)) + comingS(blocks[k]!, blocks[k - 1]);

/** Who or what is away is as if it were needed elsewhere just then. */
const awayJob = (away: readonly Away[], stations: ReadonlySet<string>): ScheduledJob => ({
  id: '',
  release: 0,
  due: null,
  weight: 0,
  operations: away
    .filter(({ what }) => what === hands || stations.has(what))
    .map(({ what, fromS, toS }, k) => ({
      id: `away ${k}`,
      duration: Math.round(toS) - Math.round(fromS),
      needs: [what === hands ? hands : `station ${what}`],
      at: Math.round(fromS),
    })),
});
function problemOf({ now, people, jobs, away = [], holds = {} }: DayAsked): ScheduleProblem {
  const stations = new Set(jobs.flatMap((j) => j.blocks.flatMap((b) => b.station ?? [])));
  const due = (at: number | null) => (at === null ? null : Math.round((at - now) / 1000));
  return {
    resources: [
      { id: hands, capacity: Math.max(1, people) },
      // two that run at one station show that it holds two
      ...[...stations].map((id) => ({
        id: `station ${id}`,
        capacity: Math.max(1, holds[id] ?? 1, runningAt(jobs, id)),
      })),
    ],
    jobs: [
      ...jobs.map(
        ({ id, promisedAt, blocks }): ScheduledJob => ({
          id,
          release: 0,
          due: due(promisedAt),
          weight: 1,
          operations: blocks.map(
            (b, k): Operation => ({
              id: blockId(id, k),
              duration: secondsAt(blocks, k),
              needs: [...(b.by === 'hands' ? [hands] : []), ...(b.station ? [`station ${b.station}`] : [])],
              ...(b.begun ? { at: 0 } : {}),
            }),
          ),
        }),
      ),
      ...(away.length ? [awayJob(away, stations)] : []),
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

/** The same with nobody held by what is in hand. */
const handsFree = (asked: DayAsked): DayAsked => ({
  ...asked,
  jobs: asked.jobs.map((j) => ({ ...j, blocks: j.blocks.map((b) => (b.by === 'hands' ? idle(b) : b)) })),
});
/** The devices of operations that clash; all that run and have to be come back to, where none is named. */
function coldOf(operations: readonly string[], asked: DayAsked): string[] {
  const named = [...new Set(operations.map((id) => id.slice(0, id.lastIndexOf(' '))))];
  if (named.length) return named;
  return asked.jobs.filter((j) => j.blocks.some((b) => b.maxDelayS !== undefined)).map((j) => j.id);
}
/** The same with nothing said of how soon some devices have to be come back to. */
const letCool = (asked: DayAsked, jobs: readonly string[]): DayAsked => ({
  ...asked,
  jobs: asked.jobs.map((j) =>
    jobs.includes(j.id) ? { ...j, blocks: j.blocks.map(({ maxDelayS: _, ...b }) => b) } : j,
  ),
});
const idle = ({ begun: _, ...rest }: Block): Block => rest;
const runningAt = (jobs: DayAsked['jobs'], station: string): number =>
  jobs.filter((j) => j.blocks.some((b) => b.begun && b.station === station)).length;
/** No more can be in hand than there are people: of more, those that are promised soonest. */
function withHands(asked: DayAsked): DayAsked {
  const inHand = asked.jobs
    .filter((j) => j.blocks[0]?.begun && j.blocks[0].by === 'hands')
    .sort((a, b) => (a.promisedAt ?? Infinity) - (b.promisedAt ?? Infinity));
  const waits = new Set(inHand.slice(Math.max(1, asked.people)).map((j) => j.id));
  return {
    ...asked,
    jobs: asked.jobs.map((j) => {
      if (!waits.has(j.id)) return j;
      const [first, ...rest] = j.blocks as [Block, ...Block[]];
      return { ...j, blocks: [idle(first), ...rest] };
    }),
  };
}

/**
 * The plan of a day: first so that promises are kept as well as can be, then, with every device no later than that, so that
 * each is done as early as it can be. The same question has the same answer.
 * @param stop the caller's clock
 */
export function dayPlan(given: DayAsked, stop: () => boolean = () => false): DayPlan {
  let asked = withHands(given);
  let problem = problemOf(asked);
  let first = scheduleOf(problem, { nodes, stop });
  if (!('schedule' in first)) {
    // a device that goes cold does not wait: whoever is at another leaves it
    asked = handsFree(given);
    problem = problemOf(asked);
    first = scheduleOf(problem, { nodes, stop });
  }
  let clash: string[] | undefined;
  if (!('schedule' in first)) {
    // some go cold whatever is done: they are named, and the rest is planned
    clash = coldOf(first.clash?.precedences.map((p) => p.to) ?? [], asked);
    asked = letCool(asked, clash);
    problem = problemOf(asked);
    first = scheduleOf(problem, { nodes, stop });
  }
  if (!('schedule' in first)) return withoutPlan(asked, clash ?? []);
  const { starts, optimal, lowerBound } = first.schedule;
  const urgent = new Set(asked.jobs.filter((j) => j.urgent).map((j) => j.id));
  const ends = new Map(problem.jobs.map((j) => [j.id, endOf(j, starts)]));
  const soon = scheduleOf(
    {
      ...problem,
      jobs: problem.jobs.map((j) =>
        j.id === ''
          ? j
          : {
              ...j,
              due: 0,
              weight: urgent.has(j.id) ? urgentWeight : 1,
              // kept as it is kept; late no later
              deadline: Math.max(ends.get(j.id)!, j.due ?? Number.POSITIVE_INFINITY),
            },
      ),
    },
    { nodes, stop, known: starts },
  );
  const best = 'schedule' in soon ? soon.schedule.starts : starts;
  return planOf(asked, problem, best, {
    optimal,
    leastLateS: Math.ceil(lowerBound),
    ...(clash ? { clash } : {}),
  });
}
const endOf = (job: ScheduledJob, starts: Record<string, number>): number =>
  Math.max(0, ...job.operations.map((o) => starts[o.id]! + o.duration));
const withoutPlan = ({ now, people, jobs }: DayAsked, clash: string[]): DayPlan => ({
  now,
  people,
  blocks: [],
  jobs: jobs.map(({ id, promisedAt }) => ({ id, endS: 0, promisedAt, lateS: 0 })),
  optimal: false,
  leastLateS: 0,
  clash,
});

function planOf(
  asked: DayAsked,
  problem: ScheduleProblem,
  starts: Record<string, number>,
  proved: Pick<DayPlan, 'optimal' | 'leastLateS' | 'clash'>,
): DayPlan {
  const blocks = asked.jobs.flatMap(({ id, blocks: own }) =>
    own.map((b, k): PlannedBlock => {
      const startS = starts[blockId(id, k)]!;
      const before = own[k - 1];
      const byS =
        b.maxDelayS !== undefined && before
          ? starts[blockId(id, k - 1)]! + secondsAt(own, k - 1) + Math.floor(b.maxDelayS)
          : undefined;
      return {
        ...b,
        id: blockId(id, k),
        startS,
        endS: startS + secondsAt(own, k),
        ...(byS === undefined ? {} : { byS }),
      };
    }),
  );
  assignHands(blocks, asked.people, asked.away ?? []);
  const chance = chances(asked, problem, starts);
  return {
    now: asked.now,
    people: asked.people,
    blocks,
    jobs: problem.jobs.slice(0, asked.jobs.length).map((j, k) => {
      const endS = endOf(j, starts);
      return {
        id: j.id,
        endS,
        promisedAt: asked.jobs[k]!.promisedAt,
        lateS: j.due === null ? 0 : Math.max(0, endS - j.due),
        ...(j.due === null ? {} : { chance: chance[k]! }),
      };
    }),
    ...proved,
  };
}
/** Whose hands: whoever was at the device before, else whoever has been free the longest. */
function assignHands(blocks: PlannedBlock[], people: number, away: readonly Away[]): void {
  const free = Array.from({ length: Math.max(1, people) }, () => ({ at: 0, job: '' }));
  // whoever is away is the last one; of more, the last ones
  const gone = (k: number, { startS, endS }: PlannedBlock) =>
    away.filter(({ what, fromS, toS }) => what === hands && fromS < endS && toS > startS).length >
    free.length - 1 - k;
  for (const block of blocks
    .filter((b) => b.by === 'hands')
    .sort((a, b) => a.startS - b.startS || Number(b.begun ?? 0) - Number(a.begun ?? 0))) {
    const able = free.filter((f, k) => f.at <= block.startS + 1e-6 && !gone(k, block));
    const pick = able.find((f) => f.job === block.job) ?? able.sort((a, b) => a.at - b.at)[0];
    if (!pick) continue;
    block.hands = free.indexOf(pick);
    pick.at = block.endS;
    pick.job = block.job;
  }
}

/** A draw from the triangle of a three-point figure; a simulation of the plan needs no finer shape. */
function drawn({ low, likely, high }: Block['takes'], u: number): number {
  if (high <= low) return likely;
  const peak = (likely - low) / (high - low);
  return u < peak
    ? low + Math.sqrt(u * (high - low) * (likely - low))
    : high - Math.sqrt((1 - u) * (high - low) * (high - likely));
}
/** For each device in how many of a hundred days its promise is kept, by days in which everything takes what it may take. */
function chances(asked: DayAsked, problem: ScheduleProblem, starts: Record<string, number>): number[] {
  const generator = xoroshiro128plus(16);
  const order = problem.jobs
    .flatMap((job, j) =>
      job.operations.map((operation, k) => ({
        ...{ j, k, needs: operation.needs, start: starts[operation.id]! },
        // who is away is away for so long, whatever the day is like
        takes: asked.jobs[j]?.blocks[k]?.takes ?? exactly(operation.duration),
        comes: asked.jobs[j] ? comingS(asked.jobs[j].blocks[k]!, asked.jobs[j].blocks[k - 1]) : 0,
      })),
    )
    .sort((a, b) => a.start - b.start || a.k - b.k);
  const kept = problem.jobs.map(() => 0);
  for (let day = 0; day < days; day++) {
    const free = new Map(problem.resources.map((r) => [r.id, new Array<number>(r.capacity).fill(0)]));
    const ready = problem.jobs.map(() => 0);
    for (const { j, needs: names, start, takes, comes } of order) {
      const needs = names.map((n) => free.get(n)!);
      const isAway = j >= asked.jobs.length;
      const places = needs.map((f) => f.indexOf(Math.min(...f)));
      const begins = Math.max(isAway ? start : ready[j]!, ...needs.map((f, i) => f[places[i]!]!));
      const ends = begins + (isAway ? takes.likely : drawn(takes, uniformFloat64(generator))) + comes;
      needs.forEach((f, i) => {
        f[places[i]!] = ends;
      });
      ready[j] = ends;
    }
    problem.jobs.forEach((job, j) => {
      if (job.due !== null && ready[j]! <= job.due) kept[j] = kept[j]! + 1;
    });
  }
  return kept.map((n) => Math.round((100 * n) / days));
}
