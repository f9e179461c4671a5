import { plural } from '../things';

export const sparesBox = 'Spares box';
export const searchTheBox = 'Search the box';
export const driveThreadLength = 'drive, thread, length';
export const csv = 'CSV';
export const screwsThatAreLeftOver =
  'Screws that are left over or come in kits lie here by drive, thread, length and head. When one is lost or stripped at the bench, Trouble offers those that fit its hole. Add a few, or import a CSV file.';
export const nothingInTheBoxMatches = (text: string): string => `Nothing in the box matches “${text}”.`;
export const screwsInTheBox = 'Screws in the box';
export const aCsvFileWhoseFirst =
  'A CSV file whose first line names the columns: drive, thread, length_mm and head_mm; count and note where they are known.';
export const anOwnerOrALead =
  'An owner or a lead fills the box. Everybody takes from it, under Trouble at the bench.';
export const drive = 'drive';
export const thread = 'thread';
export const length = 'length';
export const head = 'head';
export const note = 'note';
export const howMany = 'how many';
export const oneLessMm = (drive: string, lengthMm: number): string => `One less: ${drive} ${lengthMm} mm`;
export const oneMoreMm = (drive: string, lengthMm: number): string => `One more: ${drive} ${lengthMm} mm`;
export const takeOutOfTheBox = (drive: string, thread: string, lengthMm: number): string =>
  `Take out of the box: ${drive} ${thread} ${lengthMm} mm`;
export const addAScrew = 'Add a screw';
export const addScrews = 'Add screws';
export const driveLabel = 'Drive';
export const threadLabel = 'Thread';
export const lengthMm = 'Length, mm';
export const headMm = 'Head, mm';
export const howManyLabel = 'How many';
export const noteLabel = 'Note';
export const add = 'Add';
export const screwsOfKinds = (screws: number, kinds: number): string =>
  `${plural(screws, 'screw')} of ${plural(kinds, 'kind')}`;
export const inMm = (mm: number): string => `${mm} mm`;
