import type { IndexedModel } from '../model/index-model';
import type { Way } from '../model/schema';
import type { Drive, Face } from '../vocabulary/trade';
import { isChip } from '../model/chips';
import { coveredBy } from '../model/covers';
import { needsBefore } from '../rules/interlocks';
import { holders, isLoose, isMoved, type Setting } from './setting';
import { type OrderAnswer, orderOperations, type OrderProblem, type Prefer } from './order';

/** One operation of the order: loosing or fastening some things of one holder with one bit from one side, or moving a piece. */
export interface Operation {
  id: string;
  kind: 'fasteners' | 'connector' | 'bond' | 'catches' | 'move';
  things: string[];
  /** The slot that these hold, or that moves. */
  slot: string;
  way?: Way;
  tool: Drive | null;
  face: Face;
}
export interface Chosen {
  slot: string;
  way: Way;
}

/** What loosing and moving the chosen ways takes: screws of one bracket, bit and side together, the rest one by one. */
export function operationsOf(setting: Setting, chosen: Chosen[], loosed: string[]): Operation[] {
  const ops: Operation[] = [];
  const put = new Set<string>();
  for (const { slot, way } of chosen) {
    const groups = new Map<string, string[]>();
    for (const id of holders(way)) {
      if (isLoose(setting, id) || put.has(id)) continue;
      put.add(id);
      const fastener = setting.index.fasteners.get(id);
      if (fastener) {
        const key = `${fastener.drive} ${fastener.face} ${coveredBy(setting.index, id).join()}`;
        groups.set(key, [...(groups.get(key) ?? []), id]);
      }
    }
    for (const ids of groups.values()) {
      const f = setting.index.fasteners.get(ids[0]!)!;
      ops.push({
        id: `out:${ids.join('+')}`,
        kind: 'fasteners',
        things: ids,
        slot,
        tool: f.drive,
        face: f.face,
      });
    }
    const catches = way.catches.filter((c) => !isLoose(setting, c));
    if (catches.length)
      ops.push({
        id: `free:${catches.join('+')}`,
        kind: 'catches',
        things: catches,
        slot,
        tool: null,
        face: setting.index.catches.get(catches[0]!)!.face,
      });
    for (const bond of way.bonds)
      if (!isLoose(setting, bond))
        ops.push({
          id: `break:${bond}`,
          kind: 'bond',
          things: [bond],
          slot,
          tool: null,
          face: setting.index.bonds.get(bond)!.face,
        });
    for (const connector of way.connectors)
      if (!isLoose(setting, connector)) ops.push(connectorOp(setting.index, connector, slot));
    ops.push({
      id: `move:${slot}@${way.to}`,
      kind: 'move',
      things: [slot],
      slot,
      way,
      tool: null,
      face: setting.index.slots.get(slot)!.face,
    });
  }
  for (const c of loosed)
    if (!isLoose(setting, c) && !ops.some((o) => o.kind === 'connector' && o.things[0] === c))
      ops.push(connectorOp(setting.index, c, setting.index.connectors.get(c)!.joins[0]));
  const seen = new Set<string>();
  return ops.filter((o) => !seen.has(o.id) && seen.add(o.id));
}
const connectorOp = (index: IndexedModel, c: string, slot: string): Operation => ({
  id: `off:${c}`,
  kind: 'connector',
  things: [c],
  slot,
  tool: null,
  face: index.connectors.get(c)!.face,
});

/** Which operation must come before which on the way out. */
export function precedencesOut(
  setting: Setting,
  ops: Operation[],
  urgent: string | undefined,
): [string, string][] {
  // a pose that a piece has already waits for nothing: its way right out may come long after
  const moveOf = (slot: string, pose: string) =>
    isMoved(setting, slot, pose)
      ? undefined
      : (ops.find((o) => o.kind === 'move' && o.slot === slot && o.way!.to === pose) ??
        ops.find((o) => o.kind === 'move' && o.slot === slot && o.way!.to === 'out'));
  const offOf = new Map(ops.filter((o) => o.kind === 'connector').map((o) => [o.things[0]!, o.id]));
  const out: [string, string][] = [];
  for (const operation of ops) {
    const reach = new Set(operation.things.flatMap((id) => coveredBy(setting.index, id)));
    for (const c of reach) {
      const m = moveOf(c, setting.index.slots.get(c)!.uncoversAt);
      if (m && m !== operation) out.push([m.id, operation.id]);
    }
    if (operation.kind === 'move') {
      const held = new Set(holders(operation.way!));
      for (const p of ops)
        if (p.kind !== 'move' && p.things.some((t) => held.has(t))) out.push([p.id, operation.id]);
      for (const need of operation.way!.needs) {
        const m = moveOf(need.slot, need.pose);
        if (m && m !== operation) out.push([m.id, operation.id]);
      }
    }
    if (operation.kind === 'connector') {
      for (const n of needsBefore(setting.index, { type: 'connectorOff', connector: operation.things[0]! }))
        if ('off' in n && offOf.has(n.off)) out.push([offOf.get(n.off)!, operation.id]);
    }
    // outside screws before the seal is softened, the seal before the hooks
    if (operation.kind === 'bond' || operation.kind === 'catches')
      for (const p of ops)
        if (
          p.slot === operation.slot &&
          (p.kind === 'fasteners' || (operation.kind === 'catches' && p.kind === 'bond')) &&
          setting.index.coverSlots.includes(operation.slot)
        )
          out.push([p.id, operation.id]);
  }
  // a cover is warmed and cut on the closed device: not while another one hangs open
  for (const o of ops) {
    const bond = o.kind === 'bond' ? setting.index.bonds.get(o.things[0]!) : undefined;
    if (!bond || !setting.index.coverSlots.includes(o.slot)) continue;
    const needed = ancestors(o.id, out);
    for (const m of ops)
      if (
        m.kind === 'move' &&
        m.slot !== o.slot &&
        setting.index.coverSlots.includes(m.slot) &&
        !needed.has(m.id)
      )
        out.push([o.id, m.id]);
  }
  // hot air in the device: its cell is out of it before a chip is warmed
  const cellOut = ops.find(
    (o) => o.kind === 'move' && o.slot === setting.index.cellSlot && o.way!.to === 'out',
  );
  const warmed = ops.filter((o) => (o.kind === 'bond' || o.kind === 'move') && isChip(setting.index, o.slot));
  if (cellOut && warmed.length) {
    const needed = ancestors(cellOut.id, out);
    for (const o of warmed) if (!needed.has(o.id)) out.push([cellOut.id, o.id]);
  }
  // safety before cost: the cell is unplugged, and a bad cell taken out, as soon as the way there is free
  const cell = setting.index.cellConnector && offOf.get(setting.index.cellConnector);
  for (const first of [cell, urgent]) {
    if (!first || !ops.some((o) => o.id === first)) continue;
    const must = ancestors(first, out);
    for (const o of ops)
      if (o.id !== first && !must.has(o.id) && !out.some(([a, b]) => a === first && b === o.id))
        out.push([first, o.id]);
  }
  return out;
}

