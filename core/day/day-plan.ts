import { scheduleOf } from '../schedule/schedule';
import type { ScheduledJob, ScheduleProblem } from '../schedule/problem';
import { type AskedJob, blockOfPin, type DayAsked, type Pin, stepOf } from './asked';
import type { Block } from './blocks';
import { chances } from './chances';
import { blockId, type HandsBy, isDevice, problemOf, secondsAt } from './day-problem';
import { assigned, type DayPerson, isAble } from './people';

export interface PlannedBlock extends Block {
  id: string;
  /** s from now. */
  startS: number;
  endS: number;
  /** Whose hands, by the id of the person. */
  person?: string;
  /** It has to have begun by then, s from now. */
  byS?: number;
  /** Somebody wants it just then. */
  pinned?: true;
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
  /** When it is ready in the mean of such days, and by when in nine of ten of them, s from now. */
  meanS: number;
  surelyS: number;
}
/** Why the next quarter of an hour is another than was shown: as it was it would be later by so much, or it cannot be any more. */
export type Moved = { jobs: string[]; why: 'later'; byS: number } | { jobs: string[]; why: 'cannot' };
export interface DayPlan {
  now: number;
  people: DayPerson[];
  blocks: PlannedBlock[];
  jobs: PlannedJob[];
  /** No other plan is late by less, weights being alike. */
  optimal: boolean;
  /** s of lateness that no plan avoids. */
  leastLateS: number;
  /** Stations that have to be switched on, and when, s from now. */
  warms: { station: string; startS: number; endS: number }[];
  /** Devices that cannot all be come back to in time: the plan lets them go cold. */
  clash?: string[];
  /** Devices with work that nobody here does. */
  nobody?: string[];
  /** Pins are not kept: they cannot be, or no day with them was found in the time that there was. */
  unpinned?: 'cannot' | 'not found';
  moved?: Moved;
}

/** Steps of the search for each of its two passes. */
const nodes = 6000;
/** Of devices that are all kept in time, one with a bad cell counts for so many. */
const urgentWeight = 20;
/** What was shown stays unless that makes promises later by this much together, s. */
const calmS = 60;
/** What begins within so long is what somebody looks at now, s; and another time by less than this is the same, s. */
export const nearS = 15 * 60;
const sameS = 120;
/** By so much what was shown may slip and still be as it was shown, s. */
const slips = [0, 300, 600] as const;

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
const idle = ({ begun: _, who: __, ...rest }: Block): Block => rest;
/** No more can be in hand than there are people, one each: of more, those that are promised soonest. */
function withHands(asked: DayAsked): DayAsked {
  const isHere = (b: Block) => b.who === undefined || asked.people.some((p) => p.id === b.who);
  const inHand = asked.jobs
    .filter((j) => j.blocks[0]?.begun && j.blocks[0].by === 'hands')
    .sort((a, b) => (a.promisedAt ?? Infinity) - (b.promisedAt ?? Infinity));
  const here = inHand.filter((j) => isHere(j.blocks[0]!));
  const waits = new Set([
    ...inHand.filter((j) => !isHere(j.blocks[0]!)),
    ...here.slice(Math.max(1, asked.people.length)),
  ]);
  return {
    ...asked,
    jobs: asked.jobs.map((j) => {
      if (!waits.has(j)) return j;
      const [first, ...rest] = j.blocks as [Block, ...Block[]];
      return { ...j, blocks: [idle(first), ...rest] };
    }),
  };
}
/** Work that nobody here does is planned as if somebody did, and said. */
function withSkills(asked: DayAsked): { asked: DayAsked; nobody: string[] } {
  const isUndone = (b: Block) =>
    b.by === 'hands' && b.skill !== undefined && !asked.people.some((p) => isAble(p, b.skill));
  const nobody = asked.jobs.filter((j) => j.blocks.some(isUndone)).map((j) => j.id);
  const jobs = asked.jobs.map((j): AskedJob => {
    if (!nobody.includes(j.id)) return j;
    return {
      ...j,
      blocks: j.blocks.map((b) => {
        if (!isUndone(b)) return b;
        const { skill: _, ...rest } = b;
        return rest;
      }),
    };
  });
  return { asked: { ...asked, jobs }, nobody };
}

interface Solved {
  problem: ScheduleProblem;
  starts: Record<string, number>;
  by: Map<string, string>;
  optimal: boolean;
  leastLateS: number;
  /** Of all promises together, s. */
  lateS: number;
}
/** What clashes, by operations; not proved where the search was over before it had found a schedule. */
type Failed = { clash: string[]; proved: boolean };
const endOf = (job: ScheduledJob, starts: Record<string, number>): number =>
  Math.max(0, ...job.operations.map((o) => starts[o.id]! + o.duration));
const lateOf = ({ jobs }: ScheduleProblem, starts: Record<string, number>): number =>
  jobs.filter(isDevice).reduce((s, j) => s + (j.due === null ? 0 : Math.max(0, endOf(j, starts) - j.due)), 0);

