import { openChecks } from '../checks/due';
import type { IndexedModel } from '../model/index-model';
import type { Standing } from '../steps/route';
import { replacedSlots } from '../log/view';
import { flag, type JobState } from '../log/state';
import { holderOf } from '../vocabulary/pieces';
import { filmsDue, pieceInHole, pieceInSlot, poseOf, openState } from '../log/view';

/** Where the device of a job stands: what the planner starts from when a job is re-planned in the middle. */
export function standingOf(state: JobState, index: IndexedModel): Standing {
  const { model } = index;
  return {
    fastenersOut: model.fasteners.filter((f) => pieceInHole(state, f.id) === undefined).map((f) => f.id),
    connectorsOff: model.connectors.filter((c) => state.connector[c.id] === 'off').map((c) => c.id),
    bondsOpen: model.bonds
      .filter((b) => state.bond[b.id] === 'released' || state.bond[b.id] === 'torn')
      .map((b) => b.id),
    bondsRenewed: model.bonds.filter((b) => state.bond[b.id] === 'renewed').map((b) => b.id),
    catchesFree: model.catches.filter((c) => state.catch[c.id] === 'free').map((c) => c.id),
    moved: model.slots.flatMap((slot) => {
      const pose = poseOf(state, slot.id);
      return pose === 'in' ? [] : [{ slot: slot.id, pose }];
    }),
    done: replacedSlots(state),
    aside: [
      ...new Set(
        Object.keys(state.place)
          .filter((p) => p.endsWith('#1') && state.place[p]!.startsWith('aside/'))
          .map(holderOf),
      ),
    ].filter((s) => pieceInSlot(state, s) === undefined),
    // what was done to the device as it stands open now; closing it makes it history
    acted: Object.keys(state.acted).filter((k) => state.acted[k]! > (flag(state, 'closedAt') ?? 0)),
    data: { ...state.data },
    rimClean: flag(state, 'rimClean') === true && !state.rimDue.rim?.length,
    sealed: flag(state, 'seal') === 'applied',
    linerOff: flag(state, 'liner') === 'off',
    midPassed: openChecks(state, index, 'mid').length === 0,
    filmsOn: filmsDue(state, index)
      .filter((f) => !f.off)
      .map((f) => f.id),
    ...masks(state),
    ...openCover(state, index),
    ...(flag(state, 'trial') ? { trial: flag(state, 'trial')! } : {}),
  };
}

/** Optics that are masked now. */
function masks(state: JobState): Pick<Standing, 'masksOn'> {
  const on = Object.keys(state.mask).filter((mask) => state.mask[mask] === 'on' && mask !== 'tape');
  return on.length ? { masksOn: on } : {};
}
/** With every piece in its place the device may still have to be closed: the display before the back, as it is planned. */
function openCover(state: JobState, index: IndexedModel): Pick<Standing, 'openCover'> {
  if (openState(state, index) !== 'open') return {};
  const moved = index.coverSlots.filter((c) => (state.touched[c] ?? 0) > (flag(state, 'closedAt') ?? 0));
  const slot = moved.find((c) => index.slots.get(c)!.kind === 'display') ?? moved[0];
  return slot ? { openCover: slot } : {};
}
