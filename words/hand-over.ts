import type { Ending } from '../core/log/events';
import type { OwnersBag } from '../core/rules/hand-over-list';
import type { HandOverItem } from '../core/vocabulary/hand-over';
import { list, plural } from './things';

/** How a job ends: what its button says, and what that means. */
export const endingText: Record<Ending, [button: string, means: string]> = {
  'handed over': ['Hand it over', 'repaired, proved, and given back'],
  declined: ['Declined', 'given back as it came: nothing was done, or all is as before'],
  abandoned: ['Abandoned', 'given back unfinished: every piece is in the bag'],
};

/** What is looked at in the hand before the owner has it, in a sentence; and what the report says of it. */
export const handOverText: Record<HandOverItem, string> = {
  brightness: 'Brightness set by hand: automatic brightness is lost.',
  grilles: 'Ear and speaker grilles clean.',
  'mute switch': 'Keys free, mute switch free of dust.',
  tray: 'SIM tray back in.',
  enrolments: 'Faces and fingers that were enrolled for the test removed again.',
  film: 'Film off.',
  protector: 'A new glass protector, if one was promised.',
  bag: 'The owner’s bag, counted.',
  care: 'The owner told until when it is kept dry, cool and without load.',
};
export const bagText = ({ screws, parts }: OwnersBag): string =>
  `In it: ${plural(screws, 'screw')}, ${plural(parts, 'part')}.`;
const seenText: Record<HandOverItem, string> = {
  brightness: 'brightness set by hand',
  grilles: 'grilles clean',
  'mute switch': 'keys and mute switch',
  tray: 'SIM tray in',
  enrolments: 'enrolments removed',
  film: 'film off',
  protector: 'protector',
  bag: 'owner’s bag counted',
  care: 'told until when it is kept dry',
};
/** What was seen to before the device was given back, and what was not; nothing where nobody ticked anything. */
export function handOverLine(due: readonly HandOverItem[], handed: Readonly<Record<string, string>>): string {
  const seen = due.filter((item) => handed[item] !== undefined);
  const open = due.filter((item) => handed[item] === undefined);
  if (!seen.length) return '';
  const names = (items: readonly HandOverItem[]) => list(items.map((item) => seenText[item]));
  return `Before it was given back: ${names(seen)}.${open.length ? ` Not ticked: ${names(open)}.` : ''}`;
}
