import { needsBefore } from '../rules/interlocks';
import { coveredBy } from '../model/covers';
import type { Way } from '../model/schema';
import type { Setting } from './facts';
import type { Operation } from './way-out';

/** What is loose or away when the way back begins. */
export interface Loose {
  fasteners: string[];
  connectors: string[];
  bonds: string[];
  catches: string[];
  /** Poses to undo, with the way they were reached by (its needs bind the way back, too). */
  moves: { slot: string; way: Way }[];
}

/**
 * The operations of the way back and what must come before what: not merely the reverse.
 * What a piece covers is done before it goes back; its screws and connectors come after it; bonds are renewed before;
 * other connectors go on before the cell's; the install rules add their own.
 */
export function wayBack(
  s: Setting,
  loose: Loose,
): { ops: Operation[]; precedences: [string, string][]; cover: Operation | undefined } {
  const { index } = s;
  const ops: Operation[] = [];
  const covers = new Set(index.coverSlots);
  const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal')?.id;
  // the folded display (or else the back) is what closes the device: its own pose, catches and seal are planned as gates
  const folded = loose.moves.filter((m) => covers.has(m.slot) && m.way.to !== 'out');
  const shut = folded.find((m) => index.slots.get(m.slot)!.kind === 'display') ?? folded[0];
  const last: { slot: string; way?: Way } | undefined =
    shut ??
    loose.moves.find((m) => covers.has(m.slot)) ??
    (s.standing.openCover ? { slot: s.standing.openCover } : undefined);
  const foldedToo = (slot: string) => loose.moves.some((m) => m.slot === slot && m.way.to === 'folded');
  const groups = new Map<string, string[]>();
  for (const id of loose.fasteners) {
    const f = index.fasteners.get(id)!;
    if (f.holds.some((h) => covers.has(h))) continue;
    const key = `${f.holds[0]} ${f.drive} ${f.face} ${coveredBy(index, id).join()}`;
    groups.set(key, [...(groups.get(key) ?? []), id]);
  }
  for (const ids of groups.values()) {
    const f = index.fasteners.get(ids[0]!)!;
    ops.push({
      id: `in:${ids.join('+')}`,
      kind: 'fasteners',
      things: ids,
      slot: f.holds[0]!,
      tool: f.drive,
      face: f.face,
    });
  }
  for (const c of loose.connectors)
    ops.push({
      id: `on:${c}`,
      kind: 'connector',
      things: [c],
      slot: index.connectors.get(c)!.joins[0],
      tool: null,
      face: index.connectors.get(c)!.face,
    });
  for (const b of loose.bonds)
    if (b !== seal)
      ops.push({
        id: `renew:${b}`,
        kind: 'bond',
        things: [b],
        slot: index.bonds.get(b)!.holds[0]!,
        tool: null,
        face: index.bonds.get(b)!.face,
      });
  for (const m of loose.moves)
    if (m !== shut)
      ops.push({
        id: `fit:${m.slot}@${m.way.to}`,
        kind: 'move',
        things: [m.slot],
        slot: m.slot,
        way: m.way,
        tool: null,
        face: index.slots.get(m.slot)!.face,
      });

  const fits = (slot: string) => ops.filter((o) => o.kind === 'move' && o.slot === slot);
  // a new frame is first: all that sits in a frame goes into it
  const frame = ops.find((o) => o.kind === 'move' && index.slots.get(o.slot)!.kind === 'frame');
  /** A piece that only goes back to folded hides nothing yet. */
  const hides = (f: Operation) =>
    !(f.way!.to === 'out' && index.slots.get(f.slot)!.uncoversAt === 'folded' && foldedToo(f.slot));
  const out: [string, string][] = [];
  for (const o of ops) {
    const carrier = o.kind === 'connector' ? undefined : index.slots.get(o.slot)?.carrier;
    // what sits on an assembly is on it before the assembly goes in; its plugs come after
    if (carrier) for (const f of fits(carrier)) if (f.way!.to === 'out') out.push([o.id, f.id]);
    if (o.kind === 'connector')
      for (const j of index.connectors.get(o.things[0]!)!.joins) {
        const c = index.slots.get(j)?.carrier;
        if (c && !index.connectors.get(o.things[0]!)!.joins.includes(c))
          for (const f of fits(c)) if (f.way!.to === 'out') out.push([f.id, o.id]);
      }
    if (frame && o !== frame && !carrier) out.push([frame.id, o.id]);
    // a second cover closes the device from its other side: after the cell is on
    if (
      o.kind === 'move' &&
      covers.has(o.slot) &&
      o.slot !== shut?.slot &&
      !(o.way!.to === 'out' && foldedToo(o.slot)) &&
      index.cellConnector &&
      loose.connectors.includes(index.cellConnector)
    )
      out.push([`on:${index.cellConnector}`, o.id]);
    // what lies under a piece is done before the piece goes back
    for (const t of o.things)
      for (const c of coveredBy(index, t))
        for (const f of fits(c)) if (f !== o && hides(f)) out.push([o.id, f.id]);
    if (o.kind === 'fasteners')
      for (const h of index.fasteners.get(o.things[0]!)!.holds)
        for (const f of fits(h)) out.push([f.id, o.id]);
    if (o.kind === 'connector') {
      const c = o.things[0]!;
      // a plug goes on when both ends are there; a cover is plugged in while it is still folded open
      for (const j of index.connectors.get(c)!.joins)
        for (const f of fits(j)) if (f.way!.to !== 'folded') out.push([f.id, o.id]);
      for (const n of needsBefore(index, { type: 'connectorOn', connector: c }))
        if ('on' in n)
          for (const p of ops) if (p.kind === 'connector' && p.things[0] === n.on) out.push([p.id, o.id]);
    }
    if (o.kind === 'bond')
      for (const h of index.bonds.get(o.things[0]!)!.holds) for (const f of fits(h)) out.push([o.id, f.id]);
    if (o.kind === 'move') {
      for (const n of o.way!.needs) {
        // what was only folded for it is unfolded after it; a piece that came right out goes back as its own needs say
        const undone = fits(n.slot).filter((f) => f !== o);
        const same = undone.filter((f) => f.way!.to === n.pose);
        for (const f of same.length || n.slot === o.slot ? same : undone) out.push([o.id, f.id]);
      }
      const rule = index.slots.get(o.slot)!.install;
      for (const id of rule?.after ?? [])
        for (const p of ops)
          if (p.things.includes(id) && p !== o && (p.kind === 'move' || p.kind === 'connector'))
            out.push([p.id, o.id]);
      for (const id of rule?.under ?? []) for (const f of fits(id)) out.push([o.id, f.id]);
    }
  }
  const cover = last && {
    id: `close:${last.slot}`,
    kind: 'move' as const,
    things: [last.slot],
    slot: last.slot,
    ...(last.way ? { way: last.way } : {}),
    tool: null,
    face: index.slots.get(last.slot)!.face,
  };
  return { ops, precedences: out, cover };
}
