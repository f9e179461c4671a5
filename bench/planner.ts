import load from 'highs';
import { checkModel } from '../core/model/check-model';
import { chooseWays } from '../core/route/choose-ways';
import { orderOperations } from '../core/route/order';
import { planByStages } from '../core/route/plan-by-stages';
import { planRoute } from '../core/route/plan';
import { routeInput } from '../core/route/route-input';
import { Bench } from '../core/testing/bench';
import {
  atlas,
  dune2,
  indexed,
  mica4,
  mica9,
  mica9Wide,
  modelHash,
  replace,
  route,
  shippedModels,
} from '../core/testing/demo-models';
import { damagedModel } from '../core/testing/model-generator';
import { orderProblemOf } from '../core/testing/order-generator';
import { waysMilp } from '../core/testing/ways-milp';
import { waysProblemOf } from '../core/testing/ways-generator';
import { figure, median } from './figures';

const timed = <T>(f: () => T): { ms: number; value: T } => {
  const t = performance.now();
  const value = f();
  return { ms: performance.now() - t, value };
};

/** The planner's searches and whole routes. */
export async function benchPlanner(): Promise<void> {
  // every file has to be answered for at once, a damaged one too
  const files = shippedModels.flatMap((m) => Array.from({ length: 140 }, (_, seed) => damagedModel(m, seed)));
  checkModel(files[0]);
  const checks = files.map((f) => timed(() => checkModel(f)).ms);
  const slowest = Math.max(...checks);
  figure({
    what: `model check: ${files.length} damaged files, slowest`,
    value: slowest,
    unit: 'ms',
    aim: '1000',
    ok: slowest < 1000,
    reference: { what: 'median', value: median(checks) },
  });
  // choice of ways: 40 parts with 3 ways each, seeds 1-50
  chooseWays(waysProblemOf(99));
  const ways = Array.from({ length: 50 }, (_, i) =>
    timed(() => chooseWays(waysProblemOf(i + 1), { budget: Number.POSITIVE_INFINITY })),
  );
  const proved = ways.filter((w) => 'infeasible' in w.value || w.value.optimal).length;
  const solver = await load();
  // the solver on every fifth of the same problems: all fifty would take minutes
  const solved = Array.from({ length: 10 }, (_, i) => i * 5 + 1).map((seed) => ({
    mine: ways[seed - 1]!.ms,
    theirs: timed(() => solver.solve(waysMilp(waysProblemOf(seed)), { output_flag: false, mip_rel_gap: 0 }))
      .ms,
  }));
  const ms = median(ways.map((w) => w.ms));
  const most = Math.max(...ways.map((w) => w.ms));
  figure({
    what: 'ways: 40 parts with 3 ways, median of 50',
    value: ms,
    unit: 'ms',
    aim: '< 20',
    ok: ms < 20,
  });
  figure({ what: 'ways: the slowest of the 50', value: most, unit: 'ms', aim: '< 1000', ok: most < 1000 });
  figure({ what: 'ways: proved, of 50', value: proved, unit: '', aim: '50', ok: proved === 50 });
  figure({
    what: 'ways: median of ten of them',
    value: median(solved.map((s) => s.mine)),
    unit: 'ms',
    reference: { what: 'HiGHS on the same', value: median(solved.map((s) => s.theirs)) },
  });

  // order
  const small = Array.from(
    { length: 40 },
    (_, i) => timed(() => orderOperations(orderProblemOf(i + 1, 16))).ms,
  );
  figure({
    what: 'order: 16 operations, median of 40',
    value: median(small),
    unit: 'ms',
    aim: '< 10',
    ok: median(small) < 10,
  });
  const large = Array.from({ length: 50 }, (_, i) => {
    const p = orderProblemOf(i + 1);
    const end = performance.now() + 2000;
    return {
      p,
      ...timed(() =>
        orderOperations(p, { budget: Number.POSITIVE_INFINITY, stop: () => performance.now() >= end }),
      ),
    };
  });
  const done = large.filter((o) => o.value.optimal).length;
  figure({
    what: 'order: 60 operations, 5 bits, 2 sides: proved within 2 s',
    value: (100 * done) / 50,
    unit: '%',
    aim: '>= 90',
    ok: done >= 45,
  });
  figure({ what: 'order: 60 operations, median', value: median(large.map((o) => o.ms)), unit: 'ms' });
  const gap = Math.max(...large.map((o) => (o.value.cost - o.value.lowerBound) / o.p.toolChangeCost));
  figure({
    what: 'order: the largest gap left, in bit changes',
    value: gap,
    unit: '',
    aim: '<= 1',
    ok: gap <= 1,
  });

  // whole devices
  const ordinary = [
    [mica9, ['cell', 'display', 'camera']],
    [mica4, ['cell', 'display', 'camera']],
    [dune2, ['cell', 'display', 'camera']],
    [mica9Wide, ['ear-speaker']],
  ] as const;
  for (const [m, slots] of ordinary) {
    route(m, replace(...slots));
    const r = Array.from({ length: 7 }, () => timed(() => route(m, replace(...slots))));
    const mid = median(r.map((x) => x.ms));
    figure({
      what: `route: ${m.name}, ${slots.join(' + ')}, proved`,
      value: mid,
      unit: 'ms',
      aim: '< 200',
      ok: mid < 200 && r[0]!.value.optimal,
    });
  }
  const index = indexed(atlas);
  const input = routeInput({ model: 'atlas', variant: 'standard', ...replace('frame') });
  const began = performance.now();
  const end = began + 60_000;
  let first = true;
  for (const { route: r, done: last } of planByStages(
    index,
    modelHash(atlas),
    input,
    () => performance.now() >= end,
  )) {
    if ('infeasible' in r) throw new Error('no way');
    const at = performance.now() - began;
    if (first)
      figure({
        what: 'route: Atlas, housing rebuild, first answer',
        value: at,
        unit: 'ms',
        aim: '< 1000',
        ok: at < 1000,
      });
    first = false;
    if (last) {
      figure({ what: 'route: Atlas, until the proof or the end', value: at, unit: 'ms' });
      figure({
        what: 'route: Atlas, gap at the end (0 is proved)',
        value: r.searched - r.lowerBound,
        unit: 'minor',
      });
      figure({ what: 'route: Atlas, steps', value: r.steps.length, unit: '' });
    }
  }
  const bench = new Bench(indexed(mica9), route(mica9)).open();
  for (let k = 0; k < 30; k++) bench.next();
  const again = Array.from({ length: 9 }, () =>
    timed(() =>
      planRoute(
        bench.index,
        'h',
        routeInput({
          model: 'mica-9',
          variant: 'standard',
          ...replace('cell', 'loudspeaker'),
          standing: bench.standing(),
        }),
      ),
    ),
  );
  figure({
    what: 're-planning in the middle of a job (Mica 9)',
    value: median(again.map((a) => a.ms)),
    unit: 'ms',
    aim: '< 200',
    ok: median(again.map((a) => a.ms)) < 200,
  });
  const big = new Bench(index, route(atlas, replace('frame'))).open(replace('frame'));
  for (let k = 0; k < 170; k++) big.next();
  const rest = Array.from({ length: 5 }, () =>
    timed(() => planRoute(index, 'h', { ...input, standing: big.standing() })),
  );
  figure({
    what: 're-planning in the middle of a rebuild (Atlas, 170 presses in)',
    value: median(rest.map((a) => a.ms)),
    unit: 'ms',
    aim: '< 200',
    ok: median(rest.map((a) => a.ms)) < 200,
  });
  planAgain();
}

/** The largest rebuild planned first, and again at twenty points of its course. */
function planAgain(): void {
  const index = indexed(atlas);
  const first = timed(() => route(atlas, replace('frame')));
  const bench = new Bench(index, first.value).open(replace('frame'));
  const again: number[] = [];
  for (let press = 0; press < 360; press++) {
    if (press % 18 === 0)
      again.push(timed(() => route(atlas, { ...replace('frame'), standing: bench.standing() })).ms);
    if (!bench.next()) break;
  }
  figure({ what: 'Atlas, housing: first plan', value: first.ms, unit: 'ms' });
  figure({
    what: `Atlas, housing: planned again at ${again.length} points, median`,
    value: median(again),
    unit: 'ms',
    reference: { what: 'the first plan', value: first.ms },
  });
  figure({ what: 'Atlas, housing: planned again, slowest', value: Math.max(...again), unit: 'ms' });
}
