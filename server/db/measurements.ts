import type { EntityManager } from '@mikro-orm/postgresql';
import { JobMeasurement, type MeasurementRow } from './entities';
import { shopOf } from './orm';

export type Measurement = Omit<MeasurementRow, 'shopId' | 'takenAt' | 'job' | 'person'>;

/** Keeps what an instrument measured; the same one once. */
export const keepMeasurement = (
  em: EntityManager,
  measurement: Measurement & { takenAt?: Date },
): Promise<unknown> =>
  em.upsert(
    JobMeasurement,
    { shopId: shopOf(em), ...measurement },
    { onConflictFields: ['shopId', 'id'], onConflictAction: 'ignore' },
  );
/** A measurement of a job; undefined where it has none of this id. */
export const findMeasurement = async (
  em: EntityManager,
  jobId: string,
  id: string,
): Promise<MeasurementRow | undefined> =>
  ((await em.findOne(JobMeasurement, { id, jobId })) as MeasurementRow | null) ?? undefined;
/** All of a job, as they were taken. */
export const measurementsOf = (em: EntityManager, jobId: string) =>
  em.find(JobMeasurement, { jobId }, { orderBy: { takenAt: 'asc' } });
