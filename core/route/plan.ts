import { contentHash } from '../model/canonical-json';
import type { IndexedModel } from '../model/index-model';
import type { Drive, Way } from '../model/schema';
import { effectsOf } from '../pairing/effects';
import { chooseWays } from './choose-ways';
import { poseFact, reachFacts, type Setting, waysProblem } from './facts';
import { checkStep, gateStep, merge, stepBack, stepsOut } from './steps';
import { around, expected, handsS, money, plus, times } from './times';
import type { Kit, Phase, RouteInput, RouteResult, Step } from './types';
import { ancestors, type Chosen, type Costs, type Operation, operationsOf, order, precedencesOut } from './way-out';
import { type Loose, wayBack } from './way-back';

type Draft = Omit<Step, 'id'>;

/**
 * The cheapest safe way out and back for some tasks on one device, from where it stands now.
 * Choice of ways, then the order of the way out, then the way back between its gates; each an exact search within
 * its node budget. `optimal` is said only when choice and orders are proved and no other choice exists.
 * Deterministic: the same input gives the same route and the same hash.
 */
export function planRoute(index: IndexedModel, modelHash: string, input: RouteInput, budget = 50_000): RouteResult {
  const unknown = input.tasks.filter((t) => !index.slots.has(t.slot)).map((t) => t.slot);
  if (unknown.length) return { infeasible: true, because: [{ code: 'unknown slot', ids: unknown }] };
  const s: Setting = { index, standing: input.standing, methods: input.methods, conditions: input.conditions, hourlyRateMinor: input.hourlyRateMinor };
  const open = input.tasks.filter((t) => !input.standing.done.includes(t.slot));
  const replaced = open.filter((t) => t.action === 'replace').map((t) => t.slot);

  // 1 choice
  const targets = open.flatMap((t) => (t.action === 'reach' || t.action === 'inspect' ? inReach(s, t.slot) : [poseFact(t.slot, 'out')]));
  const problem = waysProblem(s, [...new Set(targets)]);
  const choice = chooseWays(problem, { budget });
  if ('infeasible' in choice) return { infeasible: true, because: [{ code: 'no way', ids: choice.because }] };
  const chosen: Chosen[] = [];
  const loosed: string[] = [];
  for (const fact of choice.order) {
    if (fact.startsWith('loose:')) { loosed.push(fact.slice(6)); continue; }
    const [slot, pose] = fact.split('@') as [string, string];
    const way = index.slots.get(slot)!.ways.find((w) => w.id === choice.ways[fact] && w.to === pose);
    if (way) chosen.push({ slot, way });
  }
  const oneWay = choice.order.every((f) => (problem.parts.find((p) => p.id === f)?.ways.filter((w) => w.id !== 'by-out').length ?? 0) <= 1);

  // 2 order of the way out
  const costs: Costs = { change: Math.max(1, money(expected(handsS.bitChange), s.hourlyRateMinor)), turn: Math.max(1, money(expected(handsS.turn), s.hourlyRateMinor)) };
  const ops = operationsOf(s, chosen, loosed);
  const swollen = s.conditions.some((c) => c === 'swollen' || c === 'pierced') && index.cellSlot ? `move:${index.cellSlot}@out` : undefined;
  const before = precedencesOut(s, ops, swollen);

  // 3 way back
  const loose = looseAfter(s, ops, chosen);
  const back = wayBack(s, loose);
  const cellOn = index.cellConnector && loose.connectors.includes(index.cellConnector) ? `on:${index.cellConnector}` : undefined;
  const late = new Set(back.ops.filter((o) => cellOn && o.id !== cellOn && ancestors(o.id, back.precedences).has(cellOn)).map((o) => o.id));
  const first = back.ops.filter((o) => o.id !== cellOn && !late.has(o.id));
  const second = back.ops.filter((o) => late.has(o.id));

  const outside = outsideOperations(index, loose);

  // one order over the whole job, out and back: what comes after a gate comes after everything before it
  const segments = [ops, first, second, outside];
  const all = segments.flat();
  const gated = segments.flatMap((later, k) => (k ? segments.slice(0, k).flat().flatMap((a) => later.map((b): [string, string] => [a.id, b.id])) : []));
  const whole = order(s, all, [...before, ...back.precedences, ...gated], { tool: null, face: 'front' }, costs, budget);
  const byId = new Map(all.map((o) => [o.id, o]));
  const steps: Draft[] = [];
  const run = (list: Operation[], phase: (o: Operation) => Phase, make: (o: Operation) => Omit<Draft, 'phase'>[]) => {
    const mine = new Set(list.map((o) => o.id));
    for (const id of whole.sequence) {
      if (!mine.has(id)) continue;
      const o = byId.get(id)!;
      for (const d of make(o)) steps.push({ ...d, phase: phase(o) });
    }
  };

  const opened = whole.sequence.findIndex((id) => { const o = byId.get(id)!; return o.kind === 'move' && index.coverSlots.includes(o.slot); });
  const reasons = whys(index, ops, precedencesOut(s, ops, undefined).filter(([a]) => a !== cellOn), replaced);
  run(ops, (o) => (whole.sequence.indexOf(o.id) <= opened ? 'Open' : 'Strip'), (o) => stepsOut(s, o).map((d) => ({ ...d, why: reasons.get(o.id) ?? [] })));

  for (const slot of replaced) {
    if (!input.standing.aside.includes(slot)) steps.push({ ...gateStep('set aside', [slot], 'front', handsS.aside, { about: slot, cautions: index.slots.get(slot)!.kind === 'cell' ? ['swollen-container'] : [] }), phase: 'Swap' });
    const films = index.slots.get(slot)!.films;
    // the last film of a display comes off when the device is closed, by the film step there
    if (films.length && !index.coverSlots.includes(slot)) steps.push({ ...gateStep('film off', films.map((_, i) => `${slot}#2/${i}`), 'front', times(handsS.film, films.length), { about: slot }), phase: 'Swap' });
  }
  const folded = (slot: string) => loose.moves.some((m) => m.slot === slot && m.way.to === 'folded');
  const makeBack = (o: Operation) => [stepBack(s, o, replaced, folded(o.slot))];
  const phaseBack = (o: Operation): Phase => ((o.kind === 'bond' && o.slot !== '' && replaced.includes(o.slot)) || (o.kind === 'move' && replaced.includes(o.slot)) ? 'Swap' : 'Refit');
  run(first, phaseBack, makeBack);

  const rim = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
  // what stands now is worth nothing once the route opens the device again
  const again = ops.length > 0;
  const sealed = !again && input.standing.sealed;
  const midPassed = !again && input.standing.midPassed;
  const seal = rim && (loose.bonds.includes(rim.id) || (sealed && loose.moves.length > 0)) ? rim : undefined;
  const checkCount = index.model.shortList.length;
  const connectCell = (): Draft => ({ ...stepBack(s, back.ops.find((o) => o.id === cellOn)!, replaced, false), phase: 'Refit' });
  const anyOut = loose.moves.length > 0;
  if (anyOut && !midPassed) {
    if (cellOn) steps.push(connectCell());
    steps.push({ ...checkStep('mid', Math.ceil(checkCount / 2)), phase: 'Prove' });
    if (cellOn && seal && !sealed) steps.push({ ...gateStep('disconnect', [index.cellConnector!], 'front', handsS.disconnect, { about: index.cellSlot!, tools: ['spudger'], cautions: ['live-board'] }), phase: 'Refit' });
  }
  if (seal && !sealed) {
    if (again || !input.standing.rimClean) steps.push({ ...gateStep('clean rim', ['rim'], 'front', handsS.cleanRim, { tools: ['swabs', 'brush'].filter((t) => index.model.tools.some((x) => x.id === t)), cautions: ['solvent-away-from-heat', 'solvent-ventilate'] }), phase: 'Refit' });
    steps.push({ ...gateStep('apply seal', [seal.id], 'front', around(seal.renewS), { tools: ['roller'].filter((t) => index.model.tools.some((x) => x.id === t)), ...(seal.renewNote ? { note: seal.renewNote } : {}) }), phase: 'Refit' });
  }
  if (cellOn && ((seal && !sealed) || midPassed)) {
    steps.push(connectCell());
    steps.push({ ...checkStep('mid', 1), short: true, phase: 'Prove' });
  }
  run(second, () => 'Refit', makeBack);
  if (back.cover) {
    const films = replaced.filter((r) => index.coverSlots.includes(r)).flatMap((slot) => index.slots.get(slot)!.films.map((_, i) => `${slot}#2/${i}`));
    if (films.length) steps.push({ ...gateStep('film off', films, 'front', times(handsS.film, films.length), { about: back.cover.slot }), phase: 'Refit' });
    if (seal && (again || !input.standing.linerOff)) steps.push({ ...gateStep('liner off', [seal.id], 'front', handsS.liner), phase: 'Refit' });
    const note = index.slots.get(back.cover.slot)!.install?.note;
    steps.push({ ...gateStep('close', [back.cover.slot], back.cover.face, handsS.close, { about: back.cover.slot, ...(note ? { note } : {}) }), phase: 'Refit' });
  }
  run(outside, () => 'Refit', makeBack);
  steps.push({ ...checkStep('after', checkCount), phase: 'Prove' });

  const merged = merge(steps).map((d, i): Step => ({ id: `s${i + 1}`, ...d }));
  const kit = kitOf(s, merged, chosen, replaced);
  const hands = merged.reduce((t, d) => plus(t, d.handsS), plus(times(handsS.bitChange, whole.toolChanges), times(handsS.turn, whole.faceFlips)));
  const wait = merged.reduce((t, d) => t + d.waitS, 0);
  const body = {
    modelHash, variant: input.variant, input, steps: merged, kit,
    minutes: { hands: times(hands, 1 / 60), wait: wait / 60 },
    cost: {
      time: money(expected(hands), input.hourlyRateMinor),
      risk: chosen.reduce((c, { way }) => c + way.risks.reduce((r, x) => r + Math.round(x.chance * x.cost), 0), 0),
      consumables: kit.consumables.reduce((c, u) => c + Math.round(u.quantity * (index.model.items.find((i) => i.id === u.item)?.price ?? 0)), 0),
    },
    changes: whole.toolChanges, turnings: whole.faceFlips, lowerBound: whole.lowerBound, optimal: choice.optimal && oneWay && whole.optimal,
    effects: effectsOf(index, replaced.length ? replaced : input.tasks.filter((t) => t.action === 'replace').map((t) => t.slot)),
    checks: [...new Set(index.model.shortList)] as string[],
  };
  return { hash: contentHash(body), ...body };
}

