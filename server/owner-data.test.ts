import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { beforeAll, expect, test } from 'vitest';
import type { Who } from '../core/wire/who';
import { JobPrivate, Photo } from './db/entities';
import { inShop } from './db/orm';
import { keepPrivate } from './db/job-private';
import { jobPage } from './use-cases/job-page';
import { eraseOwnerData, ownerData } from './use-cases/owner-data';
import { keepPhoto } from './use-cases/photos';
import { sendCommands } from './use-cases/send-commands';
import { reportData } from './report/report-data';
import { checkLogs } from './use-cases/check-logs';
import { cmd, makeWorld, openJob, type World } from './testing/world';

let world: World;
let lead: Who;
let tova: Who;
beforeAll(async () => {
  world = await makeWorld();
  lead = world.own.get('lead')!;
  tova = world.own.get('technician')!;
}, 120_000);

const owner = `Runa ${randomUUID().slice(0, 8)}`;
/** A job of this owner, with a photograph and a signature, closed where that is wanted. */
async function jobOf(ended: boolean): Promise<string> {
  const job = await openJob(world, tova, { owner }, false);
  const photo = randomUUID();
  const png = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888888' } })
    .png()
    .toBuffer();
  await keepPhoto(tova, job, photo, png);
  await sendCommands(tova, [cmd(tova, job, { type: 'photographed', photo, thing: 'display' } as never)]);
  await inShop(tova.shopId, (em) =>
    keepPrivate(em, job, `signature ${randomUUID()}`, JSON.stringify({ name: owner, strokes: [[[1, 1]]] })),
  );
  if (ended)
    await sendCommands(lead, [cmd(lead, job, { type: 'jobClosed', ending: 'declined', note: 'too dear' })]);
  return job;
}
const rows = (job: string) =>
  inShop(tova.shopId, async (em) => [
    await em.count(JobPrivate, { jobId: job }),
    await em.count(Photo, { jobId: job }),
  ]);

test('everything of one owner comes as one file, from all jobs of that name and no other', async () => {
  const [first, second] = [await jobOf(true), await jobOf(false)];
  await openJob(world, tova, { owner: 'Somebody else' }, false);
  const held = (await ownerData(lead, first)) as {
    owner: string;
    jobs: { owner: string; photographs: { jpeg: string }[]; signatures: object; log: unknown[] }[];
  };
  expect(held.owner).toBe(owner);
  expect(held.jobs).toHaveLength(2);
  for (const job of held.jobs) {
    expect(job.owner).toBe(owner);
    expect(Object.values(job.signatures)).toMatchObject([{ name: owner }]);
    expect(Buffer.from(job.photographs[0]!.jpeg, 'base64').subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
    expect(job.log.length).toBeGreaterThan(3);
  }
  expect(await ownerData(tova, first)).toBeUndefined();
  expect(await ownerData(world.other.get('owner')!, second)).toBeUndefined();
});
test('erased on request: name, signatures and photographs are gone, the log stays whole and says so', async () => {
  const job = await jobOf(true);
  const before = (await jobPage(lead, job))!.state.seq;
  expect(await eraseOwnerData(tova, job, Date.now())).toMatchObject({ ok: false, status: 403 });
  expect(await eraseOwnerData(world.other.get('owner')!, job, Date.now())).toBeUndefined();
  expect(await rows(job)).toEqual([2, 1]);
  expect(await eraseOwnerData(lead, job, Date.now())).toMatchObject({
    ok: true,
    said: expect.stringContaining('1 photograph'),
  });
  expect(await rows(job)).toEqual([0, 0]);
  const page = (await jobPage(lead, job))!;
  expect(page.owner).toBeNull();
  expect(page.state.seq).toBe(before + 1);
  const report = (await reportData(lead, job))!;
  expect(report.photos).toEqual([]);
  expect(report.events.at(-1)!.body).toMatchObject({
    type: 'noted',
    text: expect.stringContaining('Erased on request'),
  });
  expect(JSON.stringify(report.events)).not.toContain(owner);
  expect((await checkLogs()).faults).toEqual([]);
  // once more changes nothing
  expect(await eraseOwnerData(lead, job, Date.now())).toMatchObject({
    said: expect.stringContaining('Nothing'),
  });
  expect((await jobPage(lead, job))!.state.seq).toBe(before + 1);
});
test('of a job that is open nothing is erased', async () => {
  const job = await jobOf(false);
  expect(await eraseOwnerData(lead, job, Date.now())).toMatchObject({ ok: false, status: 409 });
  expect(await rows(job)).toEqual([2, 1]);
});
