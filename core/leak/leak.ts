import { leakShares } from './shares';
import { atOneTemperature, fitLeak, type LeakFit, type LeakSample } from './fit';

export interface LeakAsked {
  /** Of the air in device and tester, ml. */
  volumeMl: number;
  /** Of the hold, in order of time. One reading alone is what was reached in the filling time. */
  samples: readonly LeakSample[];
  ambientPa: number;
  holdS: number;
  /** The pressure against the room that the tester was set to, Pa, whatever its sign. Left out: the first reading counts as it. */
  setPa?: number | undefined;
  limitPaS?: number | undefined;
  limitSccm?: number | undefined;
  /** Shares of the set pressure: what may be lost in the hold, what may settle, and how far from it the hold may begin. */
  lossShare?: number | undefined;
  settlingShare?: number | undefined;
  reachedShare?: number | undefined;
}
export type Verdict = 'pass' | 'fail' | 'unclear';
export interface LeakAnswer {
  /** Lost from the first reading to the end of the hold, Pa, as it was read. */
  dropPa: number;
  /** Undefined where the readings are too few for a rate, or the pressure was never there. */
  rateSteadyPaS: number | undefined;
  /** Standard error of the rate. */
  rateErrorPaS: number | undefined;
  /** Standard cubic centimetres a minute: at 0 C and 101325 Pa. */
  leakSccm: number | undefined;
  /** Time constant of the settling, s; 0 where nothing settles. */
  tauS: number;
  /** In so many seconds a leak of this rate would let in all that was drawn out; it does not depend on the volume. */
  leakTauS: number | undefined;
  settling: { amplitudePa: number; tauS: number; shareOfDrop: number };
  tempCorrected: boolean;
  verdict: Verdict;
  because: string;
}
const kelvin = 273.15;
const standardPa = 101_325;
/** Of the air where nobody measured it, C. */
const roomC = 23;
/** So much a device that was just pressed or held may still drift while it is tested, K (from memory). */
const driftK = 0.5;
/** Below this there is no pressure that could be lost, Pa (from memory: readings of testers for phones err by less). */
const leastPa = 100;

/** A flow Q = V dP/dt (Pa m3/s) at a temperature, in standard cm3/min: the same amount of gas at 0 C and 101325 Pa. */
export const sccmOf = (rateSteadyPaS: number, volumeMl: number, tempC: number): number =>
  ((rateSteadyPaS * volumeMl) / standardPa) * (kelvin / (tempC + kelvin)) * 60;
const rateOf = (sccm: number, volumeMl: number, tempC: number): number => sccm / sccmOf(1, volumeMl, tempC);

/** What the verdict rests on. */
interface Case {
  asked: LeakAsked;
  /** Readings of the hold, at one temperature where that was measured. */
  held: readonly LeakSample[];
  /** Set pressure without its sign, Pa. */
  setPa: number;
  fit: LeakFit | undefined;
  limit: number | undefined;
  measured: boolean;
}
/**
 * What a leak tester's curve says: settling, temperature and leak apart, and whether it holds.
 *
 * It fails, whatever a fit says, where the hold did not begin near the set pressure or more than a share of that was lost. A
 * pass needs a rate under the limit by two standard errors and by all that a drift which nobody measured could hide. All else
 * is unclear, with what would tell. No figure is infinite.
 */
export function leakOf(asked: LeakAsked): LeakAnswer {
  const { volumeMl, samples, ambientPa, holdS, limitPaS, limitSccm } = asked;
  const measured = samples.length > 0 && samples.every((s) => s.tempC !== undefined);
  const used = measured ? atOneTemperature(samples, ambientPa) : [...samples];
  const start = samples[0];
  const inHold = (s: LeakSample) => s.tS <= (start?.tS ?? 0) + holdS;
  const end = samples.findLast(inHold) ?? start;
  const dropPa = start && end ? Math.abs(start.pPa) - Math.abs(end.pPa) : 0;
  const setPa = Math.abs(asked.setPa ?? start?.pPa ?? 0);
  const held = used.filter(inHold);
  const fit =
    setPa >= leastPa ? fitLeak(held, (asked.settlingShare ?? leakShares.settling) * setPa) : undefined;
  const tempC = start?.tempC ?? roomC;
  const limit = limitPaS ?? (limitSccm === undefined ? undefined : rateOf(limitSccm, volumeMl, tempC));
  const rate = fit?.rateSteadyPaS;
  const { settlingPa: amplitudePa = 0, tauS = 0 } = fit ?? {};
  return {
    dropPa,
    rateSteadyPaS: rate,
    rateErrorPaS: fit?.rateErrorPaS,
    leakSccm: rate === undefined ? undefined : sccmOf(rate, volumeMl, tempC),
    tauS,
    leakTauS: rate !== undefined && rate > setPa / 1e9 ? setPa / rate : undefined,
    settling: { amplitudePa, tauS, shareOfDrop: dropPa ? amplitudePa / dropPa : 0 },
    tempCorrected: measured,
    ...judge({ asked, held, setPa, fit, limit, measured }),
  };
}
interface Judged {
  verdict: Verdict;
  because: string;
}
const kPa = (pa: number): string => `${(pa / 1000).toFixed(1)} kPa`;
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

