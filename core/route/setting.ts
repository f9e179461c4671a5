import { needsBefore } from '../rules/interlocks';
import { coveredBy } from '../model/covers';
import type { IndexedModel } from '../model/index-model';
import type { Bond, Way } from '../model/schema';
import type { Remedies } from '../pairing/effects';
import { generalItems } from '../methods/catalogue';
import type { WaysProblem } from './choose-ways';
import { allows, type Circumstances, releaseFor } from './release';
import { expected, handsS, inSeconds, money, plus } from './times';
import type { Standing } from '../steps/route';

/**
 * The planner's facts, as ids: `display@folded` (a pose), `C3` (a screw out, a connector off, a bond broken, a catch free).
 * A part of the ways problem is a fact that has needs of its own: a pose, or the cell's connector being off.
 */
export interface Setting extends Circumstances {
  standing: Standing;
  hourlyRateMinor: number;
  /** Ways that the technician insists on, by pose. */
  force: Readonly<Record<string, string>>;
  remedies: Remedies;
  /** The device's system version; undefined while it is not known. */
  system?: string | undefined;
}
export const poseFact = (slot: string, pose: string) => `${slot}@${pose}`;
/** The part that stands for one thing loosed for its own sake. */
export const looseFact = (id: string) => `loose:${id}`;

export const isLoose = (s: Setting, id: string) =>
  s.standing.fastenersOut.includes(id) ||
  s.standing.connectorsOff.includes(id) ||
  s.standing.bondsOpen.includes(id) ||
  s.standing.catchesFree.includes(id);
export const isMoved = (s: Setting, slot: string, pose: string) =>
  s.standing.moved.some((m) => m.slot === slot && (m.pose === pose || m.pose === 'out'));

/** The slots that must be away before a thing can be reached, as facts. */
export const reachFacts = (s: Setting, id: string) =>
  coveredBy(s.index, id).map((c) => poseFact(c, s.index.slots.get(c)!.uncoversAt));

/** What the interlocks want loosed before a connector may move. */
export function interlockFacts(s: Setting, connector: string): string[] {
  return needsBefore(s.index, { type: 'connectorOff', connector }).flatMap((n) =>
    'off' in n ? [looseFact(n.off)] : [],
  );
}

export const holders = (w: Way) => [...w.fasteners, ...w.connectors, ...w.bonds, ...w.catches];

/** Everything that one way needs moved before its gesture, with what hides its holders and what the interlocks ask. */
export function needsOfWay(s: Setting, slot: string, way: Way): string[] {
  const needs = new Set(way.needs.map((n) => poseFact(n.slot, n.pose)));
  const own = s.index.slots.get(slot)!;
  // a frame leaves when everything that sits in it is out, but for what comes with the new one
  const stays = own.kind === 'frame' ? own.arrivesWith : [];
  if (own.kind === 'frame')
    for (const o of s.index.model.slots)
      if (o.id !== slot && !o.carrier && !stays.includes(o.id)) needs.add(poseFact(o.id, 'out'));
  for (const c of reachFacts(s, slot)) if (!stays.includes(c.split('@')[0]!)) needs.add(c);
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
  const plan = releaseFor(s, s.index.bonds.get(id)!);
  if (!plan) return handsS.solvent;
  const { handsS: hands, by } = plan.release;
  let work: { low: number; likely: number; high: number } = {
    low: hands * 0.6,
    likely: hands,
    high: hands * 2,
  };
  if (by === 'heat') work = plus(work, handsS.heatStart);
  if (by === 'solvent' || plan.follow) work = plus(work, handsS.solvent);
  return plan.follow ? plus(work, handsS.gap) : work;
}
const itemCost = (index: IndexedModel, used: readonly { item: string; quantity: number }[]) =>
  used.reduce((c, u) => c + Math.round(priceOf(index, u.item) * u.quantity), 0);
/** The price of an item: the model's own, else the catalogue's; minor units. */
export const priceOf = (index: IndexedModel, item: string) =>
  (index.model.items.find((i) => i.id === item) ?? generalItems.find((i) => i.id === item))?.price ?? 0;
const riskCost = (risks: readonly { chance: number; cost: number }[]) =>
  risks.reduce((c, r) => c + Math.round(r.chance * r.cost), 0);
