import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { unaccounted } from '../rules/balance';
import { openState } from '../log/view';
import { coveredBy } from '../model/covers';
import { Bench } from '../testing/bench';
import { depth, sampled } from '../testing/depth';
import {
  atlas,
  dune3,
  indexed,
  mica9Wide,
  modelHash,
  replace,
  route,
  shippedModels,
  sprigModel,
} from '../testing/demo-models';
import { routeFaults } from '../testing/route-faults';
import { checkRoutes } from './check-routes';
import { poseFact, type Setting } from './setting';
import { candidate, planJointly } from './joint';
import { defaultMethods, methodRows, type Methods } from '../methods/methods';
import type { OrderProblem } from './order';
import { planRoute } from './plan';
import { routeInput } from './route-input';
import { workOf } from './tasks';
import type { Route } from '../steps/route';
import { orderProblem } from './way-out';

describe.each(shippedModels.map((m) => [`${m.maker} ${m.name}`, m] as const))('%s', (_n, model) => {
  test(
    'in every variant there is a way to replace every piece, and back',
    () => expect(checkRoutes(model)).toEqual([]),
    30_000,
  );
  test('every variant routes for every kind of task, and the job takes the whole of it without an override', () => {
    // of the large one every fifth piece, and the housing: each is hundreds of events
    const step = model.slots.length > 40 ? 5 : 1;
    for (const v of model.variants) {
      const index = indexed(model, v.id);
      const slots = index.model.slots.filter((s, i) => i % step === 0 || s.kind === 'frame');
      const salt = model.variants.indexOf(v);
      for (const [i, slot] of sampled([...slots.entries()], model.slots.length > 40 ? 4 : 3, salt)) {
        for (const action of [
          'replace',
          (['move', 'inspect', 'rework', 'reach'] as const)[i % 4]!,
        ] as const) {
          const tasks = [{ slot: slot.id, action }];
          const plan = route(model, { tasks }, v.id);
          expect(plan.optimal, `${slot.id} proved`).toBe(true);
          expect(routeFaults(index, plan), `${v.id} ${action} ${slot.id}`).toEqual([]);
          const bench = new Bench(index, plan).open({ tasks, variant: v.id }).finish();
          const what = `${v.id} ${action} ${slot.id}`;
          expect(
            bench.log.filter((e) => e.breach || e.body.type === 'overridden').map((e) => [e.body, e.breach]),
            what,
          ).toEqual([]);
          expect(unaccounted(bench.state, index), what).toEqual([]);
          expect(
            bench.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused,
            what,
          ).toBeUndefined();
          expect(bench.state.place[`${slot.id}#2`], what).toBe(
            action === 'replace' ? `slot/${slot.id}` : undefined,
          );
        }
      }
    }
  }, 60_000);
});
test('the large model is as large as a housing rebuild: 150 pieces and 120 fasteners at least', () => {
  expect(atlas.fasteners.length).toBeGreaterThanOrEqual(120);
  expect(atlas.fasteners.length + atlas.slots.length).toBeGreaterThanOrEqual(180);
});

