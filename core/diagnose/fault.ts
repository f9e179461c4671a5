import { conditionsOf } from '../log/view';
import type { JobState } from '../log/state';
import { functionsOf } from '../model/functions-of';
import type { IndexedModel } from '../model/index-model';
import type { Problem, Seen, Test } from './problem';
import { causes, comebackMinutes, type KnownCause, otherWeight, past } from '../knowledge/causes';
import { type SymptomId, symptomIds, symptoms } from '../knowledge/symptoms';
import { type KnownTest, tests } from '../knowledge/tests';

/** What finished jobs have shown: how often a cause was found behind a symptom, and what a test said when it was that cause. */
export interface Experience {
  causes: Record<string, Record<string, number>>;
  tests: Record<string, Record<string, Record<string, number>>>;
}
export const noExperience: Experience = { causes: {}, tests: {} };
/** The starting guesses count as so many finished jobs for a symptom, and as so many for each row of a test. */
export const guessJobs = { symptom: 20, row: 8 } as const;

/** An earlier job on the same device. */
export interface EarlierWork {
  /** Slots and connectors that moved. */
  touched: readonly string[];
  daysAgo: number;
}
/**
 * What was touched lately is suspected first: a contact or a flex most of all, on the day of the job more than after a
 * season. Starting guesses (common practice: a fresh repair that fails is most often a connector that is not home).
 */
const lately: readonly { days: number; contact: number; part: number }[] = [
  { days: 1, contact: 10, part: 2 },
  { days: 7, contact: 6, part: 2 },
  { days: 30, contact: 3, part: 1.5 },
  { days: 180, contact: 1.5, part: 1.2 },
];
function touchedWeight(
  index: IndexedModel,
  cause: KnownCause & { slot: string | undefined },
  earlier: readonly EarlierWork[],
): number {
  if (!cause.slot) return 1;
  const plugs = index.model.connectors.filter((c) => c.joins.includes(cause.slot!)).map((c) => c.id);
  const contact = cause.id.endsWith('-contact') || cause.id === 'sensor-off';
  return earlier.reduce((most, job) => {
    const touched = job.touched.includes(cause.slot!) || plugs.some((p) => job.touched.includes(p));
    const row = touched ? lately.find((l) => job.daysAgo <= l.days) : undefined;
    return row ? Math.max(most, contact ? row.contact : row.part) : most;
  }, 1);
}

export interface Fault {
  problem: Problem;
  /** In the order of the problem's causes. */
  causes: (KnownCause & { slot: string | undefined; jobs: number })[];
  tests: readonly KnownTest[];
  symptoms: SymptomId[];
  /** Finished jobs with one of these symptoms, on which the causes' figures rest beside the guesses. */
  jobs: number;
}
const causeById = new Map(causes.map((c) => [c.id, c]));
const testById = new Map(tests.map((t) => [t.id, t]));
export const knownCause = (id: string): KnownCause | undefined => causeById.get(id);
export const knownTest = (id: string): KnownTest | undefined => testById.get(id);

/**
 * The slot of a model that a cause sits in: of its kinds, best first, one that serves its function; a model without any
 * cannot have it. Of several alike the dearest: of rear cameras the main one, not the flash beside it.
 */
function slotOfCause(index: IndexedModel, cause: KnownCause): string | undefined {
  const { serves } = cause;
  for (const kind of cause.kinds) {
    const fit = index.model.slots.filter(
      (s) =>
        s.kind === kind &&
        (serves === undefined || functionsOf(index, s.id).includes(serves)) &&
        (!cause.laser || s.traits.includes('laser')),
    );
    const [first] = fit.toSorted((a, b) => b.price - a.price);
    if (first) return serves === undefined ? fit[0]!.id : first.id;
  }
  return undefined;
}

/**
 * The fault of a job as a problem: causes that this model can have, with chances from the symptoms, from the device's
 * past and from finished jobs (counts on top of the guesses, a Dirichlet prior), and the tests that nothing forbids.
 * Money in minor units. With several symptoms a cause counts by the product of its shares: one that explains them all wins.
 * @param more what else is known of the past: `here before`
 * @param earlier jobs of this device before: what they touched weighs by how lately
 * @returns undefined while no symptom is recorded
 */
