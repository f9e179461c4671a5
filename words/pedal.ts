import type { Instruction } from '../core/progress/instruct';
import type { IndexedModel } from '../core/model/index-model';
import { doneLabel } from './steps';
import { stopText } from './stop-now';

/**
 * What the pedal's button says: what the next press does.
 * @param programmer the bench programmer runs by this press
 * @param rework it leads to the rework bench
 */
export function pedalLabel(
  index: IndexedModel,
  now: Instruction,
  programmer: boolean,
  rework: boolean,
): string {
  if (rework) return 'Open the rework bench';
  if (programmer && 'step' in now)
    return now.step.action === 'read data' ? 'Read them now' : 'Write and compare';
  switch (now.kind) {
    case 'do':
      return doneLabel(index, now.step, now.target);
    case 'stop now':
      return stopText[now.what].done;
    default:
      return others[now.kind];
  }
}
const others: Record<Exclude<Instruction['kind'], 'do' | 'stop now'>, string> = {
  finished: 'Hand over',
  failed: 'Plan the way to it',
  'rework failed': 'ask the customer',
  'plan again': 'Plan it again',
  leaks: 'Test again',
  checks: 'Answer the checks',
  'no route': 'Plan the route',
  waiting: 'waiting',
  question: 'answer first',
  ended: 'job is closed',
};
/** Nothing is done by a press while one of these is shown. */
export const waitsForNoPress: ReadonlySet<Instruction['kind']> = new Set([
  'waiting',
  'question',
  'ended',
  'rework failed',
]);