/** All that must come before an operation, directly or not. */
export const ancestors = (id: string, precedences: [string, string][]): Set<string> =>
  reached([id], precedences, 1);
/** All that must come after it. */
export const descendants = (id: string, precedences: [string, string][]): Set<string> =>
  reached([id], precedences, 0);
/** What is reached from some operations along the precedences, forwards (from = 0) or backwards (from = 1). */
export function reached(ids: readonly string[], precedences: [string, string][], from: 0 | 1): Set<string> {
  const next = new Map<string, string[]>();
  for (const precedence of precedences) {
    const list = next.get(precedence[from]);
    if (list) list.push(precedence[1 - from]!);
    else next.set(precedence[from], [precedence[1 - from]!]);
  }
  const out = new Set<string>();
  const stack = [...ids];
  while (stack.length)
    for (const to of next.get(stack.pop()!) ?? [])
      if (!out.has(to)) {
        out.add(to);
        stack.push(to);
      }
  return out;
}

/** Among ready operations: stay with the bracket in hand, move a piece as soon as it is free, else the nearest on the device. */
function preferNear(setting: Setting, ops: Operation[]): Prefer {
  const byId = new Map(ops.map((o) => [o.id, o]));
  const place = (operation: Operation) => {
    const at =
      setting.index.fasteners.get(operation.things[0]!)?.at ??
      setting.index.connectors.get(operation.things[0]!)?.at ??
      setting.index.catches.get(operation.things[0]!)?.at;
    if (at) return at;
    const shape =
      setting.index.slots.get(operation.things[0]!)?.shape ??
      setting.index.bonds.get(operation.things[0]!)!.shape;
    return { x: shape.x + shape.w / 2, y: shape.y + shape.h / 2 };
  };
  return (last, ready) => {
    const from = last ? byId.get(last) : undefined;
    const a = from && place(from);
    const score = (id: string) => {
      const operation = byId.get(id)!;
      const b = place(operation);
      return (
        (from && operation.slot === from.slot ? 0 : 1000) +
        (operation.kind === 'move' ? -500 : 0) +
        // what the bit in hand can fasten is fastened before anything else is laid
        (operation.id.startsWith('in:') ? -1500 : 0) +
        (a ? Math.hypot(a.x - b.x, a.y - b.y) : b.y)
      );
    };
    return ready.reduce((x, y) => (score(y) < score(x) ? y : x));
  };
}

/** It puts something back: a plug, a strip or a piece. */
const isOnTheWayBack = ({ id }: Operation) => /^(on|renew|fit):/.test(id);

/** An order of operations as the search takes it. */
export function orderProblem(
  ops: Operation[],
  precedences: [string, string][],
  start: { tool: string | null; face: Face },
  costs: Costs,
): OrderProblem {
  const known = new Set(ops.map((o) => o.id));
  return {
    startTool: start.tool,
    startFace: start.face,
    toolChangeCost: costs.change,
    faceFlipCost: costs.turn,
    operations: ops.map(({ id, tool, face }) => ({ id, tool, face })),
    precedences: precedences.filter(([a, b]) => a !== b && known.has(a) && known.has(b)),
  };
}
export interface Costs {
  change: number;
  turn: number;
}
export function order(
  setting: Setting,
  ops: Operation[],
  precedences: [string, string][],
  start: { tool: string | null; face: Face },
  costs: Costs,
  options: { budget: number; stop?: (() => boolean) | undefined },
): OrderAnswer {
  const bracketOf = new Map(
    ops.filter((o) => o.kind === 'fasteners').map((o) => [o.id, `${o.id.split(':')[0]} ${o.slot}`]),
  );
  const fastened = new Set(bracketOf.values());
  for (const o of ops)
    if (o.id.startsWith('fit:') && fastened.has(`in ${o.slot}`)) bracketOf.set(o.id, `in ${o.slot}`);
  // a bracket is laid when its first screw can follow; what sits on an assembly is moved over in one go at the bench
  const late = new Set(
    ops
      .filter((o) => o.tool === null && isOnTheWayBack(o) && !setting.index.slots.get(o.slot)?.carrier)
      .map((o) => o.id),
  );
  return orderOperations(orderProblem(ops, precedences, start, costs), {
    budget: options.budget,
    ...(options.stop ? { stop: options.stop } : {}),
    prefer: preferNear(setting, ops),
    groupOf: (id) => bracketOf.get(id),
    isLate: (id) => late.has(id),
  });
}
