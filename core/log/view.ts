import type { IndexedModel } from '../model/index-model';
import type { Way } from '../model/schema';
import type { Pose } from '../vocabulary/trade';
import { flag, type JobState } from './state';
import { holderOf, originalPiece } from '../vocabulary/pieces';

/** Questions about a job's state. Each is one small function; none of them changes anything. */

/** Where a piece lies; a piece that nobody has touched lies where the device came with it. */
export function placeOf(state: JobState, piece: string, index: IndexedModel): string | undefined {
  const known = state.place[piece];
  if (known !== undefined) return known;
  const holder = holderOf(piece);
  if (piece !== originalPiece(holder)) return undefined;
  if (index.fasteners.has(holder)) return `hole/${holder}`;
  return index.slots.has(holder) ? `slot/${holder}` : undefined;
}

/** The pieces in a hole or a slot now: none, one, or more than one when reports contradict each other. */
export function piecesAt(state: JobState, place: string): string[] {
  const first = originalPiece(place.slice(place.indexOf('/') + 1));
  const moved = byPlace(state.place).get(place);
  if (state.place[first] === undefined) return moved ? [first, ...moved] : [first];
  return moved ? [...moved] : [];
}
/**
 * The table of places turned round. Every question about a device asks it, hundreds of times for one picture; a table
 * that has been asked is never written to again (an event writes into a copy), so it is turned once.
 */
const turned = new WeakMap<object, Map<string, string[]>>();
function byPlace(places: JobState['place']): Map<string, string[]> {
  let map = turned.get(places);
  if (!map) {
    map = new Map();
    for (const piece in places) {
      const at = map.get(places[piece]!);
      if (at) at.push(piece);
      else map.set(places[piece]!, [piece]);
    }
    turned.set(places, map);
  }
  return map;
}
/** Names of the pieces that devices come with: a picture asks for each of them at every press, so they are made once. */
const firsts = new Map<string, string>();
/** The first of them: what a picture of the device asks of every hole and slot. */
function firstAt(state: JobState, holder: string, kind: 'hole' | 'slot'): string | undefined {
  let first = firsts.get(holder);
  if (first === undefined) {
    first = originalPiece(holder);
    firsts.set(holder, first);
  }
  return state.place[first] === undefined ? first : byPlace(state.place).get(`${kind}/${holder}`)?.[0];
}
export const pieceInHole = (state: JobState, fastener: string): string | undefined =>
  firstAt(state, fastener, 'hole');
export const pieceInSlot = (state: JobState, slot: string): string | undefined =>
  firstAt(state, slot, 'slot');

export const isOn = (state: JobState, connector: string) => (state.connector[connector] ?? 'on') === 'on';
export const isWhole = (state: JobState, bond: string) => {
  const b = state.bond[bond];
  return b === undefined || b === 'renewed';
};
export const isHooked = (state: JobState, id: string) => (state.catch[id] ?? 'hooked') === 'hooked';
/** The conditions that stand, by name. */
export const conditionsOf = (state: JobState) =>
  Object.keys(state.condition).filter((c) => state.condition[c]);
export const hasCondition = (state: JobState, name: string) => !!state.condition[name];

/** The pose of a slot's piece now. A carried piece whose carrier is out is still in its place on the carrier. */
export function poseOf(state: JobState, slot: string): Pose {
  if (pieceInSlot(state, slot) === undefined) return 'out';
  return state.pose[slot] ?? 'in';
}
/** Whether a piece is at least as far away as a pose says; out implies folded and shifted. */
export const movedTo = (state: JobState, slot: string, pose: Pose) => {
  const now = poseOf(state, slot);
  return now === pose || now === 'out';
};

/** Whether the device stands open: a cover has moved since it was last closed. A tray that is pushed out opens nothing. */
export function openState(state: JobState, index: IndexedModel): 'never opened' | 'open' | 'closed' {
  const moved = Math.max(0, ...index.coverSlots.map((c) => state.touched[c] ?? 0));
  if (moved === 0) return 'never opened';
  return ((state.flag.closedAt as number | undefined) ?? 0) > moved ? 'closed' : 'open';
}

/** Is the cell connected: are the board's rails live? */
export const isLive = (state: JobState, index: IndexedModel) =>
  // of a device that is still being recorded: what nobody has come upon is on, and the plug is known before the cell
  (index.cellConnector === undefined || isOn(state, index.cellConnector)) &&
  (index.cellSlot === undefined || pieceInSlot(state, index.cellSlot) !== undefined);

/** What still holds a piece against one way out, by id, in the model's order. */
export function stillHolding(state: JobState, way: Way): string[] {
  return [
    ...way.fasteners.filter((f) => pieceInHole(state, f) !== undefined),
    ...way.connectors.filter((c) => isOn(state, c)),
    ...way.bonds.filter((b) => isWhole(state, b)),
    ...way.catches.filter((c) => isHooked(state, c)),
    ...way.needs.filter((n) => !movedTo(state, n.slot, n.pose)).map((n) => n.slot),
  ];
}

/** What a screw is: as measured or as it came from the spares box, and for the rest what its own hole takes. Undefined for no screw. */
export function screwSpec(
  state: JobState,
  index: IndexedModel,
  piece: string,
): { drive: string; thread: string; lengthMm: number; headMm: number; known: boolean } | undefined {
  const own = index.fasteners.get(holderOf(piece));
  const spec = state.spec[piece];
  return (
    own && {
      drive: spec?.drive ?? own.drive,
      thread: spec?.thread ?? own.thread,
      lengthMm: spec?.lengthMm ?? own.lengthMm,
      headMm: spec?.headMm ?? own.headMm,
      known: spec !== undefined,
    }
  );
}

/** The screws that belong to the outside of the closed device: those that hold its covers. */
export function outsideFasteners(index: IndexedModel): string[] {
  return index.model.fasteners
    .filter((f) => f.holds.some((s) => index.coverSlots.includes(s)))
    .map((f) => f.id);
}

/** Films that must come off: those of every new piece that has been fitted. */
export function filmsDue(
  state: JobState,
  index: IndexedModel,
): { id: string; slot: string; name: string; off: boolean }[] {
  return index.model.slots.flatMap((slot) => {
    const piece = pieceInSlot(state, slot.id);
    if (!piece || piece === originalPiece(slot.id)) return [];
    return slot.films.map((name, i) => {
      const id = `${piece}/${i}`;
      return { id, slot: slot.id, name, off: state.film[id] === 'off' };
    });
  });
}

/** Slots that hold another piece than the device came with. */
export function replacedSlots(state: JobState): string[] {
  return [
    ...new Set(
      Object.entries(state.place)
        .filter(([p, at]) => !p.endsWith('#1') && at === `slot/${holderOf(p)}`)
        .map(([p]) => holderOf(p)),
    ),
  ];
}
/** The charge of the device as it was seen last, at the bench or at the counter, percent; undefined where nobody has looked. */
export const chargeOf = (state: JobState): number | undefined =>
  flag(state, 'chargeSeen') ?? flag(state, 'phone')?.charge;
