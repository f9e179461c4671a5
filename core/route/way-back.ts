import { needsBefore } from '../rules/interlocks';
import { isChip } from '../model/chips';
import { coveredBy } from '../model/covers';
import type { IndexedModel } from '../model/index-model';
import type { Way } from '../model/schema';
import type { Setting } from './setting';
import type { Face } from '../vocabulary/trade';
import { type Operation, reached } from './way-out';

/** What is loose or away when the way back begins. */
export interface Loose {
  fasteners: string[];
  connectors: string[];
  bonds: string[];
  catches: string[];
  /** Poses to undo, with the way they were reached by (its needs bind the way back, too). */
  moves: { slot: string; way: Way }[];
}

/** A way back while it is planned: what is loose, what closes the device, and the operations. */
interface Back {
  setting: Setting;
  loose: Loose;
  ops: readonly Operation[];
  /** The move of the folded cover that closes the device: its own pose, catches and seal are planned as gates. */
  shut: Loose['moves'][number] | undefined;
  covers: ReadonlySet<string>;
}
type Pairs = [before: string, after: string][];

/**
 * The operations of the way back and what must come before what: not merely the reverse.
 * What a piece covers is done before it goes back; its screws and connectors come after it; bonds are renewed before;
 * other connectors go on before the cell's; the install rules add their own.
 */
export function wayBack(
  setting: Setting,
  loose: Loose,
): { ops: Operation[]; precedences: Pairs; cover: Operation | undefined } {
  const { index } = setting;
  const covers = new Set(index.coverSlots);
  // the folded display, or else the back, is what closes the device
  const folded = loose.moves.filter((m) => covers.has(m.slot) && m.way.to !== 'out');
  const shut = folded.find((m) => index.slots.get(m.slot)!.kind === 'display') ?? folded[0];
  const last: { slot: string; way?: Way } | undefined =
    shut ??
    loose.moves.find((m) => covers.has(m.slot)) ??
    (setting.standing.openCover ? { slot: setting.standing.openCover } : undefined);
  const ops = operationsBack(setting, loose, shut);
  const back: Back = { setting: setting, loose, ops, shut, covers };
  const precedences = ops.flatMap((o) => [...always(back, o), ...ofItsKind(back, o)]);
  for (const pair of [...ontoBeforeOver(back), ...heldBeforePlugged(back), ...chipsBeforeOptics(back)])
    if (!reached([pair[1]], precedences, 0).has(pair[0])) precedences.push(pair);
  const cover = last && {
    id: `close:${last.slot}`,
    kind: 'move' as const,
    things: [last.slot],
    slot: last.slot,
    ...(last.way ? { way: last.way } : {}),
    tool: null,
    face: index.slots.get(last.slot)!.face,
  };
  return { ops, precedences, cover };
}

/** Everything that is loose as an operation that undoes it; screws of one bracket, bit and side together. */
function operationsBack(setting: Setting, loose: Loose, shut: Back['shut']): Operation[] {
  const { index } = setting;
  const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal')?.id;
  const one = (id: string, kind: Operation['kind'], thing: string, slot: string, face: Face) => ({
    id,
    kind,
    things: [thing],
    slot,
    tool: null,
    face,
  });
  return [
    ...screwsBack(setting, loose),
    ...loose.connectors.map((id) => {
      const connector = index.connectors.get(id)!;
      return one(`on:${id}`, 'connector', id, connector.joins[0], connector.face);
    }),
    ...loose.bonds
      .filter((id) => id !== seal)
      .map((id) => {
        const bond = index.bonds.get(id)!;
        return one(`renew:${id}`, 'bond', id, bond.holds[0]!, bond.face);
      }),
    ...loose.moves
      .filter((m) => m !== shut)
      .map((m) => ({
        ...one(`fit:${m.slot}@${m.way.to}`, 'move', m.slot, m.slot, index.slots.get(m.slot)!.face),
        way: m.way,
      })),
  ];
}
function screwsBack({ index }: Setting, loose: Loose): Operation[] {
  const groups = new Map<string, string[]>();
  for (const id of loose.fasteners) {
    const fastener = index.fasteners.get(id)!;
    if (fastener.holds.some((h) => index.coverSlots.includes(h))) continue;
    const key = `${fastener.holds[0]} ${fastener.drive} ${fastener.face} ${coveredBy(index, id).join()}`;
    groups.set(key, [...(groups.get(key) ?? []), id]);
  }
  return [...groups.values()].map((ids) => {
    const f = index.fasteners.get(ids[0]!)!;
    return {
      id: `in:${ids.join('+')}`,
      kind: 'fasteners',
      things: ids,
      slot: f.holds[0]!,
      tool: f.drive,
      face: f.face,
    };
  });
}

