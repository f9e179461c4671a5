import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { beforeAll, describe, expect, test } from 'vitest';
import { action as photoAction, loader as photoLoader } from '../app/routes/photos/photo';
import { loader as offerPdfLoader } from '../app/routes/offer/offer-pdf';
import type { Body } from '../core/log/events';
import { flag } from '../core/log/state';
import { inShop } from './db/orm';
import {
  agreeAll,
  answerBefore,
  call,
  cmd,
  eventsOf,
  makeWorld,
  openJob,
  receipt,
  type World,
} from './testing/world';
import type { Who } from '../core/wire/who';
import { receivingNow } from './use-cases/device-history';
import { saveDraft } from './use-cases/drafts';
import { experienceOf } from './db/experience';
import { jobPage } from './use-cases/job-page';
import { dropPhoto, keepPhoto, photoOf } from './use-cases/photos';
import { adoptRoute } from './use-cases/plan-route';
import { receiveJob } from './use-cases/receive-job';
import { sendCommands } from './use-cases/send-commands';
import { keepSignature, signaturesOf } from './use-cases/signatures';

let world: World;
let tova: Who;
let marek: Who;
let bo: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  marek = world.own.get('lead')!;
  bo = world.own.get('trainee')!;
}, 120_000);

const send = async (who: Who, job: string, body: Body) =>
  (await sendCommands(who, [cmd(who, job, body)]))[0]!.outcome;
const mica = () => world.models.get('mica-9')!;

describe('photographs', () => {
  const picture = () =>
    sharp({ create: { width: 3000, height: 1500, channels: 3, background: '#446688' } })
      .withExif({ IFD0: { Copyright: 'somebody' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .jpeg()
      .toBuffer();
  test('are encoded anew: smaller, upright, with nothing of the file but the picture', async () => {
    const [job, photo] = [randomUUID(), randomUUID()];
    const sent = await picture();
    expect((await sharp(sent).metadata()).exif).toBeDefined();
    expect(await keepPhoto(tova, job, photo, sent)).toEqual({ ok: true, width: 2000, height: 1000 });
    const kept = (await photoOf(tova, job, photo))!;
    const meta = await sharp(kept).metadata();
    expect(meta).toMatchObject({ format: 'jpeg', width: 2000, height: 1000 });
    expect([meta.exif, meta.xmp, meta.iptc]).toEqual([undefined, undefined, undefined]);
    // sent again, as a bench does that has not heard the answer
    expect(await keepPhoto(tova, job, photo, sent)).toMatchObject({ ok: true });
    expect(await photoOf(world.other.get('owner')!, job, photo)).toBeUndefined();
  });
  test('that are HEIC, broken, empty or no picture are refused with what to do', async () => {
    const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)]);
    for (const [bytes, words] of [
      [heic, /HEIC.*JPEG/],
      [(await picture()).subarray(0, 900), /damaged/],
      [Buffer.alloc(0), /empty/],
      [Buffer.from('<svg/onload=alert(1)>'), /not a photograph/],
      [
        Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" width="9000" height="9000"><filter id="f"><feTurbulence numOctaves="9"/></filter><rect width="9000" height="9000" filter="url(#f)"/></svg>`,
        ),
        /not a photograph/,
      ],
    ] as const) {
      const r = await keepPhoto(tova, randomUUID(), randomUUID(), Buffer.from(bytes));
      expect(r.ok).toBe(false);
      if (!r.ok) expect(r.error).toMatch(words);
    }
  });
  test('larger than the limit are cut off as they come, whatever the header says', async () => {
    let sent = 0;
    const body = new ReadableStream({
      pull(c) {
        if (sent >= 60) c.close();
        else {
          sent++;
          c.enqueue(new Uint8Array(1_000_000));
        }
      },
    });
    const r = await call(
      photoAction as never,
      tova,
      '/jobs/x/photos/y',
      { job: randomUUID(), photo: randomUUID() },
      { method: 'PUT', body, duplex: 'half' } as RequestInit,
    );
    expect(r.status).toBe(413);
    expect(JSON.stringify(r.body)).toContain('larger than 25 MB');
    expect(sent).toBeLessThan(40);
  });
  test('of a device that is being received can be removed, of one that has been received they stay', async () => {
    const [draft, photo] = [randomUUID(), randomUUID()];
    await keepPhoto(tova, draft, photo, await picture());
    const done = await receiveJob(
      tova,
      draft,
      receipt(mica(), {
        photos: [{ id: photo, mark: 'm1' }],
        marks: [{ id: 'm1', side: 'frame', x: 0, y: 40, kind: 'dent', severity: 3 }],
      }),
      Date.now(),
    );
    expect(done).toMatchObject({ ok: true });
    expect((await jobPage(tova, draft))!.state).toMatchObject({
      photo: { [photo]: 'm1' },
      mark: { m1: { kind: 'dent', side: 'frame', severity: 3 } },
    });
    expect(await dropPhoto(tova, draft, photo)).toBe(false);
    expect(
      (await call(photoLoader as never, tova, '/x', { job: draft, photo })).response!.headers.get(
        'content-type',
      ),
    ).toBe('image/jpeg');
    const other = randomUUID();
    await keepPhoto(tova, draft, other, await picture());
    const fresh = randomUUID();
    await keepPhoto(tova, fresh, randomUUID(), await picture());
    expect(await keepPhoto(tova, fresh, other, await picture())).toMatchObject({ ok: false, status: 409 });
  });
});

