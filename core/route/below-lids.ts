import { coveredBy } from '../model/covers';
import type { ModelProblem } from '../model/check-model';
import type { IndexedModel } from '../model/index-model';
import type { Slot } from '../model/schema';
import { isLid } from '../record/holds';

/**
 * Faults of a recorded model: parts that lie below a display or a back, and have a way that does not open it. A part that is
 * named in what the lid leaves free is none: a person has said that it can be reached past it.
 */
export function waysPastLids(index: IndexedModel): ModelProblem[] {
  const { slots } = index.model;
  return slots.filter(isRecorded).flatMap((slot) =>
    slots
      .filter((lid) => isLid(lid) && liesOver(lid, slot) && !opens(index, slot, lid))
      .map(({ name }) => ({
        path: `slots(${slot.id})`,
        text: `lies below ${name}, and has a way that does not open it`,
      })),
  );
}
const isRecorded = ({ ways }: Slot): boolean => ways.some((way) => way.id === 'as-recorded');
const liesOver = (lid: Slot, slot: Slot): boolean =>
  lid.id !== slot.id && lid.face === slot.face && lid.layer > slot.layer && !lid.leavesFree.includes(slot.id);
const opens = (index: IndexedModel, slot: Slot, lid: Slot): boolean =>
  slot.carrier !== undefined ||
  coveredBy(index, slot.id).includes(lid.id) ||
  slot.ways.every((way) => way.needs.some((need) => need.slot === lid.id));
