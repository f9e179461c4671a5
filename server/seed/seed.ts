import { checksDue } from '../../core/checks/due';
import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import {
  type DemoJob,
  closedJobs,
  openJobs,
  people,
  sailings,
  shop,
  spareScrews,
  stock,
} from '../../demo/scenario';
import { empty, type JobState } from '../../core/job/state';
import { contentHash } from '../../core/model/canonical-json';
import { checkModel } from '../../core/model/check-model';
import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { ofVariant } from '../../core/model/variant';
import { madePassword } from './demo-password';
import { checkRoutes } from '../../core/route/check-routes';
import { jobRouteInput } from '../../core/route/job-input';
import { planRoute } from '../../core/route/plan';
import { Bench } from '../../core/testing/bench';
import { hashPassword } from '../auth/password';
import { appendCommand } from '../db/job-log';
import { asOwner, inShop } from '../db/orm';
import type { Who } from '../types';
import { storeRoute } from '../use-cases/plan-route';

const files = import.meta.glob<unknown>('../../demo/models/*.json', { eager: true, import: 'default' });

/** Puts the shipped models into the database, rows of no workshop; a changed one becomes the current of its name. */
export async function shipModels(): Promise<Map<string, { hash: string; model: DeviceModel }>> {
  const shipped = new Map<string, { hash: string; model: DeviceModel }>();
  const have = new Set(
    await asOwner(async (orm) =>
      (
        await orm.em
          .getConnection()
          .execute<{ hash: string }[]>(`select hash from device_model where shop_id is null`)
      ).map((r) => r.hash),
    ),
  );
  for (const [file, json] of Object.entries(files)) {
    const read = checkModel(json);
    // what this database has already is known to be good
    const known = read.ok && have.has(contentHash(read.model));
    const problems = read.ok ? (known ? [] : checkRoutes(read.model)) : read.problems;
    if (!read.ok || problems.length)
      throw new Error(`${file} cannot be used: ${problems.map((p) => `${p.path}: ${p.text}`).join('; ')}`);
    shipped.set(read.model.id, { hash: contentHash(read.model), model: read.model });
  }
  await asOwner((orm) =>
    orm.em.fork().transactional(async (em) => {
      for (const { hash, model } of shipped.values()) {
        await em.execute(
          `update device_model set current = false where shop_id is null and model_id = ? and hash <> ?`,
          [model.id, hash],
        );
        await em.execute(
          `insert into device_model (hash, shop_id, model_id, name, model) values (?, null, ?, ?, ?::jsonb) on conflict (hash) do update set current = true`,
          [hash, model.id, `${model.maker} ${model.name}`, JSON.stringify(model)],
        );
      }
    }),
  );
  return shipped;
}

/** Makes a workshop with its people. @returns who the first person of each role is */
export async function makeWorkshop(
  given: typeof shop,
  staff: typeof people,
  password: string,
  demo: boolean,
): Promise<Map<string, Who>> {
  const shopId = randomUUID();
  const hash = await hashPassword(password);
  const out = new Map<string, Who>();
  await inShop(shopId, async (em) => {
    await em.execute(`insert into workshop (id, name, settings, demo) values (?, ?, ?::jsonb, ?)`, [
      shopId,
      given.name,
      JSON.stringify(given.settings),
      demo,
    ]);
    for (const p of staff) {
      const personId = randomUUID();
      await em.execute(
        `insert into person (shop_id, id, login, name, role, bench, password_hash) values (?, ?, ?, ?, ?, ?, ?)`,
        [shopId, personId, p.login, p.name, p.role, p.bench, hash],
      );
      out.set(p.login, {
        shopId,
        personId,
        name: p.name,
        login: p.login,
        role: p.role,
        bench: p.bench,
        shopName: given.name,
        settings: given.settings,
        demo,
      });
    }
  });
  return out;
}

/** The demo workshop with its jobs, once; a database that has one is left as it is. */
export async function seedDemo(now: number): Promise<boolean> {
  const shipped = await shipModels();
  const done = await asOwner(
    async (orm) => (await orm.em.getConnection().execute(`select 1 from workshop where demo`)).length > 0,
  );
  if (done) return false;
  const staff = await makeWorkshop(shop, people, madePassword(), true);
  const tova = staff.get('tova')!;
  await inShop(tova.shopId, async (em) => {
    let number = 240;
    await em.execute(
      `insert into part (shop_id, id, name, kind, model_id, slot, provenance, supplier, lot, serial, price_minor, arrives_with, released, proof)
       select shop_now(), (x->>'id')::uuid, x->>'name', x->>'kind', x->>'model', x->>'slot', x->>'provenance', x->>'supplier', x->>'lot', x->>'serial', (x->>'priceMinor')::int, x->'arrivesWith', x->>'released', x->>'proof' from jsonb_array_elements(?::jsonb) x`,
      [
        JSON.stringify(
          stock.map((p) => {
            const slot = shipped.get(p.model)!.model.slots.find((x) => x.id === p.slot)!;
            return { ...p, id: randomUUID(), name: slot.name, kind: slot.kind };
          }),
        ),
      ],
    );
    await em.execute(
      `insert into spare_screw (shop_id, id, drive, thread, length_mm, head_mm, count, note) select shop_now(), (x->>'id')::uuid, x->>'drive', x->>'thread', (x->>'lengthMm')::numeric, (x->>'headMm')::numeric, (x->>'count')::int, x->>'note' from jsonb_array_elements(?::jsonb) x`,
      [JSON.stringify(spareScrews.map((s) => ({ ...s, id: randomUUID() })))],
    );
    for (const job of [...closedJobs, ...openJobs])
      await seedJob(em, staff, shipped.get(job.model)!, job, ++number, now);
  });
  return true;
}