/** The operations that fit a piece, one for each pose that it is brought back from. */
const fits = ({ ops }: Back, slot: string): Operation[] =>
  ops.filter((o) => o.kind === 'move' && o.slot === slot);
const fromOut = (back: Back, slot: string) => fits(back, slot).filter((f) => f.way!.to === 'out');
const isFoldedToo = ({ loose }: Back, slot: string): boolean =>
  loose.moves.some((m) => m.slot === slot && m.way.to === 'folded');
/** A piece that only goes back to folded hides nothing yet. */
const hides = (back: Back, operation: Operation): boolean =>
  !(
    operation.way!.to === 'out' &&
    back.setting.index.slots.get(operation.slot)!.uncoversAt === 'folded' &&
    isFoldedToo(back, operation.slot)
  );

/** What holds for an operation of any kind: its carrier, a new frame, the second cover, and what would hide it. */
function always(back: Back, operation: Operation): Pairs {
  const { ops, covers, loose, shut } = back;
  const { index } = back.setting;
  const out: Pairs = [];
  const carrier = operation.kind === 'connector' ? undefined : index.slots.get(operation.slot)?.carrier;
  // what sits on an assembly is on it before the assembly goes in; its plugs come after
  if (carrier) for (const f of fromOut(back, carrier)) out.push([operation.id, f.id]);
  if (operation.kind === 'connector') {
    const { joins } = index.connectors.get(operation.things[0]!)!;
    for (const j of joins) {
      const slot = index.slots.get(j)?.carrier;
      if (slot && !joins.includes(slot)) for (const f of fromOut(back, slot)) out.push([f.id, operation.id]);
    }
  }
  // a new frame is first: all that sits in a frame goes into it
  const frame = ops.find((p) => p.kind === 'move' && index.slots.get(p.slot)!.kind === 'frame');
  if (frame && operation !== frame && !carrier) out.push([frame.id, operation.id]);
  // a second cover closes the device from its other side: after the cell is on
  const second =
    operation.kind === 'move' &&
    covers.has(operation.slot) &&
    operation.slot !== shut?.slot &&
    !(operation.way!.to === 'out' && isFoldedToo(back, operation.slot));
  if (second && index.cellConnector && loose.connectors.includes(index.cellConnector))
    out.push([`on:${index.cellConnector}`, operation.id]);
  // what lies under a piece is done before the piece goes back
  for (const thing of operation.things)
    for (const c of coveredBy(index, thing))
      for (const f of fits(back, c)) if (f !== operation && hides(back, f)) out.push([operation.id, f.id]);
  return out;
}

/** What holds for screws, plugs, bonds and pieces, each in its own way. */
function ofItsKind(back: Back, operation: Operation): Pairs {
  const { index } = back.setting;
  const [thing] = operation.things;
  switch (operation.kind) {
    case 'fasteners':
      return index.fasteners
        .get(thing!)!
        .holds.flatMap((h) => fits(back, h).map((f): Pairs[0] => [f.id, operation.id]));
    case 'bond':
      return index.bonds.get(thing!)!.holds.flatMap((h) =>
        laidUnder(back, h).map((f): Pairs[0] =>
          // underfill runs under a chip that is on its pads
          isChip(index, h) ? [f.id, operation.id] : [operation.id, f.id],
        ),
      );
    case 'connector':
      return pluggedIn(back, operation);
    case 'move':
      return fittedAfter(back, operation);
    case 'catches':
      return [];
  }
}
/** What brings a piece onto its glue or seal: one that goes in folded first lies on nothing before it is unfolded. */
const laidUnder = (back: Back, slot: string) =>
  fits(back, slot).filter((f) => !(f.way!.to === 'out' && isFoldedToo(back, slot)));
