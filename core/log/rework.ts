import type { ReworkStepId } from '../rework/work-plan';
import type { BodyOf } from './events';
import type { ReworkEntry } from './state';

/** Work with air, iron or a lamp on it since a moment, ms. Of work that was not begun nothing becomes known. */
export const heated = (
  work: ReworkEntry | undefined,
  { type: _, slot: _slot, extraction: _on, ...heat }: BodyOf<'reworkHeatStarted'>,
  since: number,
): ReworkEntry | undefined => work && { ...work, heat: { ...heat, since } };

/** Work with one step more behind it, and nothing on it. */
export function stepped(work: ReworkEntry | undefined, step: ReworkStepId): ReworkEntry | undefined {
  if (!work) return undefined;
  const { heat: _, ...rest } = work;
  return { ...rest, done: [...work.done, step] };
}
/** Work that has ended. */
export function endedAs(
  work: ReworkEntry | undefined,
  outcome: BodyOf<'reworkEnded'>['outcome'],
): ReworkEntry | undefined {
  if (!work) return undefined;
  const { heat: _, ...rest } = work;
  return { ...rest, outcome };
}
