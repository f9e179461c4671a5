import type { EntityManager } from '@mikro-orm/postgresql';
import type { Experience } from '../../core/diagnose/fault';

/**
 * What finished jobs of this workshop have shown about faults, counted from their logs: jobs that were handed over with
 * the fault stated. Nothing is stored twice; the log is the count.
 */
export async function experienceOf(em: EntityManager): Promise<Experience> {
  const rows = await em.execute<
    {
      job_id: string;
      type: string;
      body: { symptom?: string; on?: boolean; test?: string; outcome?: string; cause?: string };
    }[]
  >(
    `select e.job_id, e.event->'body'->>'type' as type, e.event->'body' as body from job_event e join job j on j.shop_id = e.shop_id and j.id = e.job_id
     where j.ending = 'handed over' and e.event->'body'->>'type' in ('symptomSet', 'tested', 'causeStated')
     order by e.job_id, e.seq`,
  );
  const jobs = new Map<string, { symptoms: Set<string>; tests: Map<string, string>; cause: string }>();
  for (const r of rows) {
    const j = jobs.get(r.job_id) ?? { symptoms: new Set(), tests: new Map(), cause: 'none' };
    jobs.set(r.job_id, j);
    if (r.type === 'symptomSet') {
      if (r.body.on) j.symptoms.add(r.body.symptom!);
      else j.symptoms.delete(r.body.symptom!);
    }
    if (r.type === 'tested') j.tests.set(r.body.test!, r.body.outcome!);
    if (r.type === 'causeStated') j.cause = r.body.cause!;
  }
  const out: Experience = { causes: {}, tests: {} };
  for (const { symptoms, tests, cause } of jobs.values()) {
    if (cause === 'none') continue;
    for (const s of symptoms) {
      out.causes[s] ??= {};
      out.causes[s][cause] = (out.causes[s][cause] ?? 0) + 1;
    }
    for (const [t, o] of tests) {
      out.tests[t] ??= {};
      out.tests[t][cause] ??= {};
      out.tests[t][cause]![o] = (out.tests[t][cause]![o] ?? 0) + 1;
    }
  }
  return out;
}
