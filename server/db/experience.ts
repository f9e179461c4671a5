import type { EntityManager } from '@mikro-orm/postgresql';
import type { Experience } from '../../core/diagnose/fault';
import { JobEventRow } from './entities';

/** What a log says of a fault; these have an index of their own. */
const told = ['symptomSet', 'tested', 'causeStated'];

/**
 * What finished jobs of this workshop have shown about faults, counted from their logs: jobs that were handed over with
 * the fault stated. Nothing is stored twice; the log is the count.
 */
export async function experienceOf(em: EntityManager): Promise<Experience> {
  const rows = await em.find(
    JobEventRow,
    { job: { ending: 'handed over' }, event: { body: { type: { $in: told } } } as object },
    { orderBy: { jobId: 'asc', seq: 'asc' }, disableIdentityMap: true },
  );
  const jobs = new Map<string, { symptoms: Set<string>; tests: Map<string, string>; cause: string }>();
  for (const loaded of rows) {
    const j = jobs.get(loaded.jobId) ?? { symptoms: new Set(), tests: new Map(), cause: 'none' };
    jobs.set(loaded.jobId, j);
    const { body } = loaded.event;
    if (body.type === 'symptomSet') {
      if (body.on) j.symptoms.add(body.symptom);
      else j.symptoms.delete(body.symptom);
    }
    if (body.type === 'tested') j.tests.set(body.test, body.outcome);
    if (body.type === 'causeStated') j.cause = body.cause;
  }
  const out: Experience = { causes: {}, tests: {} };
  for (const { symptoms, tests, cause } of jobs.values()) {
    if (cause === 'none') continue;
    for (const symptom of symptoms) {
      out.causes[symptom] ??= {};
      out.causes[symptom][cause] = (out.causes[symptom][cause] ?? 0) + 1;
    }
    for (const [t, o] of tests) {
      out.tests[t] ??= {};
      out.tests[t][cause] ??= {};
      out.tests[t][cause]![o] = (out.tests[t][cause]![o] ?? 0) + 1;
    }
  }
  return out;
}
