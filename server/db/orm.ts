import { Migrator } from '@mikro-orm/migrations';
import { defineConfig, type EntityManager, MikroORM } from '@mikro-orm/postgresql';
import { appRole, appSecret, appUrl } from './app-role';
import { entities } from './entities';
import { PostgresNames, SignInAttempt } from './entities-of-shop';
import { migrationsList } from './migrations';

function ormConfig(clientUrl: string, pool = 10) {
  return defineConfig({
    clientUrl,
    entities,
    namingStrategy: PostgresNames,
    // what a row refers to, it refers to within its shop: relations share that column with the key
    discovery: { checkDuplicateFieldNames: false },
    // a relation is joined where it is asked for, not for the sake of its filter
    autoJoinRefsForFilters: false,
    extensions: [Migrator],
    forceUtcTimezone: true,
    pool: { min: 0, max: pool, acquireTimeoutMillis: 4000, createTimeoutMillis: 3000 } as {
      min: number;
      max: number;
    },
    // the queue's tables are its package's own
    schemaGenerator: { ignoreSchema: ['graphile_worker'] },
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
/** How many connections are used, free and waited for. */
export async function poolOf(): Promise<{ used: number; free: number; waiting: number }> {
  const { pool } = (await getOrm()).em.getConnection().getKnex().client as {
    pool: { numUsed(): number; numFree(): number; numPendingAcquires(): number };
  };
  return { used: pool.numUsed(), free: pool.numFree(), waiting: pool.numPendingAcquires() };
}
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
/** Whether the app's own role can write: a standby, a full disk or a read-only database answers questions and keeps nothing. */
export async function canWrite(em: EntityManager): Promise<boolean> {
  await em
    .fork()
    .upsert(
      SignInAttempt,
      { key: 'healthz', points: 0, expire: 0n },
      { onConflictFields: ['key'], onConflictMergeFields: ['points'] },
    );
  return true;
}
/** Whether the tables are there. Asked of the catalogue: a question to a table that is missing is an error. */
export async function migrationsApplied(em: EntityManager): Promise<boolean> {
  const rows = await em
    .getConnection()
    .execute<{ t: string | null }[]>(`select to_regclass('job_event')::text as t`);
  return rows[0]?.t === 'job_event';
}

/** Whether an error says that the database cannot be reached, or ended the connection: what was asked may be asked again. */
export function isDatabaseAway(error: unknown): boolean {
  for (
    let e = error as { code?: string; name?: string; cause?: unknown; message?: string } | undefined;
    e;
    e = e.cause as typeof e
  ) {
    if (e.name === 'ConnectionException' || e.name === 'KnexTimeoutError') return true;
    // class 08: connection; 57P0x: shut down; 53: no resources; 40: serialisation, deadlock (PostgreSQL, appendix A)
    if (e.code && /^(08...|57P0.|53...|40...|25006|ECONN|EPIPE|ENOTFOUND|ETIMEDOUT)/.test(e.code))
      return true;
    if (
      e.message &&
      /terminating connection|Connection terminated|timeout exceeded when trying to connect|acquiring a connection/i.test(
        e.message,
      )
    )
      return true;
  }
  return false;
}

/** One transaction that has entered no workshop yet: what is called in it does, or sees nothing. */
export async function inTransaction<T>(work: (em: EntityManager) => Promise<T>): Promise<T> {
  return (await getOrm()).em.fork().transactional((em) => work(em as EntityManager));
}

/**
 * One transaction in which only this workshop's rows exist: every question is narrowed to it by the entities' own filter,
 * and the database, told the same, has no others to give.
 */
export async function inShop<T>(shopId: string, work: (em: EntityManager) => Promise<T>): Promise<T> {
  return inTransaction(async (em) => {
    await em.execute(`select set_config('app.shop', ?, true)`, [shopId]);
    em.setFilterParams('shop', { shop: shopId });
    return work(em);
  });
}
/** Waits until nobody else is at the same thing; the database's own lock, which ends with the transaction. */
export const alone = (em: EntityManager, what: string): Promise<unknown> =>
  em.execute(`select pg_advisory_xact_lock(hashtext(?))`, [what]);
/** Of several processes that start at once one does it, and the others wait for it. */
export const oneAtATime = <T>(what: string, work: () => Promise<T>): Promise<T> =>
  asOwner((orm) =>
    orm.em.fork().transactional(async (em) => {
      await alone(em as EntityManager, what);
      return work();
    }),
  );
/** The workshop that a transaction has entered. @throws where it has entered none: that is a mistake of the program */
export function shopOf(em: EntityManager): string {
  const { shop } = em.getFilterParams('shop') as { shop?: string };
  if (!shop) throw new Error('outside of any workshop: use inShop');
  return shop;
}
