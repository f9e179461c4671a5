import type { Condition } from '../vocabulary/trade';
import type { Body, Mark } from '../log/events';

/**
 * Marks on arrival that mean something for the route until a lead has looked and said otherwise (common practice):
 * a panel that stands proud nearly always has a swollen cell behind it; a bent frame fits no fixture and no plate;
 * shattered glass holds no cup; through missing back glass a blade or a drop reaches the cell; after an earlier repair
 * the screws may be others.
 */
export const conditionOfMark: Partial<Record<Mark['kind'], Condition>> = {
  'panel standing proud': 'swollen',
  'bent frame': 'bent',
  'shattered glass': 'shattered',
  'earlier repair': 'earlier repair',
  // magnets go with an old back, foreign glue and screws come with another's work
  'missing magnet': 'earlier repair',
  'foreign screw': 'earlier repair',
  'earlier glue': 'earlier repair',
};

/** The condition that a report brings with it, if any. */
export function conditionOf(body: Body): { condition: Condition; because: string } | undefined {
  if (body.type === 'marked') {
    const condition =
      body.mark.kind === 'missing glass' && body.mark.side === 'back'
        ? 'back glass missing'
        : conditionOfMark[body.mark.kind];
    return condition && { condition, because: body.mark.kind };
  }
  if (body.type === 'symptomSet' && body.symptom === 'wet' && body.on)
    return { condition: 'wet', because: 'the owner says that it was in water' };
  // whoever cannot touch cannot switch off
  if (
    body.type === 'checked' &&
    body.round === 'before' &&
    body.function === 'touch' &&
    body.result === 'fails'
  )
    return { condition: 'stuck on', because: 'touch does not answer: it cannot be switched off' };
  return undefined;
}
