import type { Condition } from './trade';

/** Conditions under which nothing is heated, charged, pressed, lasered or frozen: nobody passes that while they stand. */
export const noHeat: readonly Condition[] = ['swollen', 'pierced', 'wet', 'hot'];
/** A cell that is damaged or may be. */
export const badCell = (conditions: readonly string[]) =>
  conditions.includes('swollen') || conditions.includes('pierced');
