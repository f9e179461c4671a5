import { atOneTemperature, fitLeak, type LeakFit, type LeakSample } from './fit';

export interface LeakAsked {
  /** Of the air in device and tester, ml. */
  volumeMl: number;
  samples: readonly LeakSample[];
  ambientPa: number;
  holdS: number;
  limitPaS?: number | undefined;
  limitSccm?: number | undefined;
}
export type Verdict = 'pass' | 'fail' | 'unclear';
export interface LeakAnswer {
  /** Lost from the first reading to the end of the hold, Pa, as it was read. */
  dropPa: number;
  rateSteadyPaS: number;
  rateErrorPaS: number;
  /** Standard cubic centimetres a minute: at 0 C and 101325 Pa. */
  leakSccm: number;
  tauS: number;
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

/** A flow Q = V dP/dt (Pa m3/s) at a temperature, in standard cm3/min: the same amount of gas at 0 C and 101325 Pa. */
export const sccmOf = (rateSteadyPaS: number, volumeMl: number, tempC: number): number =>
  ((rateSteadyPaS * volumeMl) / standardPa) * (kelvin / (tempC + kelvin)) * 60;
const rateOf = (sccm: number, volumeMl: number, tempC: number): number => sccm / sccmOf(1, volumeMl, tempC);

/**
 * What a leak tester's curve says: settling, temperature and leak apart, and whether it holds. The verdict is `unclear` where
 * the limit lies within two standard errors of the rate, or where a change of temperature that nobody measured could explain
 * all of it.
 */
export function leakOf(asked: LeakAsked): LeakAnswer {
  const { volumeMl, samples, ambientPa, holdS, limitPaS, limitSccm } = asked;
  const tempCorrected = samples.length > 0 && samples.every((s) => s.tempC !== undefined);
  const used = tempCorrected ? atOneTemperature(samples, ambientPa) : [...samples];
  const start = samples[0];
  const end = samples.findLast((s) => s.tS <= (start?.tS ?? 0) + holdS) ?? start;
  const dropPa = start && end ? Math.abs(start.pPa) - Math.abs(end.pPa) : 0;
  const fit = fitLeak(used.filter((s) => s.tS <= (start?.tS ?? 0) + holdS));
  const tempC = start?.tempC ?? roomC;
  const limit = limitPaS ?? (limitSccm === undefined ? undefined : rateOf(limitSccm, volumeMl, tempC));
  const rate = fit?.rateSteadyPaS ?? 0;
  const shareOfDrop = fit && dropPa ? fit.settlingPa / dropPa : 0;
  return {
    dropPa,
    rateSteadyPaS: rate,
    rateErrorPaS: fit?.rateErrorPaS ?? 0,
    leakSccm: sccmOf(rate, volumeMl, tempC),
    tauS: fit?.tauS ?? 0,
    settling: { amplitudePa: fit?.settlingPa ?? 0, tauS: fit?.tauS ?? 0, shareOfDrop },
    tempCorrected,
    ...judge(fit, limit, asked, tempCorrected),
  };
}
function judge(
  fit: LeakFit | undefined,
  limit: number | undefined,
  { samples, holdS, ambientPa }: LeakAsked,
  measured: boolean,
): { verdict: Verdict; because: string } {
  const spanS = (samples.at(-1)?.tS ?? 0) - (samples[0]?.tS ?? 0);
  const insidePa = ambientPa + (samples[0]?.pPa ?? 0);
  if (!fit)
    return { verdict: 'unclear', because: 'fewer than six readings: hold longer, or read more often' };
  if (spanS < holdS * 0.95)
    return {
      verdict: 'unclear',
      because: `the readings end after ${spanS.toFixed(0)} s of ${holdS} s: test again`,
    };
  if (limit === undefined) return { verdict: 'unclear', because: 'no limit was given' };
  const { rateSteadyPaS: rate, rateErrorPaS: error } = fit;
  const said = `${rate.toFixed(3)} ± ${(2 * error).toFixed(3)} Pa/s against ${limit.toFixed(3)} Pa/s`;
  if (rate + 2 * error < limit) return { verdict: 'pass', because: said };
  if (rate - 2 * error > limit) {
    const explainsK = (rate * spanS * (roomC + kelvin)) / insidePa;
    if (measured || explainsK > driftK) return { verdict: 'fail', because: said };
    return {
      verdict: 'unclear',
      because: `${said}; ${explainsK.toFixed(1)} K explain it: let it reach room temperature, or measure it`,
    };
  }
  // the error of a slope falls with the time to the power of three halves
  const apart = Math.max(Math.abs(rate - limit), limit / 20);
  const longer = Math.ceil((spanS * ((2 * error) / apart) ** (2 / 3) - spanS) / 5) * 5;
  return {
    verdict: 'unclear',
    because: `${said}: hold ${Math.max(5, longer)} s longer`,
  };
}
