import load from 'highs';
import type { ScheduleProblem } from '../core/schedule/problem';
import { scheduleOf } from '../core/schedule/schedule';
import { spectrumOf } from '../core/signals/spectrum';
import { jobShops, shopProblem } from '../core/testing/job-shops';
import { dayOf } from '../core/testing/schedule-generator';
import { scheduleMilp } from '../core/testing/schedule-milp';
import { figure, median } from './figures';

/** One problem with a clock: when the first and the best were found, when it ended, and how far from its bound. */
function timed(problem: ScheduleProblem, seconds: number) {
  const from = performance.now();
  const since = () => performance.now() - from;
  let [first, best] = [0, 0];
  const found = scheduleOf(problem, {
    nodes: Number.POSITIVE_INFINITY,
    stop: () => since() > seconds * 1000,
    onBetter: () => {
      best = since();
      first ||= best;
    },
  });
  const schedule = 'schedule' in found ? found.schedule : undefined;
  const cost = schedule
    ? problem.objective === 'makespan'
      ? schedule.makespan
      : schedule.weightedTardiness
    : Number.POSITIVE_INFINITY;
  return { first, best, all: since(), schedule, cost };
}
const aims: Record<string, { foundMs: number; provedMs: number }> = {
  ft06: { foundMs: 1000, provedMs: 1000 },
  la01: { foundMs: 1000, provedMs: 1000 },
  la05: { foundMs: 1000, provedMs: 1000 },
  ft10: { foundMs: 5000, provedMs: 60_000 },
  la16: { foundMs: 5000, provedMs: 60_000 },
};

/** Job shops of the literature, bench days that are generated, and the sound of a phone. */
export async function benchDay(): Promise<void> {
  for (const shop of jobShops()) {
    const { best, all, schedule } = timed(shopProblem(shop), 60);
    const aim = aims[shop.name]!;
    const right = schedule?.makespan === shop.optimum;
    figure({
      what: `schedule: ${shop.name} found (${schedule?.makespan})`,
      value: best,
      unit: 'ms',
      aim: `< ${aim.foundMs}`,
      ok: right && best < aim.foundMs,
    });
    figure({
      what: `schedule: ${shop.name} proved (bound ${schedule?.lowerBound})`,
      value: all,
      unit: 'ms',
      aim: `< ${aim.provedMs}`,
      ok: schedule?.optimal === true && all < aim.provedMs,
    });
  }
  const eights = Array.from({ length: 10 }, (_, k) =>
    timed(dayOf(k + 1, { jobs: 8, people: 2 + ((k + 1) % 3) }), 5),
  );
  const proved = eights.filter((e) => e.schedule?.optimal).length;
  figure({
    what: 'schedule: days of 8 jobs proved in 5 s, of 10',
    value: proved,
    unit: '',
    aim: '>= 9',
    ok: proved >= 9,
  });
  const twenties = Array.from({ length: 4 }, (_, k) =>
    timed(dayOf(k + 1, { jobs: 20, people: 2 + ((k + 1) % 3) }), 5),
  );
  const first = median(twenties.map((t) => t.first));
  figure({
    what: 'schedule: days of 20 jobs, first plan',
    value: first,
    unit: 'ms',
    aim: '< 100',
    ok: first < 100,
  });
  for (const [k, t] of twenties.entries())
    figure({
      what: `schedule: day ${k + 1} of 20 jobs, late by ${t.cost}, bound ${t.schedule?.lowerBound}`,
      value: t.cost - (t.schedule?.lowerBound ?? 0),
      unit: 'gap',
    });
  await againstHighs();
  const sweep = Float64Array.from({ length: 5 * 48_000 }, (_, k) => {
    const s = k / 48_000;
    return 0.5 * Math.sin(((2 * Math.PI * 100 * 5) / Math.log(100)) * (100 ** (s / 5) - 1));
  });
  const times = Array.from({ length: 5 }, () => {
    const from = performance.now();
    spectrumOf(sweep, 48_000);
    return performance.now() - from;
  });
  const spectrum = median(times);
  figure({ what: 'spectrum: a sweep of 5 s', value: spectrum, unit: 'ms', aim: '< 150', ok: spectrum < 150 });
}
/** Small days, the same model to both, both proved. */
async function againstHighs(): Promise<void> {
  const solver = await load();
  let [mine, theirs] = [0, 0];
  for (let seed = 1; seed <= 8; seed++) {
    const p = dayOf(seed, { jobs: 2 + (seed % 2), people: 1 + (seed % 2), coarse: 5 });
    const own = timed(p, 20);
    mine += own.all;
    const from = performance.now();
    solver.solve(scheduleMilp(p, own.schedule!.makespan + 4), { output_flag: false, mip_rel_gap: 0 });
    theirs += performance.now() - from;
  }
  figure({
    what: 'schedule: eight small days proved',
    value: mine,
    unit: 'ms',
    reference: { what: 'HiGHS', value: theirs },
    aim: '< 1 x',
    ok: mine < theirs,
  });
}