/** First so that promises are kept as well as can be, then, with every device no later than that, each as early as it can be. */
function timed(
  asked: DayAsked,
  pins: readonly Pin[],
  by: HandsBy,
  stop: () => boolean,
): Omit<Solved, 'by'> | Failed {
  const problem = problemOf(asked, pins, by);
  const first = scheduleOf(problem, { nodes, stop });
  if (!('schedule' in first))
    return { clash: first.clash?.precedences.map((p) => p.to) ?? [], proved: first.clash !== undefined };
  const { starts, optimal, lowerBound } = first.schedule;
  const urgent = new Set(asked.jobs.filter((j) => j.urgent).map((j) => j.id));
  const soon = scheduleOf(
    {
      ...problem,
      jobs: problem.jobs.map((j) =>
        isDevice(j)
          ? {
              ...j,
              due: 0,
              weight: urgent.has(j.id) ? urgentWeight : 1,
              // kept as it is kept; late no later
              deadline: Math.max(endOf(j, starts), j.due ?? Number.POSITIVE_INFINITY),
            }
          : j,
      ),
    },
    { nodes, stop, known: starts },
  );
  const best = 'schedule' in soon ? soon.schedule.starts : starts;
  return { problem, starts: best, optimal, leastLateS: Math.ceil(lowerBound), lateS: lateOf(problem, best) };
}
const handsOf = (asked: DayAsked, starts: Record<string, number>) =>
  asked.jobs.flatMap(({ id, blocks }) =>
    blocks.flatMap((b, k) => {
      if (b.by !== 'hands') return [];
      const startS = starts[blockId(id, k)]!;
      return [
        {
          ...{ id: blockId(id, k), job: id, startS, endS: startS + secondsAt(blocks, k) },
          ...(b.skill === undefined ? {} : { skill: b.skill }),
          ...(b.begun && b.who !== undefined ? { who: b.who } : {}),
        },
      ];
    }),
  );
/** Where hands that are counted cannot be shared out: each block goes to whoever does it and has least to do. */
function sharedOut(asked: DayAsked, starts: Record<string, number>): Map<string, string> {
  const busy = new Map(asked.people.map((p) => [p.id, 0]));
  return new Map(
    handsOf(asked, starts)
      .sort((a, b) => a.startS - b.startS)
      .map((h) => {
        const able = asked.people.filter(
          (p) => (h.who === undefined || h.who === p.id) && isAble(p, h.skill),
        );
        const person = able.reduce(
          (least, p) => (busy.get(p.id)! < busy.get(least.id)! ? p : least),
          able[0]!,
        );
        busy.set(person.id, busy.get(person.id)! + h.endS - h.startS);
        return [h.id, person.id];
      }),
  );
}
/** With whose hands: counted first, which bounds what any sharing can do; by person where counting alone does not do. */
function solved(asked: DayAsked, pins: readonly Pin[], stop: () => boolean): Solved | Failed {
  if (!asked.people.length) return { clash: [], proved: true };
  const counted = timed(asked, pins, undefined, stop);
  if ('clash' in counted) return counted;
  const by = assigned(handsOf(asked, counted.starts), asked.people, asked.away ?? []);
  if (by) return { ...counted, by };
  const shared = sharedOut(asked, counted.starts);
  const named = timed(asked, pins, shared, stop);
  // shared out otherwise it may go
  if ('clash' in named) return { ...named, proved: false };
  const optimal = counted.optimal && named.lateS <= counted.leastLateS;
  return { ...named, by: shared, leastLateS: counted.leastLateS, optimal };
}

/**
 * The plan of a day. What is in hand and what was shown of the next quarter of an hour stay, unless promises are later for it;
 * then why is said. The same question has the same answer.
 * @param stop the caller's clock
 */
