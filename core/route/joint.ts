import { isChip } from '../model/chips';
import { perimeterSeal } from '../model/seals';
import { badCell } from '../vocabulary/conditions';
import type { IndexedModel } from '../model/index-model';
import type { Way } from '../model/schema';
import type { Drive } from '../vocabulary/trade';
import { choicesUpTo, chooseWays, type WaysChoice, type WaysProblem } from './choose-ways';
import { holders, isLoose, type Setting, waysProblem } from './setting';
import type { OrderAnswer } from './order';
import type { Work } from './tasks';
import {
  type Chosen,
  type Costs,
  descendants,
  type Operation,
  operationsOf,
  order,
  orderProblem,
  precedencesOut,
  reached,
} from './way-out';
import { precedenceGraph } from './precedence-graph';
import { type Loose, wayBack } from './way-back';

/** A choice of ways with the operations of the whole job, in their parts between the gates, and their best order. */
export interface Candidate {
  choice: WaysChoice;
  chosen: Chosen[];
  /** The way out; moves on the loose assembly at the bench; the way back up to the cell, after it, and outside. */
  out: Operation[];
  bench: Operation[];
  first: Operation[];
  /** The display that closes the device hung on its plugs again: last, and once more after the rim. */
  hung: Operation[];
  /** Seals of covers that go on once the cell is plugged in for good: laid right before that. */
  seals: Operation[];
  second: Operation[];
  outside: Operation[];
  loose: Loose;
  cover: Operation | undefined;
  cellOn: Operation | undefined;
  precedences: [string, string][];
  order: OrderAnswer;
}
export interface Joint {
  best: Candidate;
  /** Ways and order together, minor units. */
  cost: number;
  lowerBound: number;
  optimal: boolean;
  problem: WaysProblem;
}
export interface JointOptions {
  budget: number;
  stop?: (() => boolean) | undefined;
}
/** So many choices are tried with their orders; more than that is said to be unproved. */
const mostChoices = 24;

/**
 * The choice of ways and the order of operations that are cheapest together: choices by rising cost, each with its
 * best order, until the next choice alone, with the least any order can cost, is no better than the best whole.
 */
export function planJointly(
  setting: Setting,
  work: Work,
  targets: string[],
  costs: Costs,
  options: JointOptions,
): Joint | { infeasible: string[] } {
  const problem = waysProblem(setting, targets);
  const cheapest = chooseWays(problem, options);
  if ('infeasible' in cheapest) return { infeasible: cheapest.because };
  let best = candidate(setting, work, cheapest, costs, options);
  let cost = cheapest.cost + best.order.cost;
  let bound = cheapest.lowerBound + best.order.lowerBound;
  let proved = cheapest.optimal;
  const open = problem.parts.some((p) => cheapest.ways[p.id] !== undefined && p.ways.length > 1);
  if (open && proved) {
    // an order costs at least nothing: a choice dearer than the best whole cannot be part of a better one
    const { choices, complete } = choicesUpTo(problem, cost, mostChoices, options);
    proved = complete;
    const last = choices[choices.length - 1];
    bound = complete || !last ? Number.POSITIVE_INFINITY : last.cost;
    for (const choice of choices) {
      if (choice.cost >= cost) break;
      const c = sameWays(choice, best.choice) ? best : candidate(setting, work, choice, costs, options);
      bound = Math.min(bound, choice.cost + c.order.lowerBound);
      if (choice.cost + c.order.cost < cost) {
        best = c;
        cost = choice.cost + c.order.cost;
      }
    }
  }
  bound = Math.min(bound, cost);
  return { best, cost, lowerBound: bound, optimal: proved && bound >= cost, problem };
}
const sameWays = (waysChoice: WaysChoice, b: WaysChoice) =>
  waysChoice.order.length === b.order.length &&
  waysChoice.order.every((p) => waysChoice.ways[p] === b.ways[p]);

/** What lies between the gates of a job, one part after the other. */
const segmentsOf = (
  parts: Pick<Candidate, 'out' | 'bench' | 'first' | 'hung' | 'seals' | 'second' | 'outside'>,
): Operation[][] => [
  parts.out,
  parts.bench,
  parts.first,
  parts.hung,
  parts.seals,
  parts.second,
  parts.outside,
];
/** The operations that one choice of ways comes to, out and back, in their best order. */
export function candidate(
  setting: Setting,
  work: Work,
  choice: WaysChoice,
  costs: Costs,
  options: JointOptions,
): Candidate {
  const parts = partsOf(setting, work, choice);
  const all = segmentsOf(parts).flat();
  return {
    ...parts,
    order: order(setting, all, parts.precedences, { tool: null, face: 'front' }, costs, options),
  };
}

/**
 * Whether the operations of a choice of ways can be put into an order at all.
 * @throws RangeError naming a circle
 */
