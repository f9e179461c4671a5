import type { JobState } from '../log/state';
import { replacedSlots } from '../log/view';
import type { Methods } from '../methods/methods';
import type { IndexedModel } from '../model/index-model';
import { effectsOf, type Remedies } from '../pairing/effects';
import type { HandOverItem } from '../vocabulary/hand-over';
import { holderOf } from '../vocabulary/pieces';

/** What lies in the owner's bag. */
export interface OwnersBag {
  screws: number;
  parts: number;
}
export function ownersBag(index: IndexedModel, { place }: Pick<JobState, 'place'>): OwnersBag {
  const bag = Object.keys(place).filter((piece) => place[piece] === 'aside/owner');
  const screws = bag.filter((piece) => index.fasteners.has(holderOf(piece))).length;
  return { screws, parts: bag.length - screws };
}
/** Whether the display that is in adapts its brightness no more: its data were neither copied nor kept. */
function adaptationLost(index: IndexedModel, state: JobState, methods: Methods | undefined): boolean {
  const remedies = { ...state.remedy } as Remedies;
  return effectsOf(index, replacedSlots(state), methods, remedies).some(
    ({ function: fn, effect, slot }) =>
      fn === 'ambient' && (effect === 'lost' || (effect === 'copy' && state.data[slot] !== 'written')),
  );
}
/**
 * What is due to be looked at in the hand before this device is given back: what was lost or touched here, and what every
 * device of its kind asks for (common practice).
 * @param methods of the route that was followed: they decide what becomes of a display's data
 */
export function handOverList(
  index: IndexedModel,
  state: JobState,
  methods: Methods | undefined,
): HandOverItem[] {
  const { slots } = index.model;
  const has = (kind: string) => slots.some((slot) => slot.kind === kind);
  const display = replacedSlots(state).some((id) => index.slots.get(id)?.kind === 'display');
  const bag = ownersBag(index, state);
  const laid = Object.keys(state.laid).some((bond) => state.bond[bond] === 'renewed');
  const due: Record<HandOverItem, boolean> = {
    brightness: adaptationLost(index, state, methods),
    grilles: has('ear-speaker') || has('loudspeaker'),
    'mute switch': index.model.shortList.includes('keys'),
    tray: has('tray'),
    enrolments: Object.keys(state.enrolment).length > 0,
    film: display || Object.keys(state.film).length > 0,
    protector: display,
    bag: bag.screws + bag.parts > 0,
    care: laid,
  };
  return (Object.keys(due) as HandOverItem[]).filter((item) => due[item]);
}