/** What must hold for any route, checked against the model and not against the planner. */
function soundness(plan: Route, index: ReturnType<typeof indexed>): void {
  const away = new Set<string>();
  let hands: string | undefined;
  let changes = 0;
  for (const s of plan.steps) {
    if (s.bit && s.bit !== hands) {
      changes++;
      hands = s.bit;
    }
    if (s.phase === 'Open' || s.phase === 'Strip') {
      if (['unscrew', 'disconnect', 'release', 'unhook', 'move'].includes(s.action))
        for (const t of s.targets)
          for (const c of coveredBy(index, t)) expect(away, `${s.id}: ${t} is under ${c}`).toContain(c);
      if (s.action === 'move') away.add(s.targets[0]!);
    }
  }
  expect(changes).toBe(plan.changes);
  // the kit is exactly what the steps use
  const used = new Map<string, number>();
  for (const u of plan.steps.flatMap((s) => s.uses ?? []))
    used.set(u.item, (used.get(u.item) ?? 0) + u.quantity);
  expect(plan.kit.consumables.map((c) => c.item).sort()).toEqual([...used.keys()].sort());
  for (const c of plan.kit.consumables) expect(c.quantity).toBeCloseTo(used.get(c.item)!, 1);
  expect(new Set(plan.kit.tools)).toEqual(new Set(plan.steps.flatMap((s) => s.tools)));
  expect(new Set(plan.kit.bits)).toEqual(new Set(plan.steps.flatMap((s) => s.bit ?? [])));
  expect(routeFaults(index, plan)).toEqual([]);
  expect(plan.lowerBound).toBeLessThanOrEqual(plan.searched);
  expect(plan.optimal).toBe(plan.lowerBound === plan.searched);
  const out = new Set(plan.steps.filter((s) => s.action === 'unscrew').flatMap((s) => s.targets));
  const back = new Set(plan.steps.filter((s) => s.action === 'fasten').flatMap((s) => s.targets));
  expect(back).toEqual(out);
}
const small = shippedModels.filter((m) => m.id !== 'atlas');
const methods: fc.Arbitrary<Methods> = fc.record(
  Object.fromEntries(methodRows.map((r) => [r.id, fc.constantFrom(...r.options.map((o) => o.id))])),
) as never;
const asked = fc.constantFrom(...small).chain((m) =>
  fc.record({
    model: fc.constant(m),
    variant: fc.constantFrom(...m.variants.map((v) => v.id)),
    methods,
    tasks: fc.uniqueArray(
      fc.record({
        slot: fc.constantFrom(...m.slots.map((s) => s.id)),
        action: fc.constantFrom('replace', 'inspect', 'reach', 'move', 'rework'),
      }),
      { minLength: 1, maxLength: 3, selector: (t) => t.slot },
    ),
    conditions: fc.uniqueArray(
      fc.constantFrom('swollen', 'bent', 'shattered', 'stuck on', 'back glass missing', 'earlier repair'),
      { maxLength: 2 },
    ),
  }),
);
test('any tasks, methods and conditions on any device: the route is sound, and the job accepts it to the end', () => {
  fc.assert(
    fc.property(asked, ({ model, variant, methods: m, tasks, conditions }) => {
      const index = indexed(model, variant);
      const here = tasks.filter((t) => index.slots.has(t.slot));
      fc.pre(here.length > 0);
      const plan = planRoute(
        index,
        'h',
        routeInput({
          model: model.id,
          variant,
          methods: m,
          tasks: here as never,
          conditions: conditions as never,
        }),
      );
      if ('infeasible' in plan) {
        expect(conditions).toContain('swollen');
        return;
      }
      soundness(plan, index);
      const bench = new Bench(index, plan).open({ tasks: here as never, variant });
      for (const c of conditions) bench.do({ type: 'conditionSet', condition: c as never, because: 'seen' });
      bench.finish();
      expect(bench.log.filter((e) => e.breach).map((e) => [e.body, e.breach])).toEqual([]);
      expect(unaccounted(bench.state, index)).toEqual([]);
      expect(openState(bench.state, index)).not.toBe('open');
    }),
    { numRuns: depth(30, 60), seed: 20261125 },
  );
}, 60_000);
test('insisting on shifting where a variant cannot shift still leads there, by the board coming out', () => {
  const r = route(
    mica9Wide,
    { ...replace('ear-speaker'), methods: { ...defaultMethods, 'deep-part': 'shift' } },
    'southern',
  );
  expect(r.steps.some((s) => s.action === 'move' && s.targets[0] === 'board' && s.pose === 'out')).toBe(true);
});

