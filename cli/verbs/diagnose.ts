import { z } from 'zod';
import { benchLimits, diagnose as diagnosis } from '../../core/diagnose/diagnose';
import { cost, dangling, doubled, id, type Problem, verb } from '../verb';

const chance = z.number().min(0).max(1);
const schema = z.strictObject({
  causes: z.array(z.strictObject({ id, prior: chance, repairCost: cost })).min(1),
  wrongRepairPenalty: cost,
  tests: z.array(
    z.strictObject({
      id,
      cost,
      outcomes: z.array(id).min(1),
      likelihood: z.record(z.string(), z.array(chance)),
    }),
  ),
  seen: z.array(z.strictObject({ test: id, outcome: id })).default([]),
});

/** Sets of outcomes that a plan may come to; with more than this many a proof is not waited for. */
const provable = 1e7;
const outcomeSets = (p: z.output<typeof schema>) => p.tests.reduce((n, t) => n * (t.outcomes.length + 1), 1);

/** Chances that are written with a few digits add up to 1 only about. */
const nearly = 1e-6;

export const diagnose = verb({
  says: 'the next best test for a fault with one cause, or the repair',
  schema,
  check: (p) => {
    const causes = new Set(p.causes.map((c) => c.id));
    const tests = new Map(p.tests.map((t) => [t.id, t]));
    const out: Problem[] = [
      ...doubled(p.causes.map((c, i) => ({ id: c.id, path: `causes[${i}].id` }))),
      ...doubled(p.tests.map((t, i) => ({ id: t.id, path: `tests[${i}].id` }))),
      ...p.tests.flatMap((t, i) =>
        doubled(t.outcomes.map((o, k) => ({ id: o, path: `tests[${i}].outcomes[${k}]` }))),
      ),
      ...dangling(
        new Set(tests.keys()),
        'test',
        p.seen.map((s, i) => ({ id: s.test, path: `seen[${i}].test` })),
      ),
      ...doubled(p.seen.map((s, i) => ({ id: s.test, path: `seen[${i}].test` }))),
    ];
    if (p.causes.every((c) => c.prior === 0))
      out.push({ path: 'causes', text: 'expected at least one prior > 0, got only 0' });
    for (const [i, t] of p.tests.entries()) {
      out.push(
        ...dangling(
          causes,
          'cause',
          Object.keys(t.likelihood).map((c) => ({ id: c, path: `tests[${i}].likelihood.${c}` })),
        ),
      );
      for (const cause of causes) {
        const row = t.likelihood[cause];
        const path = `tests[${i}].likelihood.${cause}`;
        if (!row) out.push({ path, text: `expected ${t.outcomes.length} chances, got nothing` });
        else if (row.length !== t.outcomes.length)
          out.push({ path, text: `expected ${t.outcomes.length} chances, got ${row.length}` });
        else if (Math.abs(row.reduce((a, b) => a + b, 0) - 1) > nearly)
          out.push({
            path,
            text: `expected chances that add up to 1, got ${row.reduce((a, b) => a + b, 0)}`,
          });
      }
    }
    for (const [i, s] of p.seen.entries())
      if (tests.has(s.test) && !tests.get(s.test)!.outcomes.includes(s.outcome))
        out.push({ path: `seen[${i}].outcome`, text: `test ${s.test} has no outcome ${s.outcome}` });
    return out;
  },
  run: (p, { stop }) => {
    const answer = diagnosis(p, {
      budget: outcomeSets(p) <= provable ? Number.POSITIVE_INFINITY : benchLimits.budget,
      stop,
    });
    return answer
      ? { answer }
      : { infeasible: true, because: ['what was seen cannot happen under any of the causes'] };
  },
});
