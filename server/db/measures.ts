import type { EntityManager } from '@mikro-orm/postgresql';
import { group } from 'd3-array';
import type { BodyType, JobEvent } from '../../core/log/events';
import { DeviceModelRow, Job, JobEventRow } from './entities';
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
  const logs = await entriesOf(
    em,
    jobs.map((job) => job.id),
    types,
  );
  return [...logs.values()];
}
/** What devices of the same model measured of themselves, this one aside; and earlier jobs of this one, the newest first. */
export async function measuredLogs(
  em: EntityManager,
  { id, tag, modelHash }: { id: string; tag: string; modelHash: string },
): Promise<{ others: JobEvent[][]; own: { number: number; log: JobEvent[] }[] }> {
  const model = await em.findOneOrFail(DeviceModelRow, { hash: modelHash }, { fields: ['modelId'] });
  const versions = await em.find(DeviceModelRow, { modelId: model.modelId }, { fields: ['hash'] });
  const jobs = await em.find(
    Job,
    { modelHash: { $in: versions.map((row) => row.hash) }, id: { $ne: id } },
    { fields: ['id', 'tag', 'number'], orderBy: { number: 'desc' }, limit: mostJobs },
  );
  const logs = await entriesOf(
    em,
    jobs.map((job) => job.id),
    ['checkMeasured', 'retracted'],
  );
  const isOwn = (job: { tag: string }) => job.tag.toLowerCase() === tag.toLowerCase();
  const logOf = (job: { id: string }) => logs.get(job.id) ?? [];
  return {
    others: jobs.filter((job) => !isOwn(job)).map(logOf),
    own: jobs.filter(isOwn).map((job) => ({ number: job.number, log: logOf(job) })),
  };
}
/** As many of the latest jobs in which something failed after work are asked. */
const mostFailed = 60;
const lessonTypes: BodyType[] = [
  ...(['checked', 'filmOff', 'reseated', 'connectorOn', 'pieceFitted', 'substituted', 'retracted'] as const),
];
/** The jobs of this workshop in which a function failed after work: of each what was done about it. */
export async function failedLogs(em: EntityManager): Promise<JobEvent[][]> {
  const rows = await em
    .createQueryBuilder(JobEventRow, 'e')
    .select(['e.jobId'], true)
    .where({
      shopId: shopOf(em),
      event: { body: { type: 'checked', result: 'fails', round: { $in: ['mid', 'after'] } } },
    })
    .orderBy({ jobId: 'asc' })
    .limit(mostFailed)
    .execute<{ jobId: string }[]>('all');
  return [
    ...(
      await entriesOf(
        em,
        rows.map((row) => row.jobId),
        lessonTypes,
      )
    ).values(),
  ];
}
async function entriesOf(
  em: EntityManager,
  jobs: readonly string[],
  wanted: readonly BodyType[],
): Promise<Map<string, JobEvent[]>> {
  if (!jobs.length) return new Map();
  const rows = await em
    .createQueryBuilder(JobEventRow, 'e')
    .select(['e.jobId', 'e.event'])
    .where({
      shopId: shopOf(em),
      jobId: { $in: [...jobs] },
      event: { body: { type: { $in: [...wanted] } } },
    })
    .orderBy({ jobId: 'asc', seq: 'asc' })
    .execute<{ jobId: string; event: JobEvent }[]>('all');
  return new Map(
    [...group(rows, (row) => row.jobId)].map(([job, own]) => {
      const back = new Set(
        own.flatMap(({ event: { body } }) => (body.type === 'retracted' ? [body.event] : [])),
      );
      const log = own
        .map((row) => row.event)
        .filter((event) => event.body.type !== 'retracted' && !back.has(event.id));
      return [job, log];
    }),
  );
}
