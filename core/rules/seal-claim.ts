import type { JobEvent } from '../log/events';
import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { coverBonds } from '../model/seals';
import { leakNow, waterOf } from './water';

/** What was done to keep water out, and by whom: a claim says no more than this. */
export interface SealClaim {
  /** Seals and glues of the covers that were laid anew, each by whom last. */
  laid: { bond: string; by: string }[];
  /** Those that were never loosed: nothing is said about them. */
  untouched: string[];
  /** How often it lay under a press, how long each time at most, s, and with what by the gauge, N; 0 times: by hand, and no force is claimed. */
  pressed: { times: number; forS: number; newton?: number };
  /** The leak test of the device as it is closed now. */
  tested: { by: string; holds: boolean; setPa?: number; holdS?: number } | undefined;
}
/**
 * The facts that a sentence about water rests on; undefined where the device was not opened or still is.
 * @param events of the job, without what was taken back
 */
export function sealClaim(
  index: IndexedModel,
  state: JobState,
  events: readonly JobEvent[],
): SealClaim | undefined {
  const water = waterOf(index, state);
  if (water === 'not opened' || water === 'open' || water === 'no seal') return undefined;
  const bonds = coverBonds(index);
  const last = (is: (event: JobEvent) => boolean) => events.findLast(is);
  const laid = bonds
    .filter((bond) => state.bond[bond.id] === 'renewed')
    .map(({ id }) => {
      const laidBy = last(
        ({ body }) => (body.type === 'bondRenewed' || body.type === 'sealApplied') && body.bond === id,
      );
      return { bond: id, by: laidBy?.by ?? '' };
    });
  const presses = events.flatMap(({ body }) =>
    body.type === 'acted' && body.act === 'press' && body.target.endsWith(':start') ? [body.forS ?? 0] : [],
  );
  // where a gauge was read, the weakest press that held is claimed; none that did not, and none that a stand-in made up
  const read = events.flatMap(({ body }) =>
    body.type === 'pressRead' && body.held && !body.simulated ? [body.meanN] : [],
  );
  const leak = leakNow(state);
  const test = leak && last(({ body }) => body.type === 'leakTested');
  const { setPa, holdS } = leak?.measured ?? {};
  return {
    laid,
    untouched: bonds.filter((bond) => state.bond[bond.id] === undefined).map((bond) => bond.id),
    pressed: {
      ...{ times: presses.length, forS: Math.max(0, ...presses) },
      ...(read.length ? { newton: Math.min(...read) } : {}),
    },
    tested: leak && {
      ...{ by: test?.by ?? '', holds: leak.holds },
      ...(setPa === undefined || holdS === undefined ? {} : { setPa, holdS }),
    },
  };
}