export function candidateOrder(setting: Setting, work: Work, choice: WaysChoice): void {
  const parts = partsOf(setting, work, choice);
  const all = segmentsOf(parts).flat();
  precedenceGraph(
    orderProblem(all, parts.precedences, { tool: null, face: 'front' }, { change: 1, turn: 1 }),
  );
}

/** The operations of the whole job in their parts between the gates, and what must come before what. */
function partsOf(setting: Setting, work: Work, choice: WaysChoice): Omit<Candidate, 'order'> {
  const { index } = setting;
  const chosen: Chosen[] = [];
  const loosed: string[] = [];
  for (const fact of choice.order) {
    if (fact.startsWith('loose:')) {
      loosed.push(fact.slice(6));
      continue;
    }
    const [slot, pose] = fact.split('@') as [string, string];
    const way = index.slots.get(slot)!.ways.find((w) => w.id === choice.ways[fact] && w.to === pose);
    if (way) chosen.push({ slot, way });
  }
  const ops = operationsOf(setting, chosen, loosed);
  const urgent = badCell(setting.conditions) && index.cellSlot ? `move:${index.cellSlot}@out` : undefined;
  const before = precedencesOut(setting, ops, urgent);
  // what is moved over is worked on at the bench when the rest is out, but for what has to be loosed on the way
  const moved = new Set(ops.filter((o) => work.transfers.includes(o.slot)).map((o) => o.id));
  const onTheWay = moved.size
    ? reached(
        ops.filter((o) => !moved.has(o.id)).map((o) => o.id),
        before,
        1,
      )
    : new Set<string>();
  const out = ops.filter((o) => !moved.has(o.id) || onTheWay.has(o.id));
  const bench = ops.filter((o) => moved.has(o.id) && !onTheWay.has(o.id));

  const loose = looseAfter(setting, ops, chosen);
  const back = wayBack(setting, loose);
  const cellOn = back.ops.find(
    (o) => index.cellConnector !== undefined && o.id === `on:${index.cellConnector}`,
  );
  const underfill = underfillOf(index, back.ops);
  const overIt = new Set(underfill.flatMap((o) => [...descendants(o.id, back.precedences)]));
  const late = cellOn ? descendants(cellOn.id, back.precedences) : new Set<string>();
  // a seal that only such a piece lies on is laid when the rim's is, with the cell off: nothing is worked at over what is sticky
  const rim = perimeterSeal(index);
  const offAgain = setting.methods['cell-between'] === 'each' && rim && loose.bonds.includes(rim.id);
  // underfill holds a chip for good: it is dispensed when the device has been tried and is off again
  const triedFirst = offAgain && cellOn !== undefined && !overIt.has(cellOn.id);
  if (triedFirst) for (const id of overIt) late.add(id);
  const seals = offAgain
    ? back.ops.filter(
        (o) =>
          o.kind === 'bond' &&
          (isOnlyFor(o.id, late, back.precedences) || (triedFirst && underfill.includes(o))),
      )
    : [];
  const ready = back.ops.filter((o) => o !== cellOn && !late.has(o.id) && !seals.includes(o));
  const hung = hungLast(index, loose, ready, back.precedences);
  const first = ready.filter((o) => !hung.cover.includes(o) && !hung.over.includes(o));
  const second = back.ops.filter((o) => late.has(o.id) || hung.over.includes(o));
  const outside = outsideOperations(index, loose);
  const precedences = [
    ...before,
    ...back.precedences,
    ...between(segmentsOf({ out, bench, first, hung: hung.cover, seals, second, outside }), [
      ...before,
      ...back.precedences,
    ]),
  ];
  return {
    choice,
    chosen,
    out,
    bench,
    first,
    hung: hung.cover,
    seals,
    second,
    outside,
    loose,
    cover: back.cover,
    cellOn,
    precedences,
  };
}

/** Underfill of chips that are on their pads again. */
const underfillOf = (index: IndexedModel, ops: readonly Operation[]): Operation[] =>
  ops.filter((o) => o.kind === 'bond' && isChip(index, o.slot));
/** Whether some operation is needed before these, and before no other. */
function isOnlyFor(
  id: string,
  those: ReadonlySet<string>,
  precedences: readonly [string, string][],
): boolean {
  const after = precedences.flatMap(([a, b]) => (a === id ? [b] : []));
  return after.length > 0 && after.every((b) => those.has(b));
}
/**
 * What hangs the display on its plugs again, and what lies over those plugs: the display comes last, when all else is in, and its
 * brackets when it has been tried. Nothing where something else waits for them.
 */