export function dayPlan(given: DayAsked, stop: () => boolean = () => false): DayPlan {
  const { asked: able, nobody } = withSkills(given);
  let asked = withHands(able);
  const pins = given.pins ?? [];
  let unpinned: DayPlan['unpinned'];
  let clash: string[] | undefined;
  let got = solved(asked, pins, stop);
  if ('clash' in got && pins.length) {
    unpinned = got.proved ? 'cannot' : 'not found';
    got = solved(asked, [], stop);
  }
  if ('clash' in got) {
    // a device that goes cold does not wait: whoever is at another leaves it
    asked = handsFree(able);
    got = solved(asked, [], stop);
  }
  if ('clash' in got) {
    // some go cold whatever is done: they are named, and the rest is planned
    clash = coldOf(got.clash, asked);
    asked = letCool(asked, clash);
    got = solved(asked, [], stop);
  }
  const said = {
    ...(clash ? { clash } : {}),
    ...(nobody.length ? { nobody } : {}),
    ...(unpinned ? { unpinned } : {}),
  };
  if ('clash' in got) return { ...withoutPlan(asked), ...said, clash: clash ?? [] };
  const calm = clash ? undefined : calmer(asked, unpinned ? [] : pins, got, stop);
  return {
    ...planOf(asked, calm?.plan ?? got, unpinned ? [] : pins),
    ...said,
    ...(calm?.moved ? { moved: calm.moved } : {}),
  };
}
/** What was shown is kept where that costs no promise; else what has moved, and why. */
function calmer(
  asked: DayAsked,
  pins: readonly Pin[],
  free: Solved,
  stop: () => boolean,
): { plan?: Solved; moved?: Moved } | undefined {
  const pinned = new Set(pins.map((p) => p.job));
  const shown = (asked.shown ?? []).filter((p) => !pinned.has(p.job));
  const startOf = (starts: Record<string, number>, { job, step }: Pin): number | undefined => {
    const k = blockOfPin(asked.jobs.find((j) => j.id === job)?.blocks ?? [], step);
    return k < 0 ? undefined : starts[blockId(job, k)];
  };
  // what all is later by is no reason to be nervous: only what another device came before
  const named = new Set(shown.map((p) => p.job));
  const others = handsOf(asked, free.starts).filter(
    (h) => !named.has(h.job) && !asked.jobs.find((j) => j.id === h.job)?.blocks[0]?.begun,
  );
  const gone = shown.filter((p) => {
    const start = startOf(free.starts, p);
    return (
      start !== undefined &&
      start - Math.max(0, p.atS) > sameS &&
      others.some((h) => h.startS < start && h.startS <= nearS)
    );
  });
  if (!gone.length) return undefined;
  const jobs = [...new Set(gone.map((p) => p.job))];
  for (const laterS of slips) {
    const kept = solved(
      asked,
      [...pins, ...shown.map((p) => ({ ...p, atS: Math.max(0, p.atS) + laterS }))],
      stop,
    );
    if ('clash' in kept) continue;
    const optimal = free.optimal && kept.lateS <= free.lateS;
    if (kept.lateS <= free.lateS + calmS) return { plan: { ...kept, leastLateS: free.leastLateS, optimal } };
    return { moved: { jobs, why: 'later', byS: Math.round(kept.lateS - free.lateS) } };
  }
  return { moved: { jobs, why: 'cannot' } };
}
/** What of a plan is to stay: what hands do next, as pins from a later moment. */
export const shownOf = ({
  blocks,
  now,
}: Pick<DayPlan, 'blocks' | 'now'>): { job: string; step: string; at: number }[] =>
  blocks
    .filter((b) => b.by === 'hands' && !b.begun && b.startS <= nearS)
    .map((b) => ({ job: b.job, step: stepOf(b), at: now + b.startS * 1000 }));
const withoutPlan = ({ now, people, jobs }: DayAsked): DayPlan => ({
  ...{ now, people, blocks: [], warms: [] },
  jobs: jobs.map(({ id, promisedAt }) => ({ id, endS: 0, promisedAt, lateS: 0, meanS: 0, surelyS: 0 })),
  ...{ optimal: false, leastLateS: 0 },
});

function planOf(
  asked: DayAsked,
  { problem, starts, by, optimal, leastLateS }: Solved,
  pins: readonly Pin[],
): DayPlan {
  const pinned = new Set(
    pins.map((p) => blockId(p.job, blockOfPin(asked.jobs.find((j) => j.id === p.job)?.blocks ?? [], p.step))),
  );
  const blocks = asked.jobs.flatMap(({ id, blocks: own }) =>
    own.map((b, k): PlannedBlock => {
      const startS = starts[blockId(id, k)]!;
      const byS =
        b.maxDelayS !== undefined && k > 0
          ? starts[blockId(id, k - 1)]! + secondsAt(own, k - 1) + Math.floor(b.maxDelayS)
          : undefined;
      const person = by.get(blockId(id, k));
      return {
        ...b,
        ...{ id: blockId(id, k), startS, endS: startS + secondsAt(own, k) },
        ...(person === undefined ? {} : { person }),
        ...(byS === undefined ? {} : { byS }),
        ...(pinned.has(blockId(id, k)) ? { pinned: true as const } : {}),
      };
    }),
  );
  const chance = chances(asked, problem, starts);
  return {
    ...{ now: asked.now, people: asked.people, blocks, optimal, leastLateS, warms: warmsOf(asked, blocks) },
    jobs: problem.jobs.slice(0, asked.jobs.length).map((j, k) => {
      const endS = endOf(j, starts);
      return {
        ...{ id: j.id, endS, promisedAt: asked.jobs[k]!.promisedAt },
        lateS: j.due === null ? 0 : Math.max(0, endS - j.due),
        meanS: chance[k]!.meanS,
        surelyS: chance[k]!.surelyS,
        ...(j.due === null ? {} : { chance: chance[k]!.chance }),
      };
    }),
  };
}
/** Stations that are cold: switched on so long before their first use. */
const warmsOf = ({ warmS = {} }: DayAsked, blocks: readonly PlannedBlock[]): DayPlan['warms'] =>
  Object.entries(warmS).flatMap(([station, seconds]) => {
    const own = blocks.filter((b) => b.station === station);
    if (!own.length || seconds <= 0 || own.some((b) => b.begun)) return [];
    const endS = Math.min(...own.map((b) => b.startS));
    return [{ station, startS: Math.max(0, endS - seconds), endS }];
  });
