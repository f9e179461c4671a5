import type { AskedJob, DayAsked } from './asked';
import { dayPlan, type DayPlan } from './day-plan';
import { stepOf } from './asked';

/** When a device could be taken in hand, and ready, with everybody else as they are, ms. */
export interface FreeSlot {
  startAt: number;
  /** By the plan. */
  readyAt: number;
  /** In nine of ten days with these minutes' spread: what may be promised. */
  surelyAt: number;
}
/** Starts that are tried: every so often, for so long; more are not listed. */
const everyS = 30 * 60;
const aheadS = 3 * 86_400;
const most = 6;

/**
 * Free slots for one device more: as the plan of the others stands, where its first block fits from each half hour on. Each is
 * ready later than the one before it, by the plan and in nine of ten days.
 * @param plan of the others
 * @param stop the caller's clock
 */
export function freeSlots(
  asked: DayAsked,
  plan: DayPlan,
  job: Pick<AskedJob, 'id' | 'blocks'>,
  stop: () => boolean = () => false,
): FreeSlot[] {
  // as the plan has them, and no sooner come back to than it does: where some go cold whatever is done, there is still room
  const others = asked.jobs.map((j) => ({
    ...j,
    blocks: plan.blocks.filter((b) => b.job === j.id).map(({ maxDelayS: _, ...b }) => b),
  }));
  const pins = plan.blocks
    .filter((b) => b.by === 'hands' && !b.begun)
    .map((b) => ({ job: b.job, step: stepOf(b), atS: b.startS }));
  const out: FreeSlot[] = [];
  let fromS = 0;
  while (out.length < most && fromS <= aheadS && !stop()) {
    const wait = {
      ...job.blocks[0]!,
      by: 'itself' as const,
      takes: { low: fromS, likely: fromS, high: fromS },
    };
    const { station: _, ...nowhere } = wait;
    const withIt = dayPlan(
      {
        ...asked,
        shown: [],
        pins,
        jobs: [
          ...others,
          { id: job.id, promisedAt: null, blocks: fromS ? [nowhere, ...job.blocks] : job.blocks },
        ],
      },
      stop,
    );
    const own = withIt.blocks.filter((b) => b.job === job.id).slice(fromS ? 1 : 0);
    const first = own[0];
    if (!first || withIt.unpinned) return out;
    const { surelyS } = withIt.jobs.find((j) => j.id === job.id)!;
    const at = (s: number) => asked.now + s * 1000;
    const slot = { startAt: at(first.startS), readyAt: at(own.at(-1)!.endS), surelyAt: at(surelyS) };
    const before = out.at(-1);
    if (!before || (slot.readyAt > before.readyAt && slot.surelyAt > before.surelyAt)) out.push(slot);
    fromS = Math.max(fromS + everyS, Math.ceil((first.startS + everyS) / everyS) * everyS);
  }
  return out;
}
