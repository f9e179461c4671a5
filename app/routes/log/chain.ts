import type { JobState } from '../../../core/log/state';

/** The entries that have to be taken back, the latest first, so that one entry is again the latest; that one stays. */
export function chainTo(state: JobState, event: string): string[] {
  const at = state.trail.findIndex((t) => t.event === event);
  return at < 0
    ? []
    : state.trail
        .slice(at + 1)
        .map((t) => t.event)
        .toReversed();
}