export function faultOf(
  index: IndexedModel,
  state: JobState,
  hourlyRateMinor: number,
  experience: Experience = noExperience,
  more: readonly string[] = [],
  earlier: readonly EarlierWork[] = [],
): Fault | undefined {
  const said = symptomIds.filter((s) => state.symptom[s]);
  if (!said.length) return undefined;
  const conditions = conditionsOf(state);
  const marks = Object.values(state.mark).flatMap((m) => (m ? [m.kind] : []));
  // a condition that a mark or a symptom has set is the same news once more
  const own = conditions.filter(
    (c) => !marks.includes(state.condition[c]!.because) && !(c === 'wet' && state.symptom.wet),
  );
  const known = [...new Set([...marks, ...own, ...more])];
  const possible = causes
    .map((c) => ({ ...c, slot: slotOfCause(index, c) }))
    .filter((c) => c.kinds.length === 0 || c.slot !== undefined);
  const weight = (c: KnownCause & { slot: string | undefined }) =>
    touchedWeight(index, c, earlier) *
    known.reduce(
      (w, k) => w * (past[k]?.[c.id] ?? 1),
      said.reduce((w, s) => w * shareOf(s, c.id, experience), 1),
    );
  const weighed = possible
    .map((c) => ({
      c,
      w: weight(c),
      jobs: said.reduce((n, s) => n + (experience.causes[s]?.[c.id] ?? 0), 0),
    }))
    .filter((x) => x.w > 0);
  const sum = weighed.reduce((a, x) => a + x.w, 0);
  const minute = hourlyRateMinor / 60;
  const display = Math.max(0, ...index.model.slots.filter((s) => s.kind === 'display').map((s) => s.price));
  const fitted = more.includes('here before') || Object.keys(state.place).some((p) => !p.endsWith('#1'));
  const allowed = tests.filter((t) => isAllowed(t, state, conditions, fitted));
  const seen: Seen[] = Object.entries(state.test)
    .filter(([t, e]) => e.outcome !== undefined && testById.get(t)?.outcomes.some((o) => o.id === e.outcome))
    .sort(([, a], [, b]) => a.seq - b.seq)
    .map(([test, e]) => ({ test, outcome: e.outcome! }));
  const asked = [
    ...allowed,
    ...tests.filter((t) => !allowed.includes(t) && seen.some((s) => s.test === t.id)),
  ];
  const repairs = weighed.map(({ c, w }) => ({
    id: c.id,
    prior: w / sum,
    repairCost: Math.round(
      (c.task === 'replace' && c.slot ? (index.slots.get(c.slot)?.price ?? 0) : 0) + c.minutes * minute,
    ),
  }));
  // whoever repairs the wrong thing looks again and pays for the right one, too: being wrong is never the cheap way out
  const dearest = Math.max(...repairs.filter((r) => r.prior >= 0.02).map((r) => r.repairCost), 0);
  return {
    symptoms: said,
    jobs: said.reduce((n, s) => n + Object.values(experience.causes[s] ?? {}).reduce((a, b) => a + b, 0), 0),
    causes: weighed.map(({ c, jobs }) => ({ ...c, jobs })),
    tests: asked,
    problem: {
      causes: repairs,
      wrongRepairPenalty: Math.round(comebackMinutes * minute) + 2 * dearest,
      seen,
      tests: asked.map(
        (t): Test => ({
          id: t.id,
          outcomes: t.outcomes.map((o) => o.id),
          cost: Math.round((t.hands + t.wait / 10) * minute + t.risk * display),
          likelihood: Object.fromEntries(weighed.map(({ c }) => [c.id, rowOf(t, c.id, experience)])),
        }),
      ),
    },
  };
}

/** Whether a test may be done: nothing forbids it, it is for what the owner says, and what it needs works. */
function isAllowed(t: KnownTest, state: JobState, conditions: readonly string[], fitted: boolean): boolean {
  const fails = (what: string) => state.check[`before ${what}`]?.result === 'fails';
  return (
    !(t.never ?? []).some((n) => conditions.includes(n)) &&
    (!t.for || t.for.some((x) => state.symptom[x])) &&
    (t.id !== 'original-back' || fitted) &&
    !(t.needs && (fails(t.needs) || fails('power')))
  );
}

/** The share of a symptom's jobs that come from a cause: guess and count together; 0 for one that cannot show it. */
function shareOf(symptom: SymptomId, cause: string, experience: Experience): number {
  const guesses: Readonly<Record<string, number>> = {
    ...symptoms.find((s) => s.id === symptom)!.weights,
    other: otherWeight,
  };
  const counts = experience.causes[symptom] ?? {};
  const total = Object.values(guesses).reduce((a, b) => a + b, 0);
  const n = Object.values(counts).reduce((a, b) => a + b, 0);
  // a cause that nobody thought of for this symptom still has a little, so that another symptom can bring it up
  const guess = (guesses[cause] ?? 0.2) / total;
  return (guessJobs.symptom * guess + (counts[cause] ?? 0)) / (guessJobs.symptom + n);
}
/** Chances of a test's outcomes under a cause: the row guessed, moved by what finished jobs with that cause have shown. */
function rowOf(test: KnownTest, cause: string, experience: Experience): number[] {
  const guess = test.given[cause] ?? test.usual;
  const counts = experience.tests[test.id]?.[cause];
  if (!counts) return [...guess];
  const n = Object.values(counts).reduce((a, b) => a + b, 0);
  return test.outcomes.map((o, i) => (guessJobs.row * guess[i]! + (counts[o.id] ?? 0)) / (guessJobs.row + n));
}
