import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { MatPoint } from '../screws/mat-layout';
import type { Hole, LooseScrew, SortProblem } from '../screws/sort-screws';

/**
 * An invented heap: holes of a few drives and lengths a tenth apart, their screws measured with a calliper's error, a few
 * gone and a few from elsewhere. The same numbers give the same heap.
 */
export function heapOf(
  seed: number,
  holes: number,
  lost = 0,
  foreign = 0,
): SortProblem & { from: Record<string, string> } {
  const rng = xoroshiro128plus(seed);
  const upTo = (n: number) => uniformInt(rng, 0, n - 1);
  const drives = ['PH000', 'Y000', 'P2', 'standoff'];
  const list: Hole[] = Array.from({ length: holes }, (_, i) => {
    const lengthMm = 1 + upTo(18) / 10;
    return {
      id: `H${i}`,
      drive: drives[Math.min(upTo(7), 3)]!,
      lengthMm,
      headMm: 1.6 + upTo(4) / 10,
      maxLengthMm: Math.round((lengthMm + 0.2) * 10) / 10,
    };
  });
  const noise = () => (upTo(61) - 30) / 1000;
  const from: Record<string, string> = {};
  const screws: LooseScrew[] = list.slice(lost).map((hole, i) => {
    from[`s${i}`] = hole.id;
    return {
      id: `s${i}`,
      drive: hole.drive,
      lengthMm: Math.max(0.3, hole.lengthMm + noise()),
      ...(upTo(4) ? { headMm: hole.headMm + noise() } : {}),
    };
  });
  for (let k = 0; k < foreign; k++)
    screws.push({ id: `x${k}`, drive: 'PH000', lengthMm: 5 + upTo(20) / 10, headMm: 3 });
  // in no order that tells anything
  for (let i = screws.length - 1; i > 0; i--) {
    const j = upTo(i + 1);
    [screws[i], screws[j]] = [screws[j]!, screws[i]!];
  }
  return { holes: list, screws, sdLengthMm: 0.05, sdHeadMm: 0.08, strayCost: 8, missingCost: 8, from };
}

/** Holes of an invented device, in clusters as under brackets. */
export function holesOf(seed: number, n: number, device = { widthMm: 72, heightMm: 148 }): MatPoint[] {
  const rng = xoroshiro128plus(seed);
  const upTo = (k: number) => uniformInt(rng, 0, k - 1);
  const out: MatPoint[] = [];
  while (out.length < n) {
    const [cx, cy] = [8 + upTo(device.widthMm - 16), 8 + upTo(device.heightMm - 16)];
    for (let k = 2 + upTo(5); k > 0 && out.length < n; k--)
      out.push({
        id: `H${out.length}`,
        x: Math.min(device.widthMm - 2, Math.max(2, cx + upTo(140) / 10 - 7)),
        y: Math.min(device.heightMm - 2, Math.max(2, cy + upTo(80) / 10 - 4)),
      });
  }
  return out;
}