function hungLast(
  index: IndexedModel,
  loose: Loose,
  ops: readonly Operation[],
  precedences: [string, string][],
): { cover: Operation[]; over: Operation[] } {
  const none = { cover: [], over: [] };
  const off = loose.moves.find(
    (m) =>
      m.way.to === 'out' && index.slots.get(m.slot)!.kind === 'display' && index.coverSlots.includes(m.slot),
  );
  if (!off) return none;
  const cover = ops.filter(
    (o) =>
      (o.kind === 'move' && o.slot === off.slot) ||
      (o.kind === 'connector' && off.way.connectors.includes(o.things[0]!)),
  );
  const after = reached(
    cover.map((o) => o.id),
    precedences,
    0,
  );
  const over = ops.filter((o) => !cover.includes(o) && after.has(o.id));
  const waits = over.some((o) => o.kind === 'connector' || o.kind === 'bond');
  return !cover.some((o) => o.kind === 'move') || waits ? none : { cover, over };
}
/** What comes after a gate comes after everything before it: the last of each part before the first of the next. */
function between(segments: Operation[][], precedences: [string, string][]): [string, string][] {
  const out: [string, string][] = [];
  const parts = segments.filter((x) => x.length);
  for (let k = 1; k < parts.length; k++) {
    const [a, b] = [new Set(parts[k - 1]!.map((o) => o.id)), new Set(parts[k]!.map((o) => o.id))];
    const goesOn = new Set(precedences.filter(([x, y]) => a.has(x) && a.has(y)).map(([x]) => x));
    const hasBefore = new Set(precedences.filter(([x, y]) => b.has(x) && b.has(y)).map(([, y]) => y));
    const ends = [...a].filter((id) => !goesOn.has(id));
    const starts = [...b].filter((id) => !hasBefore.has(id));
    for (const x of ends) for (const y of starts) out.push([x, y]);
  }
  return out;
}

/** The screws of the closed device: by bit, after everything else. */
function outsideOperations(index: IndexedModel, loose: Loose): Operation[] {
  const groups = new Map<string, string[]>();
  for (const id of loose.fasteners) {
    const fastener = index.fasteners.get(id)!;
    if (!fastener.holds.some((h) => index.coverSlots.includes(h))) continue;
    const key = `${fastener.drive} ${fastener.face}`;
    groups.set(key, [...(groups.get(key) ?? []), id]);
  }
  return [...groups.values()].map((things) => {
    const f = index.fasteners.get(things[0]!)!;
    return {
      id: `in:${things.join('+')}`,
      kind: 'fasteners',
      things,
      slot: f.holds[0]!,
      tool: f.drive as Drive,
      face: f.face,
    };
  });
}

/** What will be loose when the way out is done: what stands loose now and what the route looses. */
function looseAfter(setting: Setting, ops: Operation[], chosen: Chosen[]): Loose {
  const { standing } = setting;
  const things = (kind: Operation['kind']) => ops.filter((o) => o.kind === kind).flatMap((o) => o.things);
  const moves: { slot: string; way: Way }[] = [];
  const add = (slot: string, way: Way | undefined) => {
    if (!way || moves.some((m) => m.slot === slot && m.way.to === way.to)) return;
    moves.push({ slot, way });
  };
  for (const m of standing.moved) add(m.slot, wayTaken(setting, m.slot, m.pose));
  for (const c of chosen) add(c.slot, c.way);
  // what is out was folded first where what it needed says so, however far behind
  for (const m of [...moves]) if (m.way.to === 'out') add(m.slot, foldedFirst(setting, m.slot, m.way));
  const uniq = (list: string[]) => [...new Set(list)];
  return {
    fasteners: uniq([...standing.fastenersOut, ...things('fasteners')]),
    connectors: uniq([...standing.connectorsOff, ...things('connector')]),
    bonds: uniq([...standing.bondsOpen, ...things('bond')]),
    catches: uniq([...standing.catchesFree, ...things('catches')]),
    moves,
  };
}

/** The way by which a piece most likely came to where it is: one whose holders are all loose, else the first to that pose. */
function wayTaken(setting: Setting, slot: string, pose: string): Way | undefined {
  const ways = setting.index.slots.get(slot)?.ways ?? [];
  const there = ways.filter((w) => w.to === pose);
  return there.find((w) => holders(w).every((id) => isLoose(setting, id))) ?? there[0] ?? ways[0];
}

/** The way to `folded` that a piece passed on its way out: its own way asks for it, or that of something that way asks for. */
function foldedFirst(setting: Setting, slot: string, way: Way): Way | undefined {
  const seen = new Set<Way>([way]);
  for (const w of seen)
    for (const need of w.needs) {
      if (need.slot === slot && need.pose === 'folded')
        return setting.index.slots.get(slot)!.ways.find((x) => x.to === 'folded');
      for (const x of setting.index.slots.get(need.slot)?.ways ?? []) if (x.to === need.pose) seen.add(x);
    }
  return undefined;
}
