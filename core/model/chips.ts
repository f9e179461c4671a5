import type { IndexedModel } from './index-model';

/** Whether a slot is a chip of its own: it comes off its pads, and onto them, with hot air. */
export const isChip = (index: IndexedModel, slot: string): boolean => index.slots.get(slot)?.kind === 'chip';
