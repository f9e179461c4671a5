import { beforeAll, describe, expect, test } from 'vitest';
import { Job } from './db/entities';
import { asOwner, getOrm, inShop, inTransaction } from './db/orm';
import { makeWorld, openJob, type World } from './testing/world';

let world: World;
let job: string;
beforeAll(async () => {
  world = await makeWorld();
  job = await openJob(world, world.own.get('technician')!);
}, 120_000);

/** Every table that has a workshop, as the database has them. */
const ofWorkshops = () =>
  asOwner((orm) =>
    orm.em.getConnection().execute<{ relname: string; ok: boolean; owner: string }[]>(
      `select c.relname, c.relrowsecurity and c.relforcerowsecurity as ok, r.rolname as owner from pg_class c join pg_roles r on r.oid = c.relowner join pg_attribute a on a.attrelid = c.oid and a.attname in ('shop_id')
       where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace`,
    ),
  );

describe('row-level security', () => {
  test('is the second lock: what the app itself asks for is narrowed to the workshop, too', async () => {
    const [own, other] = [world.own.get('owner')!, world.other.get('owner')!];
    const seen = await inShop(own.shopId, async (em) => {
      const before = (await em.find(Job, {})).length;
      // the database is told of one workshop, the entities of another: they agree on nothing
      em.setFilterParams('shop', { shop: other.shopId });
      em.clear();
      return { before, after: (await em.find(Job, {})).length };
    });
    expect(seen.before).toBeGreaterThan(0);
    expect(seen.after).toBe(0);
    await expect(inTransaction((em) => em.find(Job, {}))).rejects.toThrow();
  });
  test('is forced on every table that has a workshop, and the app’s role owns nothing', async () => {
    const rows = await ofWorkshops();
    expect(rows.length).toBeGreaterThanOrEqual(10);
    for (const r of rows) {
      expect(r.ok, r.relname).toBe(true);
      expect(r.owner).not.toBe('snavek_app');
    }
  });
  test('lets a backup read every table: one without its policy would be saved empty', async () => {
    const rows = await asOwner((orm) =>
      orm.em.getConnection().execute<{ relname: string; saved: boolean }[]>(
        `select c.relname, exists (select 1 from pg_policy p where p.polrelid = c.oid and p.polname = 'saved') as saved
         from pg_class c where c.relkind = 'r' and c.relrowsecurity and c.relnamespace = 'public'::regnamespace`,
      ),
    );
    expect(rows.length).toBeGreaterThanOrEqual(15);
    expect(rows.filter((r) => !r.saved)).toEqual([]);
  });
  test('one workshop sees no row of another in any table, and cannot write one', async () => {
    const own = world.own.get('owner')!;
    const other = world.other.get('owner')!;
    await openJob(world, other);
    for (const { relname: table } of await ofWorkshops()) {
      const seen = await inShop(other.shopId, (em) =>
        em.execute<{ shop_id: string | null }[]>(`select shop_id from ${table}`),
      );
      expect(
        // what no workshop owns, such as the models that ship, is everybody's
        seen.every((r) => r.shop_id === null || r.shop_id === other.shopId),
        table,
      ).toBe(true);
      expect(
        await (await getOrm()).em.getConnection().execute(`select 1 from ${table} where shop_id is not null`),
        `${table} without a workshop`,
      ).toEqual([]);
    }
    await expect(
      inShop(other.shopId, (em) =>
        em.execute(`insert into job_private (shop_id, job_id, kind, value) values (?, ?, 'owner', 'x')`, [
          own.shopId,
          job,
        ]),
      ),
    ).rejects.toThrow(/row-level security/);
  });
  test('a log is never rewritten, not even by its own workshop', async () => {
    await expect(
      inShop(world.own.get('owner')!.shopId, (em) =>
        em.execute(`update job_event set event = '{}' where job_id = ?`, [job]),
      ),
    ).rejects.toThrow(/permission denied/);
    await expect(
      asOwner((orm) =>
        orm.em.fork().transactional(async (em) => {
          await em.execute(`select set_config('app.shop', ?, true)`, [world.own.get('owner')!.shopId]);
          await em.execute(`update job_event set event = '{}' where job_id = ?`, [job]);
        }),
      ),
    ).rejects.toThrow(/never rewritten/);
  });
});