/** What lies on a strip or glue goes onto it before that is covered by something else, wherever nothing wants it otherwise. */
const ontoBeforeOver = (back: Back): Pairs =>
  back.ops
    .filter((o) => o.kind === 'bond')
    .flatMap(({ things: [bond] }) => {
      const { index } = back.setting;
      const over = coveredBy(index, bond!)
        .flatMap((c) => fits(back, c))
        .filter((f) => hides(back, f));
      const onto = index.bonds.get(bond!)!.holds.flatMap((h) => laidUnder(back, h));
      return onto.flatMap((f) => over.filter((g) => g !== f).map((g): Pairs[0] => [f.id, g.id]));
    });
/** A board has its screws before a plug pulls at it, wherever nothing wants it otherwise. */
const heldBeforePlugged = ({ ops, setting: { index } }: Back): Pairs =>
  ops
    .filter((o) => o.kind === 'fasteners' && o.things.some((f) => holdsBoard(index, f)))
    .flatMap((screws) =>
      ops
        .filter((o) => o.kind === 'connector' && joinsBoard(index, o.things[0]!, screws.things))
        .map((plug): Pairs[0] => [screws.id, plug.id]),
    );
/** What bears no hot air beside it: it goes in when chips are on their pads, wherever nothing wants it otherwise. */
const spared: ReadonlySet<string> = new Set(['cell', 'camera', 'front-sensors']);
const chipsBeforeOptics = ({ ops, setting: { index } }: Back): Pairs =>
  ops
    .filter((o) => o.kind === 'move' && isChip(index, o.slot))
    .flatMap((chip) =>
      ops
        .filter((o) => o.kind === 'move' && spared.has(index.slots.get(o.slot)!.kind))
        .map((o): Pairs[0] => [chip.id, o.id]),
    );
const holdsBoard = (index: IndexedModel, fastener: string) =>
  index.fasteners.get(fastener)!.holds.some((h) => index.slots.get(h)?.kind === 'board');
const joinsBoard = (index: IndexedModel, plug: string, screws: readonly string[]) => {
  const { joins } = index.connectors.get(plug)!;
  return screws.some((f) =>
    index.fasteners.get(f)!.holds.some((h) => index.slots.get(h)?.kind === 'board' && joins.includes(h)),
  );
};
/** A plug goes on when both ends are there; a cover is plugged in while it is still folded open. */
function pluggedIn(back: Back, operation: Operation): Pairs {
  const { index } = back.setting;
  const connector = operation.things[0]!;
  const out: Pairs = [];
  for (const j of index.connectors.get(connector)!.joins)
    for (const f of fits(back, j)) if (f.way!.to !== 'folded') out.push([f.id, operation.id]);
  for (const need of needsBefore(index, { type: 'connectorOn', connector }))
    if ('on' in need)
      for (const p of back.ops)
        if (p.kind === 'connector' && p.things[0] === need.on) out.push([p.id, operation.id]);
  return out;
}
function fittedAfter(back: Back, operation: Operation): Pairs {
  const out: Pairs = [];
  for (const need of operation.way!.needs) {
    // what was only folded for it is unfolded after it; a piece that came right out goes back as its own needs say
    const undone = fits(back, need.slot).filter((f) => f !== operation);
    const same = undone.filter((f) => f.way!.to === need.pose);
    for (const f of same.length || need.slot === operation.slot ? same : undone)
      out.push([operation.id, f.id]);
  }
  const rule = back.setting.index.slots.get(operation.slot)!.install;
  for (const id of rule?.after ?? [])
    for (const p of back.ops)
      if (p.things.includes(id) && p !== operation && (p.kind === 'move' || p.kind === 'connector'))
        out.push([p.id, operation.id]);
  for (const id of rule?.under ?? []) for (const f of fits(back, id)) out.push([operation.id, f.id]);
  return out;
}
