import { plugsOf } from '../checks/reseat';
import { isChip } from '../model/chips';
import { contentHash } from '../model/canonical-json';
import type { IndexedModel } from '../model/index-model';
import { withArrivals } from '../rules/manifest';
import { effectsOf } from '../pairing/effects';
import { assemble } from './assemble';
import { kitOf } from './kit';
import { choicesOf } from './choices';
import { choiceFrom, type Support, supportOf } from './support';
import {
  bondRisk,
  bondRisks,
  riskCost,
  looseFact,
  poseFact,
  reachFacts,
  type Setting,
  wayRisk,
  waysProblem,
} from './setting';
import { reworkRisks } from './identity-steps';
import { candidateOrder, planJointly } from './joint';
import { type Work, workOf } from './tasks';
import { expected, handsS, money, plus, times } from './times';
import type { RouteInput, RouteResult, Standing } from '../steps/route';
import type { Costs } from './way-out';

export interface PlanOptions {
  /** Nodes of each search. @default 50_000 */
  budget?: number;
  /** Asked now and then; true ends the searches with what they have. Wall time is the caller's. */
  stop?: (() => boolean) | undefined;
}

/**
 * The cheapest safe way out and back for some tasks on one device, from where it stands now: the choice of ways and the
 * order of operations searched together, then what gates, conditions and house methods put between them.
 * `optimal` is said only when both are proved; otherwise `searched - lowerBound` is the gap.
 * Deterministic: the same input gives the same route and the same hash (unless `stop` ends it early).
 */
export function planRoute(
  base: IndexedModel,
  modelHash: string,
  input: RouteInput,
  options: PlanOptions = {},
): RouteResult {
  const { budget = 50_000, stop } = options;
  const prepared = prepare(base, input);
  if ('unknown' in prepared)
    return { infeasible: true, because: [{ code: 'unknown slot', ids: prepared.unknown }] };
  const { index, s, work, targets } = prepared;
  const { methods, hourlyRateMinor, remedies } = input;
  const costs: Costs = {
    change: Math.max(1, money(expected(handsS.bitChange), hourlyRateMinor)),
    turn: Math.max(1, money(expected(handsS.turn), hourlyRateMinor)),
  };
  const joint = planJointly(s, work, targets, costs, { budget, stop });
  if ('infeasible' in joint)
    return { infeasible: true, because: [{ code: 'no way', ids: joint.infeasible }] };
  const { best } = joint;
  const steps = assemble(s, work, best);
  const { kit, consumables } = kitOf(index, steps);
  const { toolChanges, faceFlips } = best.order;
  const hands = steps.reduce(
    (t, d) => plus(t, d.handsS),
    plus(times(handsS.bitChange, toolChanges), times(handsS.turn, faceFlips)),
  );
  const wait = steps.reduce((t, d) => t + d.waitS + (d.restS ?? 0), 0);
  const bonds = best.out
    .concat(best.bench)
    .filter((o) => o.kind === 'bond')
    .flatMap((o) => o.things);
  const atTheMicroscope = steps
    .filter((d) => d.action === 'rework' || d.action === 'move chip')
    .flatMap((d) => reworkRisks(s, d.targets[0]!));
  const body = {
    modelHash,
    variant: input.variant,
    input,
    steps,
    kit,
    minutes: { hands: times(hands, 1 / 60), wait: wait / 60 },
    cost: {
      time: money(expected(hands), hourlyRateMinor),
      risk:
        best.chosen.reduce((c, { way }) => c + wayRisk(way), 0) +
        bonds.reduce((c, b) => c + bondRisk(s, b), 0) +
        riskCost(atTheMicroscope),
      consumables,
    },
    risks: [
      ...best.chosen.flatMap(({ way }) => way.risks),
      ...bonds.flatMap((b) => bondRisks(s, b)),
      ...atTheMicroscope,
    ],
    changes: toolChanges,
    turnings: faceFlips,
    splits: splitsOf(best.order.sequence, [...best.out, ...best.bench, ...best.first, ...best.second]),
    choices: choicesOf(s, work, joint, targets),
    searched: joint.cost,
    lowerBound: joint.lowerBound,
    optimal: joint.optimal,
    leastMoves: best.order.optimal
      ? toolChanges + faceFlips
      : Math.ceil(best.order.lowerBound / Math.max(costs.change, costs.turn)),
    effects: effectsOf(
      index,
      work.replaced.length
        ? work.replaced
        : input.tasks.filter((t) => t.action === 'replace').map((t) => t.slot),
      methods,
      remedies,
      input.system,
    ),
    checks: [...new Set(index.model.shortList)] as string[],
  };
  return { hash: contentHash(body), ...body };
}

