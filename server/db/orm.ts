import { Migrator } from '@mikro-orm/migrations';
import { defineConfig, type EntityManager, MikroORM } from '@mikro-orm/postgresql';
import { appRole, appSecret, appUrl } from './app-role';
import { entities } from './entities';
import { migrationsList } from './migrations';

export function ormConfig(clientUrl: string, pool = 10) {
  return defineConfig({
    clientUrl,
    entities,
    extensions: [Migrator],
    forceUtcTimezone: true,
    pool: { min: 0, max: pool, acquireTimeoutMillis: 4000, createTimeoutMillis: 3000 } as {
      min: number;
      max: number;
    },
    migrations: { migrationsList, allOrNothing: true, snapshot: false },
    driverOptions: {
      connection: { application_name: 'snavek', connectionTimeoutMillis: 3000, keepAlive: true },
    },
    debug: process.env.SQL_DEBUG === '1',
    logger: (m) => console.error(m),
  });
}
export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error(
      'DATABASE_URL is not set. Start with `npm run demo`, or set it to a database that you own.',
    );
  return url;
}

/** One ORM for each process, as the restricted role; also across Vite's reloads in development. */
const g = globalThis as { __orm?: Promise<MikroORM> };
export const getOrm = (): Promise<MikroORM> => (g.__orm ??= MikroORM.init(ormConfig(appUrl(databaseUrl()))));
export async function closeOrm(): Promise<void> {
  const orm = g.__orm;
  delete g.__orm;
  await (await orm)?.close();
}

/** Runs something as the migrating owner, on a connection of its own. */
export async function asOwner<T>(work: (orm: MikroORM) => Promise<T>): Promise<T> {
  const orm = await MikroORM.init(ormConfig(databaseUrl(), 2));
  try {
    return await work(orm);
  } finally {
    await orm.close();
  }
}

/** Applies what is missing. Several processes may start at once: the first one migrates, the others wait for it. */
export async function migrate(orm: MikroORM): Promise<void> {
  const knex = orm.em.getConnection().getKnex();
  await knex.transaction(async (trx) => {
    await trx.raw('select pg_advisory_xact_lock(727001)');
    await orm.migrator.up();
  });
  // two databases of one cluster share the role: its password is set at each start, from outside the repository
  await knex.raw(`alter role ${appRole()} login password '${appSecret().replaceAll("'", "''")}'`);
}
export async function migrationsApplied(em: EntityManager): Promise<boolean> {
  const rows = await em
    .getConnection()
    .execute<{ t: string | null }[]>(`select to_regclass('job_event')::text as t`);
  return rows[0]?.t === 'job_event';
}

/** One transaction that has entered no workshop yet: what is called in it does, or sees nothing. */
export async function inTransaction<T>(work: (em: EntityManager) => Promise<T>): Promise<T> {
  return (await getOrm()).em.fork().transactional((em) => work(em as EntityManager));
}

/** One transaction in which only this workshop's rows exist. */
export async function inShop<T>(shopId: string, work: (em: EntityManager) => Promise<T>): Promise<T> {
  const orm = await getOrm();
  return orm.em.fork().transactional(async (em) => {
    await em.execute(`select set_config('app.shop', ?, true)`, [shopId]);
    return work(em as EntityManager);
  });
}
