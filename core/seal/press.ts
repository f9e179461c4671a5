import type { Bond } from '../model/schema';

export const forceUnits = ['kgf', 'N', 'kN'] as const;
export type ForceUnit = (typeof forceUnits)[number];
/** How a seal press is set, in the unit that it shows. */
export interface PressSettings {
  force: number;
  unit: ForceUnit;
  /** Ids of the models that there is a plate for; left out, one that does for all. */
  models?: string[];
}
/** 75 kgf, on the frame and again after closing (common practice). */
export const usualPress: PressSettings = { force: 75, unit: 'kgf' };
/** Newtons in each unit: the kilogram-force is 9.80665 N by definition (NIST SP 811, BIPM). */
const newtons: Record<ForceUnit, number> = { kgf: 9.80665, N: 1, kN: 1000 };
export const forceN = ({ force, unit }: PressSettings): number => force * newtons[unit];

/** How wide a display's seal is, mm (from memory: pre-cut frames of 1 to 1.5 mm). */
const sealWidthMm = 1.2;
/** The area of a seal that runs along its outline, with its round corners, mm2. */
export function sealAreaMm2({ shape }: Pick<Bond, 'shape'>): number {
  const { w, h, r } = shape;
  const corner = Math.min(r, w / 2, h / 2);
  const along = 2 * (w + h) - 8 * corner + 2 * Math.PI * corner;
  return Math.max(0, along - 4 * sealWidthMm) * sealWidthMm;
}
/** What a force does over an area, kPa: N/mm2 is MPa. */
export const pressureKPa = (newton: number, areaMm2: number): number => (newton / areaMm2) * 1000;