/** What the planner is asked, in its own words: the setting, what the tasks come to, and the facts that must become true. */
function prepare(
  base: IndexedModel,
  input: RouteInput,
): { unknown: string[] } | { index: IndexedModel; s: Setting; work: Work; targets: string[] } {
  const index = withArrivals(base, input.arrives);
  const unknown = input.tasks.filter((t) => !index.slots.has(t.slot)).map((t) => t.slot);
  if (unknown.length) return { unknown };
  const { methods, conditions, hourlyRateMinor, stations, force, remedies, system, heat, glues } = input;
  const standing = withoutTrial(index, input.standing);
  const setting: Setting = {
    index,
    standing,
    methods,
    conditions,
    hourlyRateMinor,
    stations,
    force,
    remedies,
    system,
    heat,
    glues,
    noPlate: input.pressPlates && !input.pressPlates.includes(index.model.id),
  };
  const work = workOf(index, input);
  const cell = index.cellConnector;
  // nobody solders in a device whose board is live
  const off =
    cell && (work.visits.some((v) => v.act === 'rework') || chipMoves(setting, work))
      ? [looseFact(cell)]
      : [];
  // what is taken out for it needs that by itself
  const away =
    index.cellSlot && airInDevice(setting, work) && !work.replaced.includes(index.cellSlot)
      ? [poseFact(index.cellSlot, 'out')]
      : [];
  const targets = [...work.replaced, ...work.transfers]
    .map((slot) => poseFact(slot, 'out'))
    .concat(off, away, chipMoves(setting, work) ? chipInReach(setting) : [])
    .concat(
      work.visits.flatMap((v) =>
        v.act === 'reseat'
          ? atThePlugs(setting, v.slot)
          : v.out
            ? [poseFact(v.slot, 'out')]
            : inReach(setting, v.slot),
      ),
    );
  return { index, s: setting, work, targets: [...new Set(targets)] };
}

/**
 * Whether there is any way out and back for each of some tasks taken alone; no cost is compared, no order is searched.
 * @param inputs of one device as it came: they differ in their tasks only
 * @returns for each what stands against it in a few words, or undefined where there is a way
 */
export function findWays(index: IndexedModel, inputs: readonly RouteInput[]): (string | undefined)[] {
  let support: Support | undefined;
  return inputs.map((input) => {
    const prepared = prepare(index, input);
    if ('unknown' in prepared) return `there is no slot ${prepared.unknown.join(', ')}`;
    const { s, work, targets } = prepared;
    // what can be reached at all does not depend on what is asked for
    support ??= supportOf(waysProblem(s, []));
    const choice = choiceFrom(support, targets);
    if ('unreachable' in choice) return choice.unreachable.join(', ');
    try {
      candidateOrder(s, work, choice);
      return undefined;
    } catch (e) {
      if (!(e instanceof RangeError)) throw e;
      return e.message;
    }
  });
}

/** Whether an identity chip is to be moved to a new display, as the house method or the owner's choice has it. */
const chipMoves = (setting: Setting, work: Work): boolean =>
  setting.methods['display-data'] === 'chip' &&
  work.replaced.some(
    (r) =>
      setting.index.slots.get(r)!.kind === 'display' &&
      setting.index.model.pairing.some((p) => p.slot === r && p.store === 'chip'),
  );
/** Whether a chip that has a place of its own in the device is worked at where it is. */
const airInDevice = (setting: Setting, work: Work): boolean =>
  work.visits.some((v) => v.act === 'rework' && isChip(setting.index, v.slot)) ||
  (chipMoves(setting, work) && setting.index.model.slots.some((x) => isChip(setting.index, x.id)));
/** What lies over an identity chip that has a place of its own in the device. */
const chipInReach = (setting: Setting): string[] =>
  setting.index.model.slots.filter((x) => x.kind === 'chip').flatMap((x) => reachFacts(setting, x.id));

/** A device on which a part is being tried stands as it will when the trial is over: its plugs and the cell off. */
function withoutTrial(index: IndexedModel, standing: Standing): Standing {
  const { trial } = standing;
  if (!trial || !index.cellConnector) return standing;
  return {
    ...standing,
    connectorsOff: [...new Set([...standing.connectorsOff, ...trial.connectors, index.cellConnector])],
  };
}

/** What must be away, and the cell off, for the plugs of a piece to be pressed home. */
function atThePlugs(setting: Setting, slot: string): string[] {
  const cell = setting.index.cellConnector;
  return [
    ...(cell ? [looseFact(cell)] : []),
    ...plugsOf(setting.index, slot).flatMap((id) => reachFacts(setting, id)),
  ];
}

/** What must be away to see and touch a piece and its connectors. */
function inReach(setting: Setting, slot: string): string[] {
  const connectors = setting.index.model.connectors.filter((c) => c.joins.includes(slot)).map((c) => c.id);
  return [slot, ...connectors].flatMap((id) => reachFacts(setting, id));
}

/** Brackets whose screws are taken out, or put in, in more than one go with something else in between. */
function splitsOf(
  sequence: readonly string[],
  ops: readonly { id: string; kind: string; slot: string }[],
): number {
  const byId = new Map(ops.map((o) => [o.id, o]));
  const runs = new Map<string, number>();
  let last = '';
  for (const id of sequence) {
    const o = byId.get(id);
    if (!o) continue;
    const key = o.kind === 'fasteners' ? `${id.split(':')[0]} ${o.slot}` : '';
    if (key && key !== last) runs.set(key, (runs.get(key) ?? 0) + 1);
    last = key;
  }
  return [...runs.values()].filter((n) => n > 1).length;
}
