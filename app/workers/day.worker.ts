import type { DayAsked } from '../../core/day/asked';
import { type DayPlan, dayPlan } from '../../core/day/day-plan';

export interface ImaginedAsked {
  nr: number;
  asked: DayAsked;
}
export interface ImaginedTold {
  nr: number;
  plan: DayPlan;
}
/** Whoever moves a block about sees an answer before they let go of it, ms. */
const answerMs = 200;

/** A day as it is imagined, beside the page. */
self.onmessage = ({ data: { nr, asked } }: MessageEvent<ImaginedAsked>) => {
  const end = performance.now() + answerMs;
  const told: ImaginedTold = { nr, plan: dayPlan(asked, () => performance.now() >= end) };
  self.postMessage(told);
};
