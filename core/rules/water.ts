import type { IndexedModel } from '../model/index-model';
import { coverBonds } from '../model/seals';
import { flag, type JobState } from '../log/state';
import { isWhole, openState } from '../log/view';

/** What can be said about water of a device as it stands, no more than was done and tested. */
const waters = [
  'not opened',
  'open',
  'sealed, leak tested',
  'sealed, test held',
  'sealed, not leak tested',
  'leaks',
  'closed without a seal',
  'no seal',
] as const;
export type Water = (typeof waters)[number];

/** The last leak test, where it was made of the device as it is closed now. */
export function leakNow(state: JobState) {
  const leak = flag(state, 'leak');
  if (!leak || leak.seq <= (flag(state, 'closedAt') ?? 0)) return undefined;
  const { seq: _, ...said } = leak;
  return said;
}

/** Why a leak test that held proves nothing: somebody looked at no figure, the tester was not proved, or it was a stand-in. */
export type Unproved = 'no figure' | 'own test overdue' | 'simulated';
/** What is missing before a leak test that held is proof; undefined where nothing is. */
export function unprovedBy(leak: Exclude<ReturnType<typeof leakNow>, undefined>): Unproved | undefined {
  if (leak.simulated) return 'simulated';
  if (leak.measured === undefined && leak.lost === undefined) return 'no figure';
  return leak.proved ? undefined : 'own test overdue';
}

/**
 * What is claimed: of the covers' bonds those count that were loosed in this job; a seal that was never touched is as it
 * came. Water is claimed only after a leak test that held and is proof; one that held and is none is told as just that.
 */
export function waterOf(index: IndexedModel, state: JobState): Water {
  const shut = openState(state, index);
  if (shut === 'never opened') return 'not opened';
  if (shut === 'open') return 'open';
  const bonds = coverBonds(index);
  if (!bonds.length) return 'no seal';
  if (
    bonds.some((b) => !isWhole(state, b.id)) ||
    (bonds.some((b) => state.bond[b.id]) && flag(state, 'unsealed'))
  )
    return 'closed without a seal';
  const leak = leakNow(state);
  if (!leak) return 'sealed, not leak tested';
  if (!leak.holds) return 'leaks';
  return unprovedBy(leak) ? 'sealed, test held' : 'sealed, leak tested';
}