describe('receiving', () => {
  test('a complaint of 100 kB is kept in the draft and refused in words when received', async () => {
    const id = randomUUID();
    const complaint = 'x'.repeat(100_000);
    await saveDraft(tova, id, { complaint });
    const r = await receiveJob(tova, id, receipt(mica(), { complaint }), Date.now());
    expect(r).toMatchObject({ ok: false, errors: { complaint: expect.stringContaining('this has 100000') } });
    expect(
      await inShop(tova.shopId, (em) =>
        em.execute(`select length(body->>'complaint') as n from draft where id = ?`, [id]),
      ),
    ).toEqual([{ n: 100_000 }]);
  });
  test('without tasks a device goes to its fault; with them to its offer', async () => {
    expect(
      await receiveJob(
        tova,
        randomUUID(),
        receipt(mica(), { tasks: [], promisedAt: null, symptoms: ['no-picture'] }),
        Date.now(),
      ),
    ).toMatchObject({ ok: true, next: 'fault' });
    expect(await receiveJob(tova, randomUUID(), receipt(mica()), Date.now())).toMatchObject({
      ok: true,
      next: 'offer',
    });
  });
  test('two technicians who receive the same device: one job, and the other is told which', async () => {
    const form = receipt(mica(), { tag: `SAME-${randomUUID().slice(0, 6)}` });
    await saveDraft(marek, randomUUID(), { tag: form.tag.toLowerCase() });
    expect((await receivingNow(tova, form.tag, randomUUID())).others).toMatchObject([{ name: 'Marek' }]);
    const both = await Promise.all([
      receiveJob(tova, randomUUID(), form, Date.now()),
      receiveJob(marek, randomUUID(), form, Date.now()),
    ]);
    expect(both.filter((r) => r.ok)).toHaveLength(1);
    expect(both.find((r) => !r.ok)).toMatchObject({
      errors: { tag: expect.stringMatching(/here already: job \d+, at Receive/) },
    });
  });
  test('a device that has been here comes with its marks and history, for its own workshop only', async () => {
    const tag = `BACK-${randomUUID().slice(0, 6)}`;
    const job = await openJob(
      world,
      tova,
      { tag, marks: [{ id: 'm1', side: 'back', x: 5, y: 6, kind: 'crack' }] },
      false,
    );
    await send(tova, job, { type: 'causeStated', cause: 'cell-worn', because: 'seen' });
    await send(tova, job, { type: 'jobClosed', ending: 'declined', note: 'too dear' });
    const { earlier } = await receivingNow(tova, tag.toLowerCase(), randomUUID());
    expect(earlier).toMatchObject([
      { ending: 'declined', cause: 'cell-worn', marks: [{ id: 'm1', kind: 'crack' }], tasks: ['cell'] },
    ]);
    expect((await receivingNow(world.other.get('owner')!, tag, randomUUID())).earlier).toEqual([]);
  });
});