/** What must be away to see and touch a piece and its connectors. */
function inReach(s: Setting, slot: string): string[] {
  const connectors = s.index.model.connectors.filter((c) => c.joins.includes(slot)).map((c) => c.id);
  return [slot, ...connectors].flatMap((id) => reachFacts(s, id));
}

/** The screws of the closed device: by bit, after everything else. */
function outsideOperations(index: IndexedModel, loose: Loose): Operation[] {
  const byDrive = new Map<Drive, string[]>();
  for (const id of loose.fasteners) {
    const f = index.fasteners.get(id)!;
    if (f.holds.some((h) => index.coverSlots.includes(h))) byDrive.set(f.drive, [...(byDrive.get(f.drive) ?? []), id]);
  }
  return [...byDrive].map(([tool, things]) => { const f = index.fasteners.get(things[0]!)!; return { id: `in:${things.join('+')}`, kind: 'fasteners', things, slot: f.holds[0]!, tool, face: f.face }; });
}

/** What will be loose when the way out is done: what stands loose now and what the route looses. */
function looseAfter(s: Setting, ops: Operation[], chosen: Chosen[]): Loose {
  const { standing, index } = s;
  const things = (kind: Operation['kind']) => ops.filter((o) => o.kind === kind).flatMap((o) => o.things);
  const moves: { slot: string; way: Way }[] = [];
  const add = (slot: string, way: Way | undefined) => {
    if (!way || moves.some((m) => m.slot === slot && m.way.to === way.to)) return;
    moves.push({ slot, way });
    // what is out was folded first where its way says so
    for (const n of way.needs) if (n.slot === slot) add(slot, index.slots.get(slot)!.ways.find((w) => w.to === n.pose));
  };
  for (const m of standing.moved) add(m.slot, index.slots.get(m.slot)?.ways.find((w) => w.to === m.pose) ?? index.slots.get(m.slot)?.ways[0]);
  for (const c of chosen) add(c.slot, c.way);
  return {
    fasteners: [...standing.fastenersOut, ...things('fasteners')],
    connectors: [...standing.connectorsOff, ...things('connector')],
    bonds: [...new Set([...standing.bondsOpen, ...things('bond')])],
    catches: [...standing.catchesFree, ...things('catches')],
    moves,
  };
}

