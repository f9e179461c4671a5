import { type Finding, findings } from './interlocks';
import type { Situation } from './interlock';
import type { Ending } from '../log/events';

/** What an ending still waits for: what the interlocks would say to it now. One list, one place. */
export function dueAtEnd(situation: Situation, ending: Ending): Finding[] {
  return findings(situation, { type: 'jobClosed', ending, note: '' });
}
