import type { HeatOfStations } from '../heat/planned-soak';
import type { Body } from '../log/events';
import { needsBefore } from '../rules/interlocks';
import { coveredBy } from '../model/covers';
import { isChip } from '../model/chips';
import type { IndexedModel } from '../model/index-model';
import type { Bond, Way } from '../model/schema';
import type { Remedies } from '../pairing/effects';
import { generalItems } from '../methods/catalogue';
import type { WaysProblem } from './choose-ways';
import { allows, type Circumstances, releaseFor } from './release';
import { expected, handsS, inSeconds, money, plus } from './times';
import type { Glues } from '../seal/glue';
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
  /** How the workshop's heat sources are set. */
  heat?: HeatOfStations | undefined;
  /** There is no plate for this model: its seals are pressed by hand. */
  noPlate?: boolean | undefined;
  /** The sheets of its glues. */
  glues?: Glues | undefined;
}
export const poseFact = (slot: string, pose: string) => `${slot}@${pose}`;
/** The part that stands for one thing loosed for its own sake. */
export const looseFact = (id: string) => `loose:${id}`;

export const isLoose = (setting: Setting, id: string) =>
  setting.standing.fastenersOut.includes(id) ||
  setting.standing.connectorsOff.includes(id) ||
  setting.standing.bondsOpen.includes(id) ||
  setting.standing.catchesFree.includes(id);
export const isMoved = (setting: Setting, slot: string, pose: string) =>
  setting.standing.moved.some((m) => m.slot === slot && (m.pose === pose || m.pose === 'out'));

/** The slots that must be away before a thing can be reached, as facts. */
export const reachFacts = (setting: Setting, id: string) =>
  coveredBy(setting.index, id).map((c) => poseFact(c, setting.index.slots.get(c)!.uncoversAt));

/** What the interlocks want loosed before something may be done: a connector moved, a chip warmed. */
const interlockFacts = (setting: Setting, body: Body): string[] =>
  needsBefore(setting.index, body).flatMap((need) => ('off' in need ? [looseFact(need.off)] : []));
const connectorFacts = (setting: Setting, connector: string): string[] =>
  interlockFacts(setting, { type: 'connectorOff', connector });

export const holders = (w: Way) => [...w.fasteners, ...w.connectors, ...w.bonds, ...w.catches];

/** Everything that one way needs moved before its gesture, with what hides its holders and what the interlocks ask. */
function needsOfWay(setting: Setting, slot: string, way: Way): string[] {
  const needs = new Set(way.needs.map((n) => poseFact(n.slot, n.pose)));
  const own = setting.index.slots.get(slot)!;
  // a frame leaves when everything that sits in it is out, but for what comes with the new one
  const stays = own.kind === 'frame' ? own.arrivesWith : [];
  if (own.kind === 'frame')
    for (const o of setting.index.model.slots)
      if (o.id !== slot && !o.carrier && !stays.includes(o.id)) needs.add(poseFact(o.id, 'out'));
  for (const c of reachFacts(setting, slot)) if (!stays.includes(c.split('@')[0]!)) needs.add(c);
  for (const id of holders(way))
    if (!isLoose(setting, id)) for (const c of reachFacts(setting, id)) needs.add(c);
  for (const connector of way.connectors)
    if (!isLoose(setting, connector)) for (const f of connectorFacts(setting, connector)) needs.add(f);
  for (const bond of way.bonds)
    if (!isLoose(setting, bond))
      for (const f of interlockFacts(setting, { type: 'bondReleased', bond, torn: false })) needs.add(f);
  // hot air in the device itself: the cell is out of it, not only off its plug (common practice)
  if (isChip(setting.index, slot) && setting.index.cellSlot)
    needs.add(poseFact(setting.index.cellSlot, 'out'));
  needs.delete(poseFact(slot, way.to));
  return [...needs].filter((f) => !isTrue(setting, f));
}
function isTrue(setting: Setting, fact: string): boolean {
  if (fact.startsWith('loose:')) return isLoose(setting, fact.slice(6));
  const [slot, pose] = fact.split('@') as [string, string];
  return isMoved(setting, slot, pose);
}