/** For each operation what it makes possible, nearest first: its direct followers, as ids of things. */
function whys(index: IndexedModel, ops: Operation[], precedences: [string, string][], tasks: string[]): Map<string, string[]> {
  const byId = new Map(ops.map((o) => [o.id, o]));
  const out = new Map<string, string[]>();
  for (const o of ops) {
    const after = precedences.filter(([a]) => a === o.id).map(([, b]) => byId.get(b)!);
    const things = after.flatMap((a) => (a.kind === 'move' || a.kind === 'fasteners' || a.kind === 'catches' ? [a.slot] : a.things)).filter((t) => t !== o.slot || o.kind !== 'move');
    const unique = [...new Set(things)];
    // what leads straight to the task first, then what holds, then what merely waits
    unique.sort((x, y) => Number(tasks.includes(y)) - Number(tasks.includes(x)) || Number(y === index.cellConnector) - Number(x === index.cellConnector));
    out.set(o.id, unique.length ? unique : tasks.includes(o.slot) ? [o.slot] : tasks.slice(0, 1));
  }
  return out;
}

/** What to lay out: exactly what the steps use. */
function kitOf(s: Setting, steps: Step[], chosen: Chosen[], replaced: string[]): Kit {
  const { index } = s;
  const used = new Map<string, number>();
  const use = (list: readonly { item: string; quantity: number }[]) => { for (const u of list) used.set(u.item, (used.get(u.item) ?? 0) + u.quantity); };
  for (const st of steps) {
    if (st.action === 'renew' || st.action === 'apply seal') for (const t of st.targets) use(index.bonds.get(t)!.renewedBy);
    if (st.action === 'solvent' && index.model.items.some((i) => i.id === 'solvent')) use([{ item: 'solvent', quantity: 2 * st.targets.length }]);
  }
  for (const c of chosen) use(c.way.consumables);
  return {
    bits: [...new Set(steps.flatMap((st) => (st.bit ? [st.bit] : [])))],
    tools: [...new Set(steps.flatMap((st) => st.tools))],
    stations: [...new Set(steps.flatMap((st) => (st.station ? [st.station] : [])))],
    parts: replaced,
    consumables: [...used].map(([item, quantity]) => ({ item, quantity: Math.ceil(quantity * 100) / 100 })),
  };
}
