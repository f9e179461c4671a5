import type { IndexedModel } from '../../model/index-model';
import { isTooLong, safeLengthMm } from '../../screws/safe-length';
import { substitutesFor } from '../../screws/substitutes';
import type { JobState } from '../../log/state';
import { holderOf } from '../../vocabulary/pieces';
import { outsideFasteners, piecesAt, placeOf, screwSpec, openState, stillHolding } from '../../log/view';
import { type Rule, rule, skilled, heads, list } from '../interlock';

/** What holds a piece, where each lies, and which screw belongs into which hole. */
export const piecesAndScrews = {
  'still held': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceMoved'],
    check: ({ index, state }, b) => {
      const ways = (pose: string) => index.slots.get(b.slot)?.ways.filter((w) => w.to === pose) ?? [];
      const least = (pose: string) =>
        ways(pose)
          .map((w) => stillHolding(state, w))
          .sort((x, y) => x.length - y.length)[0] ?? [];
      // what has to be folded first is held by what holds it shut, not by itself
      const held = least(b.pose).flatMap((id) => (id === b.slot ? least('folded') : [id]));
      return list([...new Set(held)]);
    },
  }),
  'torn and still stuck': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceMoved'],
    // what is left of a strip holds: pulling at it bends the cell
    check: ({ index, state }, b) =>
      list(
        [
          ...new Set(
            (index.slots.get(b.slot)?.ways ?? []).filter((w) => w.to === b.pose).flatMap((w) => w.bonds),
          ),
        ].filter(
          (id) =>
            state.bond[id] === 'torn' &&
            index.bonds.get(id)?.tornThen === 'solvent' &&
            index.bonds.get(id)?.kind !== 'perimeter-seal' &&
            state.acted[`solvent ${id}`] === undefined,
        ),
      ),
  }),
  'screw of another hole': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['screwIn'],
    check: ({ index, state }, b) => {
      const hole = index.fasteners.get(b.fastener);
      const own = screwSpec(state, index, b.piece);
      if (!hole || !own || holderOf(b.piece) === hole.id) return undefined;
      return own.thread === hole.thread && own.lengthMm <= safeLengthMm(hole) && own.headMm <= hole.headMm
        ? undefined
        : [holderOf(b.piece), hole.id];
    },
  }),
  'screw too long': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['screwIn'],
    // also from its own hole: whoever repaired it before may have put another one in
    check: ({ index, state }, b) =>
      isScrewTooLong(index, state, b.fastener, b.piece) ? [b.piece, b.fastener] : undefined,
  }),
  'too long screw inside': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ index, state }) =>
      list(
        [...index.fasteners.keys()].filter((hole) =>
          piecesAt(state, `hole/${hole}`).some((piece) => isScrewTooLong(index, state, hole, piece)),
        ),
      ),
  }),
  'substitute does not fit': rule({
    severity: 'forbid',
    on: ['substituted'],
    // too long for a hole, it goes through the board: no reason makes that right
    check: ({ index }, b) => {
      const hole = index.fasteners.get(b.fastener);
      return hole &&
        substitutesFor(hole, [
          { id: b.spare, drive: b.drive, thread: b.thread, lengthMm: b.lengthMm, headMm: b.headMm, count: 1 },
        ]).not.length
        ? [b.fastener]
        : undefined;
    },
  }),
  'place already taken': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['screwIn', 'pieceFitted'],
    check: ({ state }, b) => {
      const place = b.type === 'screwIn' ? `hole/${b.fastener}` : `slot/${b.slot}`;
      return list(piecesAt(state, place).filter((p) => p !== b.piece));
    },
  }),
  'piece is elsewhere': rule({
    severity: 'warn',
    on: ['screwOut', 'pieceSetAside'],
    check: ({ state, index }, b) => {
      const at = placeOf(state, b.piece, index);
      if (b.type === 'screwOut') return at === `hole/${b.fastener}` ? undefined : [b.piece];
      return at?.startsWith('slot/') || at?.startsWith('hole/') ? [b.piece] : undefined;
    },
  }),
  'device not closed': rule({
    severity: 'warn',
    on: ['screwIn'],
    check: ({ state, index }, b) =>
      outsideFasteners(index).includes(b.fastener) && openState(state, index) === 'open'
        ? [b.fastener]
        : undefined,
  }),
} satisfies Record<string, Rule>;

/** Whether a screw is longer than a hole bears: by its measure, or where it was not measured by the hole that it is from. */
export function isScrewTooLong(index: IndexedModel, state: JobState, hole: string, piece: string): boolean {
  const bears = index.fasteners.get(hole);
  const screw = screwSpec(state, index, piece);
  return !!bears && !!screw && isTooLong(screw.lengthMm, bears);
}