/** What fails or is unclear before any rate is looked at. */
function judgedByPressure({ asked, held, setPa, fit }: Case): Judged | undefined {
  const { samples, holdS } = asked;
  const first = Math.abs(samples[0]?.pPa ?? 0);
  const { lossShare = leakShares.loss, reachedShare = leakShares.reached } = asked;
  if (!samples.length || setPa < leastPa)
    return {
      verdict: 'unclear',
      because: 'there is no pressure that could be lost: look at hose and chamber',
    };
  if (first < (1 - reachedShare) * setPa)
    return {
      verdict: 'fail',
      because: `gross leak: ${kPa(first)} of ${kPa(setPa)} reached when the hold began`,
    };
  if (first > (1 + reachedShare) * setPa)
    return {
      verdict: 'unclear',
      because: `the hold began at ${kPa(first)}, set are ${kPa(setPa)}: look at the tester`,
    };
  const lost = largestLoss(held);
  if (lost > lossShare * setPa)
    return {
      verdict: 'fail',
      because: `${kPa(lost)} of ${kPa(setPa)} lost (${percent(lost / setPa)}); ${percent(lossShare)} may be`,
    };
  if (!fit)
    return { verdict: 'unclear', because: 'fewer than six readings: hold longer, or read more often' };
  const spanS = samples.at(-1)!.tS - samples[0]!.tS;
  if (spanS < holdS * 0.95)
    return {
      verdict: 'unclear',
      because: `the readings end after ${spanS.toFixed(0)} s of ${holdS} s: test again`,
    };
  return undefined;
}
/** What was lost at most since the first reading, Pa; a single reading that is off does not count. */
function largestLoss(held: readonly LeakSample[]): number {
  const size = held.map((s) => Math.abs(s.pPa));
  const calm = size.map((_, k) => size.slice(Math.max(0, k - 2), k + 3).toSorted((a, b) => a - b));
  return size[0]! - Math.min(...calm.map((near) => near[Math.floor(near.length / 2)]!));
}

function judge(one: Case): Judged {
  const early = judgedByPressure(one);
  if (early) return early;
  const { asked, fit, limit, measured } = one;
  if (limit === undefined) return { verdict: 'unclear', because: 'no limit was given' };
  const { rateSteadyPaS: rate, rateErrorPaS: error, tail } = fit!;
  const spanS = asked.samples.at(-1)!.tS - asked.samples[0]!.tS;
  const insidePa = asked.ambientPa + asked.samples[0]!.pPa;
  // ideal gas law: so fast the pressure moves where the air drifts by that much in the hold and nobody measures it
  const driftPaS = measured ? 0 : (driftK * insidePa) / (roomC + kelvin) / spanS;
  const said = `${rate.toFixed(3)} ± ${(2 * error).toFixed(3)} Pa/s against ${limit.toFixed(3)} Pa/s`;
  const drifts = `${driftK} K that nobody measured move it by ${driftPaS.toFixed(3)} Pa/s: let it reach room temperature and hold longer, or measure the temperature`;
  if (rate - 2 * error > limit)
    return rate - 2 * error - limit > driftPaS
      ? { verdict: 'fail', because: said }
      : { verdict: 'unclear', because: `${said}; ${drifts}` };
  if (tail.ratePaS - 2 * tail.errorPaS > limit + 3 * driftPaS)
    return {
      verdict: 'fail',
      because: `${tail.ratePaS.toFixed(3)} Pa/s in the last third against ${limit.toFixed(3)} Pa/s`,
    };
  if (rate + 2 * error < limit) {
    if (rate + 2 * error + driftPaS >= limit) return { verdict: 'unclear', because: `${said}; ${drifts}` };
    if (rate + 2 * error < -limit - driftPaS)
      return { verdict: 'unclear', because: `${said}: it gains pressure; let it reach room temperature` };
    return { verdict: 'pass', because: said };
  }
  // the error of a slope falls with the time to the power of three halves
  const apart = Math.max(Math.abs(rate - limit), limit / 20);
  const longer = Math.ceil((spanS * ((2 * error) / apart) ** (2 / 3) - spanS) / 5) * 5;
  return { verdict: 'unclear', because: `${said}: hold ${Math.max(5, Math.min(3600, longer))} s longer` };
}