/** What it costs to break a bond beside the time: what renews it, and the chance of breaking something. */
export const bondRisks = (s: Setting, id: string): Way['risks'] => {
  const b = s.index.bonds.get(id);
  return b ? (releaseFor(s, b)?.release.risks ?? []) : [];
};
export const bondRisk = (s: Setting, id: string) => riskCost(bondRisks(s, id));
/** What lays a bond anew: its own consumables, or tape where that is the house method. */
export const renewalOf = (s: Circumstances, bond: Bond) =>
  bond.kind === 'stretch-strip' && s.methods['cell-bond'] === 'tape' && bond.orTape.length
    ? bond.orTape
    : bond.renewedBy;
/** The new piece that brings a seal fitted, where one does: it was chosen so, or seen. */
export const bringsSeal = (s: Setting, bond: Bond, replaced: readonly string[]): string | undefined =>
  bond.holds.find(
    (h) =>
      // laid already, it is laid anew only after it has been opened
      !s.standing.bondsRenewed.includes(bond.id) &&
      s.index.slots.get(h)!.arrivesWith.includes(bond.id) &&
      (replaced.includes(h) || s.standing.done.includes(h)),
  );
/** Chance times price of one way. */
export const wayRisk = (w: Way) => riskCost(w.risks);
/** The ways to a pose that are open here: by guard, by what can be released, by the method for deep parts, or the one insisted on. */
export function waysTo(s: Setting, slot: string, pose: string): Way[] {
  const open = s.index.slots
    .get(slot)!
    .ways.filter(
      (w) =>
        w.to === pose &&
        allows(s, w.guard) &&
        w.bonds.every((b) => isLoose(s, b) || releaseFor(s, s.index.bonds.get(b)!)),
    );
  const forced = open.filter((w) => w.id === s.force[poseFact(slot, pose)]);
  if (forced.length) return forced;
  const shifts = (w: Way) => w.needs.some((n) => n.pose === 'shifted');
  const method = s.methods['deep-part'];
  const preferred = method === 'cheaper' ? open : open.filter((w) => shifts(w) === (method === 'shift'));
  return preferred.length ? preferred : open;
}

/** The choice of ways for some targets as a ways problem: one currency, minor units of money. */
export function waysProblem(s: Setting, targets: string[]): WaysProblem {
  const operations = new Map<string, number>();
  const op = (id: string) => {
    if (operations.has(id)) return;
    const bond = s.index.bonds.get(id);
    operations.set(
      id,
      money(expected(looseSeconds(s, id)), s.hourlyRateMinor) +
        (bond ? itemCost(s.index, renewalOf(s, bond)) + bondRisk(s, id) : 0),
    );
  };
  const parts: WaysProblem['parts'] = [];
  for (const slot of s.index.model.slots) {
    const poses = new Set(slot.ways.map((w) => w.to));
    for (const pose of poses) {
      const ways = waysTo(s, slot.id, pose).map((w) => {
        const ops = holders(w).filter((id) => !isLoose(s, id));
        ops.forEach(op);
        return {
          id: w.id,
          needs: needsOfWay(s, slot.id, w),
          operations: ops,
          cost:
            money(expected(inSeconds(w.minutes)), s.hourlyRateMinor) +
            wayRisk(w) +
            itemCost(s.index, w.consumables),
        };
      });
      // out implies folded and shifted, at no cost
      if (pose !== 'out' && poses.has('out'))
        ways.push({ id: 'by-out', needs: [poseFact(slot.id, 'out')], operations: [], cost: 0 });
      parts.push({ id: poseFact(slot.id, pose), ways });
    }
    // a pose that a slot has no way of its own to is reached when it is out
    if (poses.has('out'))
      for (const pose of ['folded', 'shifted'] as const)
        if (!poses.has(pose))
          parts.push({
            id: poseFact(slot.id, pose),
            ways: [{ id: 'by-out', needs: [poseFact(slot.id, 'out')], operations: [], cost: 0 }],
          });
  }
  for (const c of s.index.model.connectors) {
    op(c.id);
    parts.push({
      id: looseFact(c.id),
      ways: [
        {
          id: 'take-off',
          needs: [...reachFacts(s, c.id), ...interlockFacts(s, c.id)].filter((f) => !isTrue(s, f)),
          operations: [c.id],
          cost: 0,
        },
      ],
    });
  }
  return {
    parts,
    operations: [...operations].map(([id, cost]) => ({ id, cost })),
    targets: targets.filter((t) => !isTrue(s, t)),
  };
}
