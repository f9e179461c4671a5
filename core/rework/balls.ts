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
