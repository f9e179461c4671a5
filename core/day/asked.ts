import type { Block } from './blocks';
import type { Away, DayPerson } from './people';

/** A device in the plan of a day. */
export interface AskedJob {
  id: string;
  promisedAt: number | null;
  blocks: Block[];
  /** What a bad cell is in does not wait, whatever was promised. */
  urgent?: boolean;
}
/** A block that somebody wants just then: by the device and the first step of the block. */
export interface Pin {
  job: string;
  step: string;
  /** s from now */
  atS: number;
}
/** What the day is planned from: each open device with what is left of it, who is there, and now. */
export interface DayAsked {
  /** ms */
  now: number;
  people: DayPerson[];
  jobs: AskedJob[];
  /** Who is not there for a time, and stations that are not: an absence, a pause, the night; one of each named at a time. */
  away?: Away[];
  /** How many devices a station holds at a time, where it is more than one. */
  holds?: Readonly<Record<string, number>>;
  /** How long a station warms up before it is first used, s; those that are warm are left out. */
  warmS?: Readonly<Record<string, number>>;
  pins?: Pin[];
  /** What the plan before this one said of the next quarter of an hour, s from now. */
  shown?: Pin[];
}
/** The name of a block that stays while the day is planned anew: its first step, or what it does. */
export const stepOf = ({ steps, phase, action }: Pick<Block, 'steps' | 'phase' | 'action'>): string =>
  steps[0] ?? `${phase} ${action}`;
/** The block of a device that a pin is about, where it has not begun: blocks are cut anew as steps are done. */
export const blockOfPin = (blocks: readonly Block[], step: string): number =>
  blocks.findIndex((b) => b.by === 'hands' && !b.begun && (stepOf(b) === step || b.steps.includes(step)));