/** Seconds of hands for loosing one thing. */
export function looseSeconds(setting: Setting, id: string) {
  if (setting.index.fasteners.has(id)) return handsS.unscrew;
  if (setting.index.connectors.has(id)) return handsS.disconnect;
  if (setting.index.catches.has(id)) return handsS.unhook;
  const plan = releaseFor(setting, setting.index.bonds.get(id)!);
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
/** Chance times cost of each, together; minor units. */
export const riskCost = (risks: readonly { chance: number; cost: number }[]) =>
  risks.reduce((c, r) => c + Math.round(r.chance * r.cost), 0);
/** What it costs to break a bond beside the time: what renews it, and the chance of breaking something. */
export const bondRisks = (setting: Setting, id: string): Way['risks'] => {
  const bond = setting.index.bonds.get(id);
  return bond ? (releaseFor(setting, bond)?.release.risks ?? []) : [];
};
export const bondRisk = (s: Setting, id: string) => riskCost(bondRisks(s, id));
/** What lays a bond anew: its own consumables, or tape where that is the house method. */
export const renewalOf = (circumstances: Circumstances, bond: Bond) =>
  bond.kind === 'stretch-strip' && circumstances.methods['cell-bond'] === 'tape' && bond.orTape.length
    ? bond.orTape
    : bond.renewedBy;
/** The new piece that brings a seal fitted, where one does: it was chosen so, or seen. */
export const bringsSeal = (setting: Setting, bond: Bond, replaced: readonly string[]): string | undefined =>
  bond.holds.find(
    (h) =>
      // laid already, it is laid anew only after it has been opened
      !setting.standing.bondsRenewed.includes(bond.id) &&
      setting.index.slots.get(h)!.arrivesWith.includes(bond.id) &&
      (replaced.includes(h) || setting.standing.done.includes(h)),
  );
/** Chance times price of one way. */
export const wayRisk = (w: Way) => riskCost(w.risks);
/** The ways to a pose that are open here: by guard, by what can be released, by the method for deep parts, or the one insisted on. */
export function waysTo(setting: Setting, slot: string, pose: string): Way[] {
  const open = setting.index.slots
    .get(slot)!
    .ways.filter(
      (way) =>
        way.to === pose &&
        allows(setting, way.guard) &&
        way.bonds.every((b) => isLoose(setting, b) || releaseFor(setting, setting.index.bonds.get(b)!)),
    );
  const forced = open.filter((w) => w.id === setting.force[poseFact(slot, pose)]);
  if (forced.length) return forced;
  const shifts = (w: Way) => w.needs.some((n) => n.pose === 'shifted');
  const method = setting.methods['deep-part'];
  const preferred = method === 'cheaper' ? open : open.filter((w) => shifts(w) === (method === 'shift'));
  return preferred.length ? preferred : open;
}

/** The choice of ways for some targets as a ways problem: one currency, minor units of money. */
export function waysProblem(setting: Setting, targets: string[]): WaysProblem {
  const operations = new Map<string, number>();
  const op = (id: string) => {
    if (operations.has(id)) return;
    const bond = setting.index.bonds.get(id);
    operations.set(
      id,
      money(expected(looseSeconds(setting, id)), setting.hourlyRateMinor) +
        (bond ? itemCost(setting.index, renewalOf(setting, bond)) + bondRisk(setting, id) : 0),
    );
  };
  const parts: WaysProblem['parts'] = [];
  for (const slot of setting.index.model.slots) {
    const poses = new Set(slot.ways.map((w) => w.to));
    for (const pose of poses) {
      const ways = waysTo(setting, slot.id, pose).map((way) => {
        const ops = holders(way).filter((id) => !isLoose(setting, id));
        ops.forEach(op);
        return {
          id: way.id,
          needs: needsOfWay(setting, slot.id, way),
          operations: ops,
          cost:
            money(expected(inSeconds(way.minutes)), setting.hourlyRateMinor) +
            wayRisk(way) +
            itemCost(setting.index, way.consumables),
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
  for (const connector of setting.index.model.connectors) {
    op(connector.id);
    parts.push({
      id: looseFact(connector.id),
      ways: [
        {
          id: 'take-off',
          needs: [...reachFacts(setting, connector.id), ...connectorFacts(setting, connector.id)].filter(
            (f) => !isTrue(setting, f),
          ),
          operations: [connector.id],
          cost: 0,
        },
      ],
    });
  }
  return {
    parts,
    operations: [...operations].map(([id, cost]) => ({ id, cost })),
    targets: targets.filter((t) => !isTrue(setting, t)),
  };
}
