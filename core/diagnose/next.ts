import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { after, type Belief, beliefOf, gainOf } from './belief';
import { type Diagnosis, diagnose } from './diagnose';
import type { Fault } from './fault';
import type { KnownTest } from '../knowledge/tests';
import { inspectionOrder } from './inspection-order';
import { openRungs } from './ladder';
import { stopNow } from './stopping';

/** Causes rarer than this are not listed to be tried. */
const worthTrying = 0.03;

export interface TestView {
  test: KnownTest;
  /** Minor units: hands, a tenth of the waiting, and the chance of breaking something. */
  cost: number;
  gain: number;
  perCost: number | null;
  /** What each outcome would make of it: its chance, and the likeliest cause after it. */
  means: { outcome: string; chance: number; cause: string; p: number }[];
  /** Why it is not the turn of this one yet. */
  shut: 'harmless first' | 'consent' | undefined;
}
export interface FaultView {
  diagnosis: Diagnosis;
  next: { test: string } | { repair: string };
  tests: TestView[];
  rungs: string[];
  /** What to try in which order where no test tells the causes apart: descending chance over cost. */
  tries: { cause: string; p: number }[];
  /** The chances before any test and after each, in the order of the problem's causes. */
  course: { seen: { test: string; outcome: string } | undefined; belief: number[] }[];
}

/**
 * What now with a fault: the next best test among those whose turn it is on the ladder, or the repair. Opening waits for
 * the harmless tests that could explain it; what erases data waits for the owner's consent.
 * @returns undefined when what was seen fits no cause
 */
export function faultView(index: IndexedModel, state: JobState, fault: Fault): FaultView | undefined {
  const { problem } = fault;
  const belief = beliefOf(problem);
  if (!belief) return undefined;
  const rungs = openRungs(index, state, fault);
  const through = (id: string) =>
    state.test[id]?.outcome !== undefined || state.test[id]?.declined !== undefined;
  const shutOf = (knownTest: KnownTest): TestView['shut'] =>
    knownTest.erases && !state.consent.data
      ? 'consent'
      : knownTest.rung === 'open it' && rungs.length
        ? 'harmless first'
        : undefined;
  const left = fault.tests.filter((t) => !through(t.id));
  const turn = new Set(left.filter((t) => !shutOf(t)).map((t) => t.id));
  const seen = new Set(problem.seen.map((s) => s.test));
  const diagnosis = diagnose({
    ...problem,
    tests: problem.tests.filter((t) => seen.has(t.id) || turn.has(t.id)),
  })!;
  const views = left
    .map((test): TestView => {
      const t = problem.tests.find((x) => x.id === test.id)!;
      const g = gainFor(problem, belief, t);
      return {
        test,
        cost: t.cost,
        ...g,
        means: t.outcomes.map((o, i) => meaning(fault, belief, t, o, i)),
        shut: shutOf(test),
      };
    })
    .filter((v) => v.gain > 0.005)
    .sort((a, b) => (b.perCost ?? 1e9) - (a.perCost ?? 1e9));
  const repair = fault.causes[stopNow(problem, belief).repair]!;
  // a repair that opens the device, or that is more likely wrong than right, stands behind the harmless rungs, too
  const first =
    'repair' in diagnosis.next && (repair.task !== 'none' || diagnosis.posterior[repair.id]! < 0.5)
      ? views.find((v) => rungs.includes(v.test.id))
      : undefined;
  let b: Belief = beliefOf({ ...problem, seen: [] })!;
  const course: FaultView['course'] = [{ seen: undefined, belief: [...b] }];
  for (const s of problem.seen) {
    const t = problem.tests.find((x) => x.id === s.test)!;
    b = after(problem.causes, b, t, t.outcomes.indexOf(s.outcome)).belief ?? b;
    course.push({ seen: s, belief: [...b] });
  }
  const likely = fault.causes
    .map((c, i) => ({ id: c.id, probability: belief[i]!, cost: problem.causes[i]!.repairCost }))
    .filter((x) => x.probability >= worthTrying);
  const tries = likely.length
    ? inspectionOrder(likely).order.map((cause) => ({
        cause,
        p: likely.find((x) => x.id === cause)!.probability,
      }))
    : [];
  return {
    diagnosis,
    tries,
    next: first ? { test: first.test.id } : diagnosis.next,
    tests: views,
    rungs,
    course,
  };
}
function gainFor(
  problem: Fault['problem'],
  belief: Belief,
  test: Fault['problem']['tests'][number],
): { gain: number; perCost: number | null } {
  const gain = gainOf(problem.causes, belief, test);
  return { gain, perCost: test.cost > 0 ? gain / test.cost : null };
}
function meaning(
  fault: Fault,
  belief: Belief,
  test: Fault['problem']['tests'][number],
  outcome: string,
  i: number,
): TestView['means'][number] {
  const a = after(fault.problem.causes, belief, test, i);
  let top = 0;
  a.belief?.forEach((p, c) => {
    if (p > a.belief![top]!) top = c;
  });
  return { outcome, chance: a.chance, cause: fault.causes[top]!.id, p: a.belief?.[top] ?? 0 };
}
