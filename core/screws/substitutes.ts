import type { Fastener } from '../model/schema';
import { safeLengthMm } from './safe-length';
import { pitchMm } from './threads';

/** A kind of screw in the spares box. */
export interface SpareScrew {
  id: string;
  drive: string;
  thread: string;
  lengthMm: number;
  headMm: number;
  count: number;
}
export type WhyNot =
  | { code: 'none left' }
  | { code: 'other thread'; has: string; needs: string }
  | { code: 'too long'; byMm: number }
  | { code: 'too short'; byMm: number }
  | { code: 'head too wide'; byMm: number };
export type WhyGood =
  | 'same in everything'
  | 'shorter'
  | 'longer, still safe'
  | 'smaller head'
  | 'other drive';
export interface Substitute {
  spare: SpareScrew /** Empty where it is the same screw. */;
  why: WhyGood[];
  offMm: number;
}
export interface Judged {
  fit: Substitute[];
  not: { spare: SpareScrew; why: WhyNot }[];
}

/** A screw that is this many turns shorter still holds (common practice, from memory). */
const turnsShort = 2;
/** A head may be this much wider than the hole's own and still sit, mm: what a calliper cannot tell. */
const headPlayMm = 0.05;
const round = (mm: number) => Math.round(mm * 100) / 100;

/**
 * What can stand in for a hole's own screw: same thread, a head that fits its seat, never longer than is safe, at most
 * two turns shorter. Best first: nearest in length, then shorter before longer, same drive, nearest head.
 */
export function substitutesFor(
  hole: Pick<Fastener, 'drive' | 'thread' | 'lengthMm' | 'headMm' | 'maxLengthMm'>,
  spares: readonly SpareScrew[],
): Judged {
  const safe = safeLengthMm(hole);
  const least = hole.lengthMm - turnsShort * (pitchMm(hole.thread) ?? 0);
  const fit: Substitute[] = [];
  const not: Judged['not'] = [];
  for (const spareScrew of spares) {
    const why: WhyNot | undefined =
      spareScrew.count < 1
        ? { code: 'none left' }
        : spareScrew.thread !== hole.thread
          ? { code: 'other thread', has: spareScrew.thread, needs: hole.thread }
          : spareScrew.lengthMm > safe + 1e-9
            ? { code: 'too long', byMm: round(spareScrew.lengthMm - safe) }
            : spareScrew.lengthMm < least - 1e-9
              ? { code: 'too short', byMm: round(least - spareScrew.lengthMm) }
              : spareScrew.headMm > hole.headMm + headPlayMm + 1e-9
                ? { code: 'head too wide', byMm: round(spareScrew.headMm - hole.headMm) }
                : undefined;
    if (why) {
      not.push({ spare: spareScrew, why });
      continue;
    }
    const good: WhyGood[] = [];
    if (spareScrew.lengthMm < hole.lengthMm) good.push('shorter');
    if (spareScrew.lengthMm > hole.lengthMm) good.push('longer, still safe');
    if (spareScrew.headMm < hole.headMm - headPlayMm) good.push('smaller head');
    if (spareScrew.drive !== hole.drive) good.push('other drive');
    fit.push({
      spare: spareScrew,
      why: good.length ? good : ['same in everything'],
      offMm: round(spareScrew.lengthMm - hole.lengthMm),
    });
  }
  const badness = (x: Substitute) => [
    Math.abs(x.offMm),
    x.offMm > 0 ? 1 : 0,
    x.spare.drive === hole.drive ? 0 : 1,
    Math.abs(x.spare.headMm - hole.headMm),
  ];
  fit.sort((substitute, b) => {
    const [p, q] = [badness(substitute), badness(b)];
    const i = p.findIndex((x, k) => Math.abs(x - q[k]!) > 1e-9);
    return i < 0 ? 0 : p[i]! - q[i]!;
  });
  return { fit, not };
}
