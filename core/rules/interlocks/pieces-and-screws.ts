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
    check: ({ index, state }, body) => {
      const ways = (pose: string) => index.slots.get(body.slot)?.ways.filter((w) => w.to === pose) ?? [];
      const least = (pose: string) =>
        ways(pose)
          .map((w) => stillHolding(state, w))
          .sort((x, y) => x.length - y.length)[0] ?? [];
      // what has to be folded first is held by what holds it shut, not by itself
      const held = least(body.pose).flatMap((id) => (id === body.slot ? least('folded') : [id]));
      return list([...new Set(held)]);
    },
  }),
  'torn and still stuck': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceMoved'],
    // what is left of a strip holds: pulling at it bends the cell
    check: ({ index, state }, body) =>
      list(
        [
          ...new Set(
            (index.slots.get(body.slot)?.ways ?? [])
              .filter((w) => w.to === body.pose)
              .flatMap((w) => w.bonds),
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
    check: ({ index, state }, body) => {
      const hole = index.fasteners.get(body.fastener);
      const own = screwSpec(state, index, body.piece);
      if (!hole || !own || holderOf(body.piece) === hole.id) return undefined;
      return own.thread === hole.thread && own.lengthMm <= safeLengthMm(hole) && own.headMm <= hole.headMm
        ? undefined
        : [holderOf(body.piece), hole.id];
    },
  }),
  'screw too long': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['screwIn'],
    // also from its own hole: whoever repaired it before may have put another one in
    check: ({ index, state }, body) =>
      isScrewTooLong(index, state, body.fastener, body.piece) ? [body.piece, body.fastener] : undefined,
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
    check: ({ index }, body) => {
      const hole = index.fasteners.get(body.fastener);
      return hole &&
        substitutesFor(hole, [
          {
            id: body.spare,
            drive: body.drive,
            thread: body.thread,
            lengthMm: body.lengthMm,
            headMm: body.headMm,
            count: 1,
          },
        ]).not.length
        ? [body.fastener]
        : undefined;
    },
  }),
  'place already taken': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['screwIn', 'pieceFitted'],
    check: ({ state }, bodyOf) => {
      const place = bodyOf.type === 'screwIn' ? `hole/${bodyOf.fastener}` : `slot/${bodyOf.slot}`;
      return list(piecesAt(state, place).filter((p) => p !== bodyOf.piece));
    },
  }),
  'piece is elsewhere': rule({
    severity: 'warn',
    on: ['screwOut', 'pieceSetAside'],
    check: ({ state, index }, bodyOf) => {
      const at = placeOf(state, bodyOf.piece, index);
      if (bodyOf.type === 'screwOut') return at === `hole/${bodyOf.fastener}` ? undefined : [bodyOf.piece];
      return at?.startsWith('slot/') || at?.startsWith('hole/') ? [bodyOf.piece] : undefined;
    },
  }),
  'device not closed': rule({
    severity: 'warn',
    on: ['screwIn'],
    check: ({ state, index }, body) =>
      outsideFasteners(index).includes(body.fastener) && openState(state, index) === 'open'
        ? [body.fastener]
        : undefined,
  }),
} satisfies Record<string, Rule>;

/** Whether a screw is longer than a hole bears: by its measure, or where it was not measured by the hole that it is from. */
export function isScrewTooLong(index: IndexedModel, state: JobState, hole: string, piece: string): boolean {
  const bears = index.fasteners.get(hole);
  const screw = screwSpec(state, index, piece);
  return !!bears && !!screw && isTooLong(screw.lengthMm, bears);
}
