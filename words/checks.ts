import type { CheckResult, Round } from '../core/log/events';
import { plural, resultOf } from './things';

const roundName: Record<Round, string> = {
  before: 'Before, as it came',
  mid: 'Mid check',
  after: 'After check',
};
export interface ChecksSeen {
  ended: boolean;
  round: Round;
  /** Everything that is due is answered. */
  settled: boolean;
  /** The cell is on: it can be tested. */
  live: boolean;
  unopened: boolean;
  waiting: number;
  failing: number;
}
/** What the screen of the checks is called, as they stand. */
export function checksTitle({ ended, round, settled, live, unopened, waiting, failing }: ChecksSeen): string {
  if (ended) return 'Checks, as they were';
  const name = roundName[round];
  if (round === 'before') return name;
  if (settled) return `${name}: all answered`;
  if (!live) return `${name}: not yet`;
  const when = round === 'mid' ? 'before closing' : unopened ? 'not opened' : 'device closed';
  const left = [waiting > 0 && `${waiting} open`, failing > 0 && `${failing} not working`].filter(Boolean);
  return `${name}, ${when}: ${left.join(', ')}`;
}
/** What the checks are for, below their title. */
export function checksWhy({ round, live, settled }: Pick<ChecksSeen, 'round' | 'live' | 'settled'>): string {
  if (round === 'before')
    return 'What stands here is what the checks before closing and after are compared with.';
  return live || settled
    ? 'What was touched is due; where nothing was touched, the short list.'
    : 'The cell is unplugged: nothing can be tested. These will be due when it is on again.';
}
/** An answer as a button and the record say it. */
export const answerText = (fn: string, r: CheckResult): string =>
  r === 'untested' ? 'not tested' : r === 'same' ? 'as before' : resultOf(fn, r);
/** The press that answers all that worked before: it names how many, and is never about what was not tested then. */
export const asTheyShouldBe = (n: number): string =>
  n === 1 ? 'The one that worked before works' : `All ${plural(n, 'check')} as they should be`;
/** Where the press after the last answer leads. */
export const onwardText = {
  offer: 'To the offer',
  work: 'All checked: go on',
  'hand-over': 'All checked: hand over',
};
