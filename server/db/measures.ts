import type { EntityManager } from '@mikro-orm/postgresql';
import { group } from 'd3-array';
import type { BodyType, JobEvent } from '../../core/log/events';
import { JobEventRow } from './entities';
import { Job } from './entities';
import { shopOf } from './orm';

/** As many of the latest jobs of a model are asked. */
const mostJobs = 500;
const types: BodyType[] = [
  ...(['screwMeasured', 'sorted', 'screwOut', 'connectorOff', 'bondReleased', 'catchFreed'] as const),
  ...(['pieceMoved', 'troubled', 'noted', 'met', 'retracted'] as const),
];

/** What the jobs of these versions of a model say about it: of each job the entries, in their order, without what was taken back. */
export async function learningLogs(em: EntityManager, hashes: readonly string[]): Promise<JobEvent[][]> {
  const jobs = await em.find(
    Job,
    { modelHash: { $in: [...hashes] } },
    { fields: ['id'], orderBy: { number: 'desc' }, limit: mostJobs },
  );
  if (!jobs.length) return [];
  const rows = await em
    .createQueryBuilder(JobEventRow, 'e')
    .select(['e.jobId', 'e.event'])
    .where({
      shopId: shopOf(em),
      jobId: { $in: jobs.map((job) => job.id) },
      event: { body: { type: { $in: types } } },
    })
    .orderBy({ jobId: 'asc', seq: 'asc' })
    .execute<{ jobId: string; event: JobEvent }[]>('all');
  return [...group(rows, (row) => row.jobId).values()].map((own) => {
    const back = new Set(
      own.flatMap(({ event: { body } }) => (body.type === 'retracted' ? [body.event] : [])),
    );
    return own
      .map((row) => row.event)
      .filter((event) => event.body.type !== 'retracted' && !back.has(event.id));
  });
}