describe('the fault', () => {
  test('what finished jobs have shown is counted from their logs: handed over and stated, nothing else', async () => {
    const before = await inShop(tova.shopId, experienceOf);
    const n = (e: typeof before) => e.causes['short-battery']?.['cell-worn'] ?? 0;
    const open = await openJob(world, marek, {}, false);
    for (const b of [
      { type: 'symptomSet', symptom: 'short-battery', on: true },
      { type: 'tested', test: 'battery-page', outcome: 'worn' },
      { type: 'causeStated', cause: 'cell-worn', because: 'health' },
    ] as Body[])
      await send(marek, open, b);
    expect(n(await inShop(tova.shopId, experienceOf))).toBe(n(before));
    await sendCommands(marek, [
      {
        id: randomUUID(),
        job: open,
        person: marek.personId,
        body: { type: 'jobClosed', ending: 'handed over', note: '' },
        at: Date.now(),
        clockKnown: true,
        override: {
          rules: [
            'after check open',
            'consent open',
            'ledger does not balance',
            'device open',
            'identity data open',
          ],
          reason: 'test',
        },
      },
    ]);
    const after = await inShop(tova.shopId, experienceOf);
    expect(n(after)).toBe(n(before) + 1);
    expect(after.tests['battery-page']!['cell-worn']!.worn).toBe(
      (before.tests['battery-page']?.['cell-worn']?.worn ?? 0) + 1,
    );
    // the demo workshop has finished jobs of its own
    expect(await inShop(world.other.get('owner')!.shopId, experienceOf)).toEqual({ causes: {}, tests: {} });
  });
  test('the route waits for the harmless tests, and a trainee’s way past them for a second person', async () => {
    const job = await openJob(
      world,
      bo,
      { symptoms: ['no-start'], tasks: [{ slot: 'display', action: 'replace' }] },
      false,
    );
    await agreeAll(bo, job);
    await answerBefore(bo, job);
    const first = await adoptRoute(bo, job, randomUUID());
    expect(first).toMatchObject({
      ok: true,
      outcome: { status: 'refused', refused: { code: 'interlock', findings: [{ rule: 'harmless first' }] } },
    });
    const reason = { rules: ['harmless first'], reason: 'tried at home by the owner' };
    expect(await adoptRoute(bo, job, randomUUID(), {}, reason)).toMatchObject({
      outcome: { refused: { code: 'second person needed' } },
    });
    expect(
      await adoptRoute(
        bo,
        job,
        randomUUID(),
        {},
        { ...reason, confirm: { login: tova.login, password: 'a-long-password' } },
      ),
    ).toMatchObject({ outcome: { status: 'recorded' } });
    expect((await eventsOf(bo, job)).some((e) => e.event.body.type === 'overridden')).toBe(true);
  });
});

describe('the offer', () => {
  test('is printed with price, parts, what was agreed and the signature; the log holds no name', async () => {
    const job = await openJob(world, tova, {}, false);
    const id = randomUUID();
    expect(
      await keepSignature(tova, job, id, {
        name: 'Yrsa',
        strokes: [
          [
            [10, 10],
            [90, 120],
            [200, 40],
          ],
        ],
      }),
    ).toBe(true);
    expect(await keepSignature(tova, randomUUID(), id, { name: 'Yrsa', strokes: [] })).toBe(false);
    await send(tova, job, {
      type: 'quoted',
      p10Minor: 5000,
      p50Minor: 6000,
      p90Minor: 7000,
      meanMinor: 6100,
      limitMinor: 8000,
      chance: 0.97,
      replacementMinor: null,
      advice: 'repair',
    });
    for (const effect of ['price', 'water'])
      await send(tova, job, { type: 'consentGiven', effect, by: 'owner', signature: id });
    await send(tova, job, { type: 'promised', at: Date.now() + 5 * 3_600_000, as: 'sailing' });
    const pdf = await call(offerPdfLoader as never, tova, '/x', { job });
    const bytes = Buffer.from(await pdf.response!.arrayBuffer());
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(bytes.toString('latin1')).toMatch(/FontFile2|FontFile3/);
    expect(Object.values(await signaturesOf(tova, job))).toMatchObject([{ name: 'Yrsa' }]);
    expect((await jobPage(tova, job))!.signers[id]).toBe('Yrsa');
    expect(JSON.stringify(await eventsOf(tova, job))).not.toContain('Yrsa');
    // the promise of the log is the one of the list
    const [row] = await inShop(tova.shopId, (em) =>
      em.execute<{ at: string }[]>(
        `select extract(epoch from promised_at) * 1000 as at from job where id = ?`,
        [job],
      ),
    );
    expect(Number(row!.at)).toBe(flag((await jobPage(tova, job))!.state, 'promisedAt'));
  });
  test('a job does not go past Receive with a consent open, unless a lead says why', async () => {
    const job = await openJob(world, tova, {}, false);
    expect(
      await adoptRoute(tova, job, randomUUID(), {}, { rules: ['consent open'], reason: 'in a hurry' }),
    ).toMatchObject({ outcome: { status: 'refused' } });
    expect(
      await adoptRoute(
        marek,
        job,
        randomUUID(),
        {},
        { rules: ['consent open'], reason: 'told by telephone' },
      ),
    ).toMatchObject({ outcome: { status: 'recorded' } });
  });
});
