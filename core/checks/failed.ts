import { checksDue } from './due';
import type { IndexedModel } from '../model/index-model';
import type { JobState } from '../log/state';

/** Answers of the mid and after rounds that say no and have not been put right. */
export function failedChecks(
  state: JobState,
  index: IndexedModel,
): { round: 'mid' | 'after'; function: string; seq: number }[] {
  return (['mid', 'after'] as const).flatMap((round) =>
    checksDue(state, index, round)
      .filter((c) => c.result === 'fails' && c.stale.length === 0)
      .map((dueCheck) => ({
        round,
        function: dueCheck.function as string,
        seq: state.check[`${round} ${dueCheck.function}`]!.seq,
      })),
  );
}
