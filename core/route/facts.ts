import type { Body } from '../job/events';
import { needsBefore } from '../job/interlocks';
import { coveredBy } from '../model/covers';
import type { IndexedModel } from '../model/index-model';
import type { Bond, Condition, ReleaseMeans, Way } from '../model/schema';
import type { WaysProblem } from './choose-ways';
import { expected, handsS, inSeconds, money, plus } from './times';
import type { Methods, Standing } from './types';

/**
 * The planner's facts, as ids: `display@folded` (a pose), `C3` (a screw out, a connector off, a bond broken, a catch free).
 * A part of the ways problem is a fact that has needs of its own: a pose, or the cell's connector being off.
 */
export interface Setting {
  index: IndexedModel;
  standing: Standing;
  methods: Methods;
  conditions: readonly Condition[];
  hourlyRateMinor: number;
}
export const poseFact = (slot: string, pose: string) => `${slot}@${pose}`;
/** The part that stands for one thing loosed for its own sake. */
export const looseFact = (id: string) => `loose:${id}`;

/** The means to release a bond: the first in the model's order that no interlock forbids in these conditions and that the method prefers. */
export function releaseFor(s: Setting, bond: Bond): Bond['release'][number] | undefined {
  const allowed = bond.release.filter((r) => r.by !== 'heat' || !forbidden(s, { type: 'heatStarted', station: r.station ?? '', forS: r.waitS }));
  const wanted: ReleaseMeans | undefined = bond.kind === 'perimeter-seal' ? s.methods.softening : undefined;
  return allowed.find((r) => r.by === wanted) ?? allowed[0];
}
function forbidden(s: Setting, body: Body): boolean {
  return needsBefore(s.index, body).some((n) => 'absent' in n && s.conditions.includes(n.absent));
}

export const isLoose = (s: Setting, id: string) =>
  s.standing.fastenersOut.includes(id) || s.standing.connectorsOff.includes(id) || s.standing.bondsOpen.includes(id) || s.standing.catchesFree.includes(id);
export const isMoved = (s: Setting, slot: string, pose: string) => s.standing.moved.some((m) => m.slot === slot && (m.pose === pose || m.pose === 'out'));

/** The slots that must be away before a thing can be reached, as facts. */
export const reachFacts = (s: Setting, id: string) => coveredBy(s.index, id).map((c) => poseFact(c, s.index.slots.get(c)!.uncoversAt));

/** What the interlocks want loosed before a connector may move. */
export function interlockFacts(s: Setting, connector: string): string[] {
  return needsBefore(s.index, { type: 'connectorOff', connector }).flatMap((n) => ('off' in n ? [looseFact(n.off)] : []));
}

export const holders = (w: Way) => [...w.fasteners, ...w.connectors, ...w.bonds, ...w.catches];

/** Everything that one way needs moved before its gesture, with what hides its holders and what the interlocks ask. */
export function needsOfWay(s: Setting, slot: string, way: Way): string[] {
  const needs = new Set(way.needs.map((n) => poseFact(n.slot, n.pose)));
  for (const c of reachFacts(s, slot)) needs.add(c);
  for (const id of holders(way)) if (!isLoose(s, id)) for (const c of reachFacts(s, id)) needs.add(c);
  for (const c of way.connectors) if (!isLoose(s, c)) for (const f of interlockFacts(s, c)) needs.add(f);
  needs.delete(poseFact(slot, way.to));
  return [...needs].filter((f) => !isTrue(s, f));
}
function isTrue(s: Setting, fact: string): boolean {
  if (fact.startsWith('loose:')) return isLoose(s, fact.slice(6));
  const [slot, pose] = fact.split('@') as [string, string];
  return isMoved(s, slot, pose);
}

/** Seconds of hands for loosing one thing. */
export function looseSeconds(s: Setting, id: string) {
  if (s.index.fasteners.has(id)) return handsS.unscrew;
  if (s.index.connectors.has(id)) return handsS.disconnect;
  if (s.index.catches.has(id)) return handsS.unhook;
  const r = releaseFor(s, s.index.bonds.get(id)!);
  const work = r ? { low: r.handsS * 0.6, likely: r.handsS, high: r.handsS * 2 } : handsS.solvent;
  return r?.by === 'heat' ? plus(work, handsS.heatStart) : r?.by === 'solvent' ? plus(work, handsS.solvent) : work;
}
const renewalCost = (s: Setting, bond: Bond) => bond.renewedBy.reduce((c, r) => c + Math.round((s.index.model.items.find((i) => i.id === r.item)?.price ?? 0) * r.quantity), 0);

/** The choice of ways for some targets as a ways problem: one currency, minor units of money. */
export function waysProblem(s: Setting, targets: string[]): WaysProblem {
  const operations = new Map<string, number>();
  const op = (id: string) => {
    if (operations.has(id)) return;
    const bond = s.index.bonds.get(id);
    operations.set(id, money(expected(looseSeconds(s, id)), s.hourlyRateMinor) + (bond ? renewalCost(s, bond) : 0));
  };
  const parts: WaysProblem['parts'] = [];
  for (const slot of s.index.model.slots) {
    const poses = new Set(slot.ways.map((w) => w.to));
    for (const pose of poses) {
      const ways = slot.ways
        .filter((w) => w.to === pose && w.bonds.every((b) => isLoose(s, b) || releaseFor(s, s.index.bonds.get(b)!)))
        .map((w) => {
          const ops = holders(w).filter((id) => !isLoose(s, id));
          ops.forEach(op);
          const risk = w.risks.reduce((c, r) => c + Math.round(r.chance * r.cost), 0);
          const used = w.consumables.reduce((c, u) => c + Math.round((s.index.model.items.find((i) => i.id === u.item)?.price ?? 0) * u.quantity), 0);
          return { id: w.id, needs: needsOfWay(s, slot.id, w), operations: ops, cost: money(expected(inSeconds(w.minutes)), s.hourlyRateMinor) + risk + used };
        });
      // out implies folded and shifted, at no cost
      if (pose !== 'out' && poses.has('out')) ways.push({ id: 'by-out', needs: [poseFact(slot.id, 'out')], operations: [], cost: 0 });
      parts.push({ id: poseFact(slot.id, pose), ways });
    }
    // a slot that covers something at a pose that it has no way to is uncovered when it is out
    if (poses.has('out') && !poses.has(slot.uncoversAt)) parts.push({ id: poseFact(slot.id, slot.uncoversAt), ways: [{ id: 'by-out', needs: [poseFact(slot.id, 'out')], operations: [], cost: 0 }] });
  }
  for (const c of s.index.model.connectors) {
    op(c.id);
    parts.push({ id: looseFact(c.id), ways: [{ id: 'take-off', needs: [...reachFacts(s, c.id), ...interlockFacts(s, c.id)].filter((f) => !isTrue(s, f)), operations: [c.id], cost: 0 }] });
  }
  return { parts, operations: [...operations].map(([id, cost]) => ({ id, cost })), targets: targets.filter((t) => !isTrue(s, t)) };
}
