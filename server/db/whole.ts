import type { EntityManager } from '@mikro-orm/postgresql';
import type { JobEvent } from '../../core/log/events';
import type { DeviceModel } from '../../core/model/schema';
import type { Route } from '../../core/steps/route';
import {
  DeviceModelRow,
  IdentityData,
  Job,
  JobEventRow,
  JobPrivate,
  type JobRow,
  Part,
  Photo,
  RouteRow,
} from './entities';
import { Person } from './entities-of-shop';
import type { Role } from '../../core/vocabulary/roles';
import { shopOf } from './orm';

/** Everything of a workshop, for a file of it, and back again. */

/** Jobs by number, so many after one. */
export const jobsAfter = (em: EntityManager, number: number, most: number) =>
  em.find(
    Job,
    { number: { $gt: number } },
    { orderBy: { number: 'asc' }, limit: most, disableIdentityMap: true },
  );
export const allPeople = (em: EntityManager) => em.find(Person, {}, { orderBy: { name: 'asc' } });
export const allPartsEver = (em: EntityManager) => em.find(Part, {}, { orderBy: { addedAt: 'asc' } });
export const routeHashes = async (em: EntityManager): Promise<string[]> =>
  (await em.find(RouteRow, {}, { fields: ['hash'] })).map((row) => row.hash);
export const identityOf = (em: EntityManager, jobId: string) => em.find(IdentityData, { jobId });
export const countAll = async (em: EntityManager) => ({
  jobs: await em.count(Job),
  events: await em.count(JobEventRow),
  photographs: await em.count(Photo),
});
/** Whether nothing has been done in a workshop yet: only there a file of another is taken in. */
export const isUnused = async (em: EntityManager): Promise<boolean> =>
  (await em.count(Job)) === 0 && (await em.count(Part)) === 0;

export type PersonIn = {
  id: string;
  name: string;
  login: string;
  role: Role;
  bench: string;
  left: boolean;
};
/** Takes people in, without passwords: each gets a link. Who is there already stays. */
export async function putPeople(
  em: EntityManager,
  people: readonly PersonIn[],
  taken: (login: string) => Promise<boolean>,
) {
  const there = new Set((await allPeople(em)).map((person) => person.id));
  for (const { id, name, login, role, bench, left } of people.filter((person) => !there.has(person.id))) {
    let free = left ? `${login} of ${id}` : login;
    for (let k = 2; !left && (await taken(free)); k++) free = `${login}-${k}`;
    await em.insert(Person, {
      ...{ shopId: shopOf(em), id, name, login: free, role, bench, passwordHash: '' },
      leftAt: left ? new Date() : null,
    });
  }
}
/** @returns false where a model of this content is another workshop's of the installation */
export async function putModel(em: EntityManager, hash: string, model: DeviceModel): Promise<boolean> {
  if ((await em.count(DeviceModelRow, { hash })) > 0) return true;
  const { id: modelId, maker, name } = model;
  await em.upsert(
    DeviceModelRow,
    { hash, shopId: shopOf(em), modelId, name: `${maker} ${name}`, model, current: true },
    { onConflictFields: ['hash'], onConflictAction: 'ignore' },
  );
  return (await em.count(DeviceModelRow, { hash })) > 0;
}
export const putRoute = (em: EntityManager, hash: string, route: Route): Promise<unknown> =>
  em.upsert(
    RouteRow,
    { shopId: shopOf(em), hash, route },
    { onConflictFields: ['shopId', 'hash'], onConflictAction: 'ignore' },
  );
export type JobIn = Pick<
  JobRow,
  'id' | 'number' | 'tag' | 'modelHash' | 'variant' | 'seq' | 'stage' | 'summary' | 'ending' | 'promisedAt'
> & { openedAt: Date; updatedAt: Date };
/** A job with its log and what is private of it. */
export async function putJob(
  em: EntityManager,
  job: JobIn,
  events: readonly JobEvent[],
  secrets: Readonly<Record<string, string>>,
): Promise<void> {
  const shopId = shopOf(em);
  await em.insert(Job, { ...job, shopId });
  for (let k = 0; k < events.length; k += 500)
    await em.insertMany(
      JobEventRow,
      events.slice(k, k + 500).map((event) => ({ shopId, jobId: job.id, seq: event.seq, event })) as never[],
    );
  const kinds = Object.entries(secrets);
  if (kinds.length)
    await em.insertMany(
      JobPrivate,
      kinds.map(([kind, value]) => ({ shopId, jobId: job.id, kind, value })) as never[],
    );
}
export const putIdentity = (em: EntityManager, row: Record<string, unknown>): Promise<unknown> =>
  em.insert(IdentityData, { shopId: shopOf(em), ...row } as never);
export const putPart = (em: EntityManager, row: Record<string, unknown>): Promise<unknown> =>
  em.insert(Part, { shopId: shopOf(em), ...row } as never);
