import type { Condition } from '../model/schema';
import type { Mark } from './events';

/**
 * Marks on arrival that mean something for the route until a lead has looked and said otherwise (common practice):
 * a panel that stands proud nearly always has a swollen cell behind it; a bent frame fits no fixture and no plate.
 */
export const conditionOfMark: Partial<Record<Mark['kind'], Condition>> = {
  'panel standing proud': 'swollen',
  'bent frame': 'bent',
};
