export interface Aperture {
  shape: 'circle' | 'square';
  /** Diameter, or side, mm. */
  sizeMm: number;
}
/**
 * The solder that an aperture leaves, and the ball that it becomes: the paste fills the aperture, and of the paste this share
 * is metal. V = area x thickness x metal share; a sphere of that volume has the diameter (6 V / pi)^(1/3).
 */
export function ballOf(
  { shape, sizeMm }: Aperture,
  thicknessMm: number,
  metalFraction: number,
): { volumeMm3: number; ballMm: number } {
  const area = shape === 'square' ? sizeMm ** 2 : (Math.PI * sizeMm ** 2) / 4;
  const volumeMm3 = area * thicknessMm * metalFraction;
  return { volumeMm3, ballMm: Math.cbrt((6 * volumeMm3) / Math.PI) };
}

/** Of solder paste, the share of metal by volume: about one half (common practice). */
export const pasteMetal = 0.5;
/** Below this ratio paste stays in the stencil (usual lower limit, IPC-7525, from memory). */
export const leastAreaRatio = 0.66;
/** The opening of an aperture over the area of its walls; for a circle d / 4t, for a square a / 4t. */
export const areaRatio = ({ sizeMm }: Aperture, thicknessMm: number): number => sizeMm / (4 * thicknessMm);

/** Loose balls as they are sold, mm (from memory). */
const soldBallsMm = [0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.45, 0.5, 0.55, 0.6, 0.65, 0.76] as const;
/** Two balls nearer than this run together while they settle: the gap between them, mm (from memory). */
const leastGapMm = 0.1;
/** What a chip wants to be set with, of what is sold. */
export interface LooseBalls {
  ballMm: number;
  count: number;
  /** Between two neighbours, mm. */
  gapMm: number;
  /** Volume over that of the ball that was there. */
  volumeRatio: number;
}
/**
 * The size of loose ball for a chip: the nearest in volume to the one it had that leaves a gap; undefined where none does.
 * @param ballMm the ball that the chip had
 */
export function looseBallsFor(pitchMm: number, ballMm: number, count: number): LooseBalls | undefined {
  const fit = soldBallsMm.filter((mm) => pitchMm - mm >= leastGapMm - 1e-9);
  const off = (mm: number) => Math.abs(Math.log(mm / ballMm));
  const [best] = fit.toSorted((a, b) => off(a) - off(b));
  return best && { ballMm: best, count, gapMm: pitchMm - best, volumeRatio: (best / ballMm) ** 3 };
}
