import type { Ending } from '../core/log/events';
import type { JobState } from '../core/log/state';
import { holderOf } from '../core/vocabulary/pieces';
import type { IndexedModel } from '../core/model/index-model';
import { plural } from './things';

/** How a job ends: what its button says, and what that means. */
export const endingText: Record<Ending, [button: string, means: string]> = {
  'handed over': ['Hand it over', 'repaired, proved, and given back'],
  declined: ['Declined', 'given back as it came: nothing was done, or all is as before'],
  abandoned: ['Abandoned', 'given back unfinished: every piece is in the bag'],
};

/** What is looked at in the hand before the owner has it: of this device and this job. */
export function handOverList(index: IndexedModel, state: JobState): string[] {
  const has = (kind: string) => index.model.slots.some((s) => s.kind === kind);
  const bag = Object.entries(state.place).filter(([, at]) => at === 'aside/owner');
  const screws = bag.filter(([piece]) => index.fasteners.has(holderOf(piece))).length;
  return [
    'Brightness set by hand where automatic brightness is lost.',
    'Ear and speaker grilles clean, mute switch free of dust.',
    ...(has('tray') ? ['SIM tray back in.'] : []),
    ...(bag.length
      ? [`The owner’s bag: ${plural(screws, 'screw')}, ${plural(bag.length - screws, 'part')}, counted.`]
      : []),
    'Film off, or a new glass protector if one was promised.',
  ];
}
