import { mayComeOff } from '../log/soaks';
import { flag, type JobState } from '../log/state';
import { conditionsOf } from '../log/view';
import type { ThreePoint } from '../quote/three-point';
import { isStepDone, targetsLeft } from '../rules/step-of-event';
import type { Route, Step } from '../steps/route';
import { badCell } from '../vocabulary/conditions';
import type { Phase, StepAction } from '../vocabulary/steps';
import type { Skill } from './people';

/** What one person does at one device before it can be left, or what runs on it by itself. */
export interface Block {
  job: string;
  by: 'hands' | 'itself';
  phase: Phase | 'Receive' | 'Hand over';
  /** What its longest step does. */
  action: StepAction | 'plan';
  /** The steps of the route that it is made of. */
  steps: string[];
  station?: string;
  /** s */
  takes: ThreePoint;
  /** It may begin at most so long after what runs by itself before it, s. */
  maxDelayS?: number;
  /** It runs, or somebody is at it: it has begun. */
  begun?: true;
  /** Nothing of this device is planned yet: its minutes are guessed, or what is usual for its model. */
  guessed?: true;
  /** What not everybody does. */
  skill?: Skill;
  /** Who is at it. */
  who?: string;
}
/** What the day is planned from, of one device. */
export interface DayJob {
  id: string;
  state: JobState;
  route: Route | undefined;
  promisedAt: number | null;
  /** Who works at it. */
  inHand: string | undefined;
  /** By how much its steps take longer than planned, so far: 1 is as planned. */
  pace?: number;
  /** What is usual for its model, s; without it, a guess. */
  usual?: { hands: ThreePoint; waitS: number };
}

/** A device that nobody has planned yet takes about this long, s; common practice of a display or a cell, from memory. */
export const usualHands: ThreePoint = { low: 20 * 60, likely: 40 * 60, high: 90 * 60 };
/** Checks, the report and the owner at the counter, s. */
const handOver: ThreePoint = { low: 120, likely: 240, high: 480 };
/** Shorter than this nobody goes away for: what runs so long by itself is waited for; and no station is kept for less, s. */
const stayS = 120;
const stationS = 180;
/** Longer than this nobody is asked to stay at one thing: then it may be left, s. */
const mostS = 20 * 60;
/** For less than this nobody goes to another device: what comes next is done, too, s. */
const leastS = 5 * 60;

const add = (a: ThreePoint, b: ThreePoint, share = 1): ThreePoint => ({
  low: a.low + share * b.low,
  likely: a.likely + share * b.likely,
  high: a.high + share * b.high,
});
const exactly = (s: number): ThreePoint => ({ low: s, likely: s, high: s });

/** When what runs on a device by itself is over, ms; undefined where nothing runs. */
function runsUntil(state: JobState): number | undefined {
  const heat = flag(state, 'heat');
  return heat ? mayComeOff(heat) : flag(state, 'hold')?.until;
}

/**
 * What is left of a device as blocks: hands between waits, no finer than a person would leave it, and what runs by itself
 * with the station that it needs.
 * @param now ms
 */
export function blocksOf(job: DayJob, now: number): Block[] {
  const { id, state, route, inHand, pace = 1 } = job;
  if (flag(state, 'ending') !== undefined) return [];
  const last: Block = {
    job: id,
    by: 'hands',
    phase: 'Hand over',
    action: 'check',
    steps: [],
    takes: handOver,
  };
  if (!route) {
    const { hands, waitS } = job.usual ?? { hands: usualHands, waitS: 0 };
    return offeredBlocks(id, hands, waitS).map((b) => (b.action === 'plan' ? { ...b, guessed: true } : b));
  }
  const skilled = badCell(conditionsOf(state)) ? ({ skill: 'bad cell' } as const) : {};
  const out: Block[] = [];
  let open: Block | undefined;
  let longest = 0;
  let delayS: number | undefined;
  for (const step of route.steps) {
    if (isStepDone(state, step)) continue;
    const left = targetsLeft(state, step);
    const runs = step.waitS >= stayS;
    const begun = runs && left.length < step.targets.length;
    const station = runs || step.handsS.likely + step.waitS < stationS ? undefined : step.station;
    if (!begun) {
      if (!open || !isSame(open, step, station)) {
        open = {
          ...handsBlock(id, step, station, delayS),
          ...(step.action === 'rework' ? ({ skill: 'chip work' } as const) : skilled),
        };
        delayS = undefined;
        longest = 0;
        out.push(open);
      }
      open.takes = add(open.takes, step.handsS, (pace * left.length) / Math.max(1, step.targets.length));
      open.takes = add(open.takes, exactly((runs ? 0 : step.waitS) + (step.restS ?? 0)));
      open.steps.push(step.id);
      if (step.handsS.likely > longest) {
        longest = step.handsS.likely;
        open.action = step.action;
      }
      // glue stays open for so long after it was laid
      if (!runs) delayS = step.maxDelayS;
    }
    if (runs) {
      out.push(aloneBlock(id, step, begun ? runsUntil(state) : undefined, now));
      open = undefined;
      delayS = step.maxDelayS;
    }
  }
  if (inHand !== undefined && out[0]?.by === 'hands') {
    out[0].begun = true;
    out[0].who = inHand;
  }
  return [...out, last];
}
const isSame = (open: Block, step: Step, station: string | undefined): boolean =>
  open.station === station &&
  (step.action === 'rework') === (open.skill === 'chip work') &&
  open.takes.likely < (open.phase === step.phase ? mostS : leastS);
function handsBlock(
  job: string,
  step: Step,
  station: string | undefined,
  maxDelayS: number | undefined,
): Block {
  return {
    job,
    by: 'hands',
    phase: step.phase,
    action: step.action,
    steps: [],
    ...(station === undefined ? {} : { station }),
    takes: exactly(0),
    ...(maxDelayS === undefined ? {} : { maxDelayS }),
  };
}
function aloneBlock(job: string, step: Step, until: number | undefined, now: number): Block {
  return {
    job,
    by: 'itself',
    phase: step.phase,
    action: step.action,
    steps: [step.id],
    ...(step.station === undefined ? {} : { station: step.station }),
    takes: exactly(until === undefined ? step.waitS : Math.max(0, Math.round((until - now) / 1000))),
    ...(until === undefined ? {} : { begun: true as const }),
  };
}
/** A device that is not planned yet, of which the offer has computed what it takes: hands, what runs by itself, hands again. */
export function offeredBlocks(job: string, hands: ThreePoint, waitS: number): Block[] {
  // each has a name of its own, by which it can be wanted at a time
  const part = (share: number, name: string): Block => ({
    job,
    by: 'hands',
    phase: 'Receive',
    action: 'plan',
    steps: [name],
    takes: { low: hands.low * share, likely: hands.likely * share, high: hands.high * share },
  });
  const last: Block = { job, by: 'hands', phase: 'Hand over', action: 'check', steps: [], takes: handOver };
  if (waitS < stayS) return [part(1, 'first'), last];
  const alone: Block = { ...part(0, 'wait'), by: 'itself', takes: exactly(waitS) };
  return [part(0.5, 'first'), alone, part(0.5, 'second'), last];
}
