/** A three-point figure: least, likeliest, most. `low <= likely <= high`. */
export interface ThreePoint {
  low: number;
  likely: number;
  high: number;
}

/**
 * Mean and standard deviation of a three-point figure: (a + 4m + b) / 6 and (b - a) / 6; a sum adds means and variances.
 * Source: Malcolm, Roseboom, Clark and Fazar, Application of a technique for research and development program
 * evaluation, Operations Research 7(5), 1959.
 */
export const meanOf = (t: ThreePoint) => (t.low + 4 * t.likely + t.high) / 6;
export const varianceOf = (t: ThreePoint) => ((t.high - t.low) / 6) ** 2;

/**
 * Shape of the beta distribution on [low, high] with just this mean and variance (method of moments); undefined for a
 * figure without spread. Both shapes are positive for every three-point figure: the mean lies within the middle two thirds.
 */
export function betaShape(threePoint: ThreePoint): { alpha: number; beta: number } | undefined {
  if (threePoint.high <= threePoint.low) return undefined;
  const u = (meanOf(threePoint) - threePoint.low) / (threePoint.high - threePoint.low);
  const k = 36 * u * (1 - u) - 1;
  return { alpha: u * k, beta: (1 - u) * k };
}
