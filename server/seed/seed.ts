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
  stencils,
  stock,
} from '../../demo/scenario';
import { contentHash } from '../../core/model/canonical-json';
import { checkModel } from '../../core/model/check-model';
import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { ofVariant } from '../../core/model/variant';
import { madePassword } from './demo-password';
import { checkRoutes } from '../../core/route/check-routes';
import { jobRouteInput } from '../../core/progress/route-input-of-job';
import { planRoute } from '../../core/route/plan';
import { Bench } from '../../core/testing/bench';
import { hashPassword } from '../auth/password';
import { appendCommand, newJob } from '../append-command';
import { keepPrivate } from '../db/job-private';
import { addJob } from '../db/jobs';
import { ship, shippedHashes } from '../db/models';
import { asOwner, inShop } from '../db/orm';
import { addPerson } from '../db/people';
import { storeRoute } from '../db/routes';
import { putSpares } from '../db/spares';
import { putStencils } from '../db/stencils';
import { addParts } from '../db/stock';
import { addWorkshop, isDemo } from '../db/workshop';
import type { Who } from '../../core/wire/who';

const files = import.meta.glob<unknown>('../../demo/models/*.json', { eager: true, import: 'default' });

/** Puts the shipped models into the database, rows of no workshop; a changed one becomes the current of its name. */
export async function shipModels(): Promise<Map<string, { hash: string; model: DeviceModel }>> {
  const shipped = new Map<string, { hash: string; model: DeviceModel }>();
  const have = new Set(await asOwner((orm) => shippedHashes(orm.em.fork())));
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
    orm.em.fork().transactional((em) => ship(em as EntityManager, [...shipped.values()])),
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
    await addWorkshop(em, { id: shopId, name: given.name, settings: given.settings, demo });
    for (const p of staff) {
      const personId = randomUUID();
      const { login, name, role, bench } = p;
      if (!(await addPerson(em, { id: personId, login, name, role, bench, passwordHash: hash })))
        throw new Error(`the login name ${login} is taken`);
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
  const done = await asOwner((orm) => isDemo(orm.em.fork()));
  if (done) return false;
  const staff = await makeWorkshop(shop, people, madePassword(), true);
  const tova = staff.get('tova')!;
  await inShop(tova.shopId, async (em) => {
    let number = 240;
    await addParts(
      em,
      stock.map(({ model, ...part }) => {
        const { name, kind } = shipped.get(model)!.model.slots.find((x) => x.id === part.slot)!;
        return { ...part, modelId: model, name, kind };
      }),
    );
    await putSpares(em, spareScrews);
    await putStencils(em, stencils);
    for (const job of [...closedJobs, ...openJobs])
      await seedJob(em, staff, shipped.get(job.model)!, job, ++number, now);
  });
  return true;
}

/** The next time of day `hh:mm` after a moment, in the server's zone. */
function nextAt(clock: string, after: number): number {
  const [h, m] = clock.split(':').map(Number) as [number, number];
  const date = new Date(after);
  date.setHours(h, m, 0, 0);
  if (date.getTime() <= after) date.setDate(date.getDate() + 1);
  return date.getTime();
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
  await addJob(em, {
    id,
    number,
    tag: job.tag,
    modelHash: hash,
    variant,
    promisedAt,
    openedAt: now - job.minutesAgo * 60_000,
  });
  let at = newJob(hash, variant);
  for (const command of bench.commands) {
    const { outcome, job: next } = await appendCommand(em, by, { ...command, job: id }, at);
    if (outcome.status === 'refused')
      throw new Error(
        `demo job ${job.tag}: ${command.body.type} refused: ${JSON.stringify(outcome.refused)}`,
      );
    at = next;
  }
  await keepPrivate(em, id, 'owner', job.owner);
}