/** Uniform-cost search over every order there is, with nothing clever in it: the oracle for orders. */
function leastOrder(p: OrderProblem): number {
  const before = new Map(
    p.operations.map((o) => [o.id, p.precedences.filter(([, b]) => b === o.id).map(([a]) => a)]),
  );
  const seen = new Map<string, number>();
  let frontier = new Map<string, { done: Set<string>; tool: string | null; face: string; cost: number }>([
    ['', { done: new Set(), tool: p.startTool, face: p.startFace, cost: 0 }],
  ]);
  // operations are done one by one; of equal sets the cheaper stays
  for (let k = 0; k < p.operations.length; k++) {
    const next: typeof frontier = new Map();
    for (const at of frontier.values())
      for (const o of p.operations) {
        if (at.done.has(o.id) || !before.get(o.id)!.every((b) => at.done.has(b))) continue;
        const cost =
          at.cost +
          (o.face !== at.face ? p.faceFlipCost : 0) +
          (o.tool !== null && o.tool !== at.tool ? p.toolChangeCost : 0);
        const done = new Set(at.done).add(o.id);
        const key = `${o.tool ?? at.tool} ${o.face} ${[...done].sort().join()}`;
        if ((seen.get(key) ?? Number.POSITIVE_INFINITY) <= cost) continue;
        seen.set(key, cost);
        next.set(key, { done, tool: o.tool ?? at.tool, face: o.face, cost });
      }
    frontier = next;
  }
  return Math.min(...[...frontier.values()].map((x) => x.cost));
}
describe('no choice of ways and no order together beat the answer', () => {
  const costs = { change: 10, turn: 8 };
  const cases = [
    ['Sprig, port', sprigModel, 'standard', ['port']],
    ['Sprig, all', sprigModel, 'standard', ['port', 'board', 'cell', 'loudspeaker']],
  ] as const;
  test.each(cases)(
    '%s: the order against a search over all orders',
    (_n, model, variant, slots) => {
      const index = indexed(model, variant);
      const input = routeInput({ model: model.id, variant, ...replace(...slots) });
      const s: Setting = { index, ...input };
      const work = workOf(index, input);
      const joint = planJointly(
        s,
        work,
        work.replaced.map((x) => poseFact(x, 'out')),
        costs,
        { budget: 50_000 },
      );
      if ('infeasible' in joint) throw new Error('no way');
      const c = candidate(s, work, joint.best.choice, costs, { budget: 50_000 });
      const p = orderProblem(
        [...c.out, ...c.bench, ...c.first, ...c.second, ...c.outside],
        c.precedences,
        { tool: null, face: 'front' },
        costs,
      );
      expect(c.order.cost).toBe(leastOrder(p));
      expect(joint.optimal).toBe(true);
    },
    30_000,
  );
  test.each([
    ['Mica 9 Wide, ear speaker', mica9Wide, 'ear-speaker'],
    ['Mica 9 Wide, board', mica9Wide, 'board'],
    ['Atlas, power key', atlas, 'power-key'],
    ['Dune 3, port', dune3, 'port'],
  ] as const)('%s: every combination of ways insisted on costs as much or more', (_n, model, slot) => {
    const best = route(model, replace(slot));
    const force = (f: Record<string, string>) =>
      planRoute(
        indexed(model),
        modelHash(model),
        routeInput({ model: model.id, variant: 'standard', ...replace(slot), force: f }),
      );
    for (const c of best.choices)
      for (const o of c.options) {
        const other = force({ [c.fact]: o.way });
        if ('infeasible' in other) {
          expect(o.against).toBeUndefined();
          continue;
        }
        expect(other.searched).toBeGreaterThanOrEqual(best.searched);
        if (o.chosen) expect(other.searched).toBe(best.searched);
        // and the technician gets the way that was insisted on
        expect(other.choices.find((x) => x.fact === c.fact)).toMatchObject({
          forced: true,
          options: expect.arrayContaining([expect.objectContaining({ way: o.way, chosen: true })]),
        });
      }
  });
});

describe('a variant has its own shortest way', () => {
  test('the ear speaker slips out under a shifted board in the north; in the south the board and the cell come out', () => {
    const moves = (v: string) =>
      route(mica9Wide, replace('ear-speaker'), v)
        .steps.filter((s) => s.action === 'move')
        .map((s) => `${s.targets[0]}@${s.pose}`);
    expect(moves('standard')).toContain('board@shifted');
    expect(moves('standard')).not.toContain('cell@out');
    expect(moves('southern')).toEqual(expect.arrayContaining(['board@out', 'cell@out']));
    expect(
      route(mica9Wide, {
        ...replace('ear-speaker'),
        methods: { ...defaultMethods, 'deep-part': 'strip' },
      }).steps.some((s) => s.pose === 'shifted'),
    ).toBe(false);
  });
});

test('a large rebuild planned again with half the screws out ends with every piece in the new housing', () => {
  const index = indexed(atlas);
  const first = route(atlas, replace('frame'));
  const bench = new Bench(index, first).open(replace('frame'));
  for (let k = 0; k < 170; k++) bench.next();
  const again = planRoute(index, 'h', routeInput({ ...first.input, standing: bench.standing() }));
  if ('infeasible' in again) throw new Error('no way on');
  expect(again.steps.length).toBeLessThan(first.steps.length);
  bench.adopt(again);
  bench.finish();
  expect(bench.log.filter((e) => e.breach)).toEqual([]);
  expect(unaccounted(bench.state, index)).toEqual([]);
  expect(bench.state.place['frame#2']).toBe('slot/frame');
}, 30_000);