/** The next time of day `hh:mm` after a moment, in the server's zone. */
function nextAt(clock: string, after: number): number {
  const [h, m] = clock.split(':').map(Number) as [number, number];
  const d = new Date(after);
  d.setHours(h, m, 0, 0);
  if (d.getTime() <= after) d.setDate(d.getDate() + 1);
  return d.getTime();
}

async function seedJob(
  em: EntityManager,
  staff: Map<string, Who>,
  { hash, model }: { hash: string; model: DeviceModel },
  job: DemoJob,
  number: number,
  now: number,
): Promise<void> {
  const variant = model.variants[0]!.id;
  const index = indexModel(ofVariant(model, variant));
  const id = randomUUID();
  const by = number % 3 === 0 ? staff.get('marek')! : staff.get('tova')!;
  const bench = new Bench(index, undefined, by.personId, by.role, id);
  bench.at = now - job.minutesAgo * 60_000;
  bench.paceMs = 4000 + ((number * 7919) % 5) * 900;
  const promisedAt = nextAt(sailings[job.sailing]!, job.ending ? bench.at + 3600_000 : now + 15 * 60_000);
  bench.do({
    type: 'opened',
    modelHash: hash,
    variant,
    tag: job.tag,
    complaint: job.complaint,
    tasks: job.tasks ?? [{ slot: 'cell', action: 'replace' }],
    promisedAt,
    promisedAs: 'sailing',
  });
  job.marks?.forEach((m, i) => bench.do({ type: 'marked', mark: { id: `m${i + 1}`, ...m } }));
  // with the tasks known from the start, all that they will touch is asked at once
  for (const { function: f } of checksDue(bench.state, index, 'before'))
    bench.do({
      type: 'checked',
      round: 'before',
      function: f,
      result: job.fails?.includes(f) ? 'fails' : job.untested?.includes(f) ? 'untested' : 'works',
    });
  bench.do({ type: 'received' });
  for (const symptom of job.symptoms ?? []) bench.do({ type: 'symptomSet', symptom, on: true });
  for (const [test, outcome] of job.tests ?? []) bench.do({ type: 'tested', test, outcome });
  if (job.cause) bench.do({ type: 'causeStated', cause: job.cause[0], because: job.cause[1] });
  if (job.presses !== 'none') {
    const route = planRoute(index, hash, jobRouteInput(by.settings, index, bench.state));
    if ('infeasible' in route) throw new Error(`${model.name} cannot be routed`);
    await storeRoute(em, route);
    bench.agree(route.input.methods);
    bench.adopt(route);
    if (job.presses) bench.do({ type: 'takenOver', bench: by.bench });
    const presses = job.presses === 'all' ? 2000 : job.presses;
    for (let k = 0; k < presses; k++) {
      // of an open device the last thing happened just now: what was put on the plate is still warming
      if (!job.ending && k === presses - 1) bench.at = Math.max(bench.at, now - 80_000);
      if (!bench.next()) break;
    }
  }
  for (const [thing, text, finding] of job.notes ?? [])
    bench.do({ type: 'noted', thing, text, ...(finding ? { finding: true } : {}) });
  if (job.ending) bench.do({ type: 'jobClosed', ending: job.ending, note: job.closing ?? '' });
  await em.execute(
    `insert into job (shop_id, id, number, tag, model_hash, variant, seq, stage, summary, promised_at, opened_at) values (shop_now(), ?, ?, ?, ?, ?, 0, 'Receive', '{}', to_timestamp(?), to_timestamp(?))`,
    [id, number, job.tag, hash, variant, promisedAt / 1000, (now - job.minutesAgo * 60_000) / 1000],
  );
  let state: JobState = empty();
  for (const command of bench.commands) {
    const answer = await appendCommand(em, by, command, id, { state, model_hash: hash, variant });
    if (answer.outcome.status === 'refused')
      throw new Error(
        `demo job ${job.tag}: ${command.body.type} refused: ${JSON.stringify(answer.outcome.refused)}`,
      );
    state = answer.state;
  }
  await em.execute(
    `insert into job_private (shop_id, job_id, kind, value) values (shop_now(), ?, 'owner', ?)`,
    [id, job.owner],
  );
}
