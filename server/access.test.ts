import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import sharp from 'sharp';
import { jobPage } from './use-cases/job-page';
import type { JobPage } from '../core/wire/job-page';
import { keepModelPhoto } from './use-cases/model-photos';
import { keepPhoto } from './use-cases/photos';
import { allRoutes } from './testing/all-routes';
import { call, makeWorld, openJob, receipt, type World } from './testing/world';

const modules = import.meta.glob<{ loader?: (a: never) => unknown; action?: (a: never) => unknown }>(
  '../app/routes/**/*.{ts,tsx}',
);
let world: World;
let job: string;
const draft = randomUUID();
let page: JobPage;
let pixel: Buffer;
const photo = randomUUID();
const modelPhoto = randomUUID();
beforeAll(async () => {
  world = await makeWorld();
  job = await openJob(world, world.own.get('technician')!);
  page = (await jobPage(world.own.get('technician')!, job))!;
  pixel = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888888' } })
    .png()
    .toBuffer();
  await keepPhoto(world.own.get('technician')!, job, photo, pixel);
  await keepModelPhoto(
    world.own.get('technician')!,
    'mica-9',
    modelPhoto,
    { name: 'board out', face: 'front' },
    pixel,
  );
}, 120_000);

const json = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});
type Case = {
  params?: () => Record<string, string>;
  nobody: number;
  other: number | 'own rows only';
  own?: number;
  /** Roles of the own workshop that are answered otherwise. */
  byRole?: Record<string, number>;
  body?: () => RequestInit;
};
/** One case for each handler of each route; the test below fails on a handler that has none. */
const cases: Record<string, Case> = {
  'loader routes/frame/shop.tsx': { nobody: 302, other: 'own rows only' },
  'loader /': { nobody: 302, other: 'own rows only' },
  'loader /sign-in': { nobody: 200, other: 302, own: 302 },
  'action /sign-in': {
    nobody: 200,
    other: 200,
    body: () => {
      return {
        method: 'POST',
        body: new URLSearchParams({ login: '' }),
        headers: { origin: 'http://localhost' },
      };
    },
  },
  'loader /sign-out': { nobody: 401, other: 302, own: 302 },
  'action /sign-out': {
    nobody: 401,
    other: 302,
    own: 302,
    body: () => ({ method: 'POST', headers: { origin: 'http://localhost' } }),
  },
  'loader /receive': { nobody: 302, other: 302, own: 302 },
  'loader /receive/:draft': { params: () => ({ draft: randomUUID() }), nobody: 302, other: 'own rows only' },
  'action /receive/:draft': {
    params: () => ({ draft: randomUUID() }),
    nobody: 302,
    other: 302,
    own: 302,
    body: () => json(receipt(world.models.get('mica-9')!)),
  },
  'action /drafts/:draft': {
    params: () => ({ draft }),
    nobody: 401,
    other: 200,
    body: () => ({ ...json({ tag: 'x' }), method: 'PUT' }),
  },
  'loader /receive/:draft/history': { params: () => ({ draft }), nobody: 401, other: 'own rows only' },
  'loader /stock': { nobody: 302, other: 'own rows only' },
  'action /stock': { nobody: 302, other: 200, body: () => json({ do: 'remove', ids: [randomUUID()] }) },
  'loader /stock.csv': { nobody: 401, other: 'own rows only' },
  'loader /jobs/:job/photos/:photo': { params: () => ({ job, photo }), nobody: 401, other: 404 },
  'action /jobs/:job/photos/:photo': {
    params: () => ({ job, photo: randomUUID() }),
    nobody: 401,
    other: 200,
    body: () => ({ method: 'PUT', body: new Uint8Array(pixel), duplex: 'half' }) as RequestInit,
  },
  'loader /model-photos/:model': { params: () => ({ model: 'mica-9' }), nobody: 401, other: 'own rows only' },
  'loader /model-photos/:model/:photo': {
    params: () => ({ model: 'mica-9', photo: modelPhoto }),
    nobody: 401,
    other: 404,
  },
  'action /model-photos/:model/:photo': {
    params: () => ({ model: 'mica-9', photo: randomUUID() }),
    nobody: 401,
    // it says neither side nor name
    other: 400,
    own: 400,
    body: () =>
      ({
        method: 'PUT',
        body: new Uint8Array(pixel),
        duplex: 'half',
      }) as RequestInit,
  },
  'action /jobs/:job/signatures/:signature': {
    params: () => ({ job, signature: randomUUID() }),
    nobody: 401,
    other: 404,
    body: () =>
      json({
        name: 'Runa',
        strokes: [
          [
            [1, 1],
            [20, 30],
          ],
        ],
      }),
  },
  'loader /jobs/:job': { params: () => ({ job }), nobody: 302, other: 404 },
  'loader /jobs/:job/fault': { params: () => ({ job }), nobody: 302, other: 404 },
  'loader /jobs/:job/offer': { params: () => ({ job }), nobody: 302, other: 404 },
  'loader /jobs/:job/offer.pdf': { params: () => ({ job }), nobody: 401, other: 404 },
  'loader /fixed/models/:hash/:variant.json': {
    params: () => ({ hash: page.modelHash, variant: page.variant }),
    nobody: 401,
    other: 200,
  },
  'loader /fixed/routes/:hash.json': { params: () => ({ hash: page.route!.hash }), nobody: 401, other: 404 },
  'loader /jobs.csv': { nobody: 401, other: 'own rows only' },
  'loader /jobs': { nobody: 302, other: 'own rows only' },
  'loader /jobs/:job/route': { params: () => ({ job }), nobody: 302, other: 404 },
  'action /jobs/:job/route': {
    params: () => ({ job }),
    nobody: 302,
    other: 404,
    own: 302,
    body: () => json({ command: randomUUID() }),
  },
  'loader /jobs/:job/route/print': { params: () => ({ job }), nobody: 302, other: 404 },
  'loader /jobs/:job/route.json': { params: () => ({ job }), nobody: 401, other: 404 },
  'loader /set-up': { nobody: 404, other: 404, own: 404 },
  'action /set-up': { nobody: 410, other: 410, own: 410, body: () => json({}) },
  'loader /invite/:token': { params: () => ({ token: 'none' }), nobody: 410, other: 410, own: 410 },
  'action /invite/:token': {
    params: () => ({ token: 'none' }),
    nobody: 410,
    other: 410,
    own: 410,
    body: () => json({ password: 'a-long-password' }),
  },
  // whoever has the link is let in by it, whoever they are; without one nobody is
  'action /calendar': {
    nobody: 401,
    other: 200,
    byRole: { technician: 403, trainee: 403 },
    body: () => json({ do: 'end' }),
  },
  'loader /calendar/:token.ics': { params: () => ({ token: 'none' }), nobody: 404, other: 404, own: 404 },
  'loader /d/:token': { params: () => ({ token: 'none' }), nobody: 410, other: 410, own: 410 },
  'action /d/:token/results': {
    params: () => ({ token: 'none' }),
    nobody: 410,
    other: 410,
    own: 410,
    body: () => json({ id: randomUUID() }),
  },
  'loader /promise': { nobody: 401, other: 400, own: 400 },
  'loader /day': { nobody: 401, other: 'own rows only' },
  'action /day': {
    nobody: 401,
    other: 409,
    byRole: { trainee: 403 },
    body: () => json({ do: 'let go', job }),
  },
  'loader /day/print': { nobody: 302, other: 'own rows only' },
  'loader /day/back': { nobody: 302, other: 'own rows only' },
  'loader /*': { nobody: 404, other: 404, own: 404 },
  'action /jobs/:job/device': {
    params: () => ({ job }),
    nobody: 401,
    other: 404,
    body: () => json({ do: 'open' }),
  },
  'loader /backups/:name': {
    params: () => ({ name: 'snavek-20260101-000000.tar' }),
    nobody: 401,
    other: 404,
    own: 404,
  },
  'loader /account': { nobody: 302, other: 'own rows only' },
  'action /account': { nobody: 302, other: 200, body: () => json({ do: 'sign out elsewhere' }) },
  'loader /workshop/:part?': { nobody: 302, other: 'own rows only' },
  'action /workshop/:part?': {
    nobody: 302,
    other: 200,
    body: () => json({ do: 'method', row: 'screws', option: 'reuse' }),
  },
  'loader /jobs/:job/checks': { params: () => ({ job }), nobody: 302, other: 404 },
  'loader /jobs/:job/report': { params: () => ({ job }), nobody: 302, other: 404 },
  'loader /jobs/:job/report.pdf': { params: () => ({ job }), nobody: 401, other: 404 },
  'loader /jobs/:job/log.json': { params: () => ({ job }), nobody: 401, other: 404 },
  'loader /jobs/:job/events': { params: () => ({ job }), nobody: 401, other: 404 },
  'loader /stock/spares': { nobody: 302, other: 'own rows only' },
  'action /stock/spares': { nobody: 302, other: 200, body: () => json({ do: 'remove', id: randomUUID() }) },
  'loader /stock/spares.csv': { nobody: 401, other: 'own rows only' },
  'loader /models/all.zip': { nobody: 401, other: 'own rows only' },
  'loader /stock/glues': { nobody: 302, other: 'own rows only' },
  'action /stock/glues': { nobody: 302, other: 200, body: () => json({ do: 'no glue', item: 'uv-glue' }) },
  'loader /stock/stencils': { nobody: 302, other: 'own rows only' },
  'action /stock/stencils': { nobody: 302, other: 200, body: () => json({ do: 'remove', id: randomUUID() }) },
  'loader /stock/stencils.csv': { nobody: 401, other: 'own rows only' },
  'loader /stock/stencils.json': { nobody: 401, other: 'own rows only' },
  'loader /jobs/:job/owner.json': {
    params: () => ({ job }),
    nobody: 401,
    other: 404,
    byRole: { technician: 404, trainee: 404 },
  },
  'action /jobs/:job/hand-over': {
    params: () => ({ job }),
    nobody: 302,
    other: 404,
    body: () => json({ do: 'erase' }),
  },
  'loader /jobs/:job/mat': { params: () => ({ job }), nobody: 302, other: 404 },
  'loader /jobs/:job/log': { params: () => ({ job }), nobody: 302, other: 404 },
  'action /jobs/:job/identity': {
    params: () => ({ job }),
    nobody: 401,
    other: 404,
    body: () =>
      json({ do: 'read', command: randomUUID(), slot: 'display', at: Date.now(), clockKnown: true }),
  },
  'action /commands': {
    nobody: 401,
    other: 200,
    body: () =>
      json({
        commands: [
          {
            id: randomUUID(),
            job,
            person: randomUUID(),
            body: { type: 'noted', text: 'x' },
            at: Date.now(),
            clockKnown: true,
          },
        ],
      }),
  },
  'loader /archives/:name': {
    params: () => ({ name: 'snavek-20260101-000000.zip' }),
    nobody: 401,
    other: 404,
    own: 404,
  },
  'action /take-in': {
    nobody: 401,
    other: 409,
    own: 403,
    byRole: { owner: 409 },
    body: () => ({ method: 'PUT' }),
  },
  'loader /models': { nobody: 302, other: 'own rows only' },
  'action /bring-in': {
    nobody: 401,
    other: 400,
    own: 403,
    byRole: { owner: 400, lead: 400 },
    body: () => json({}),
  },
  'action /record': { nobody: 401, other: 400, own: 400, body: () => json({}) },
  'loader /models/:hash': { params: () => ({ hash: page.modelHash }), nobody: 302, other: 'own rows only' },
  'action /models/:hash': {
    params: () => ({ hash: page.modelHash }),
    nobody: 302,
    other: 200,
    body: () => json({ do: 'offer', hash: 'none', offered: true }),
  },
  'action /hot-air': {
    nobody: 401,
    other: 200,
    body: () => json({ on: false, setC: 300, airPercent: 10 }),
  },
  'loader /jobs/:job/rework': { params: () => ({ job }), nobody: 302, other: 404 },
  'action /jobs/:job/module-test': {
    params: () => ({ job: randomUUID() }),
    nobody: 401,
    other: 404,
    own: 404,
    body: () =>
      json({
        ...{ slot: 'display', again: false },
        ...{ command: randomUUID(), at: Date.now(), clockKnown: true },
      }),
  },
  'action /jobs/:job/thermometer': {
    params: () => ({ job: randomUUID() }),
    nobody: 401,
    other: 404,
    own: 404,
    body: () => json({}),
  },
  'action /jobs/:job/leak-test': {
    params: () => ({ job: 'none' }),
    nobody: 401,
    other: 404,
    own: 404,
    body: () => json({}),
  },
  'action /jobs/:job/press': {
    params: () => ({ job: 'none' }),
    nobody: 401,
    other: 404,
    own: 404,
    body: () => json({}),
  },
  'loader /jobs/:job/press/:measurement.json': {
    params: () => ({ job: randomUUID(), measurement: randomUUID() }),
    nobody: 401,
    other: 404,
    own: 404,
  },
  'action /usb-meter': { nobody: 401, other: 200, body: () => json({}) },
  'loader /hot-plate': { nobody: 401, other: 200 },
  'action /hot-plate': { nobody: 401, other: 200, body: () => json({ on: false, setC: 80 }) },
  // it says in its line that it has not understood
  'action /leak-self-test': { nobody: 401, other: 200, body: () => json({ simulate: 'hammer' }) },
  'loader /jobs/:job/leak/:measurement.json': {
    params: () => ({ job: randomUUID(), measurement: randomUUID() }),
    nobody: 401,
    other: 404,
    own: 404,
  },
  'loader /models/:hash/edit': {
    params: () => ({ hash: 'none' }),
    nobody: 302,
    other: 404,
    own: 404,
    byRole: { technician: 403, trainee: 403 },
  },
  'action /models/:hash/keep': {
    params: () => ({ hash: 'none' }),
    nobody: 401,
    other: 409,
    own: 409,
    byRole: { technician: 403, trainee: 403 },
    body: () => json({ edits: [], offer: false }),
  },
  'loader /models/:hash/screws.csv': { params: () => ({ hash: 'none' }), nobody: 401, other: 404, own: 404 },
  'action /models/:hash/screws.csv': {
    params: () => ({ hash: 'none' }),
    nobody: 401,
    other: 200,
    own: 200,
    body: () => json({ csv: '', screws: [] }),
  },
  'loader /models/:hash.json': { params: () => ({ hash: 'none' }), nobody: 401, other: 404, own: 404 },
  'loader /models/schema.json': { nobody: 401, other: 200 },
  'loader /locked': { nobody: 302, other: 302, own: 302 },
  'action /lock': { nobody: 401, other: 204, own: 204, body: () => json({}) },
  'action /switch': {
    nobody: 401,
    other: 403,
    own: 403,
    body: () => json({ badge: `SB${'2'.repeat(20)}` }),
  },
  'loader /live': { nobody: 401, other: 'own rows only' },
  'loader /open-jobs': { nobody: 401, other: 'own rows only' },
};

interface Handler {
  key: string;
  fn: (a: never) => unknown;
  path: string;
}
async function handlers(): Promise<Handler[]> {
  const out: Handler[] = [];
  for (const r of await allRoutes()) {
    const path = `/${r.path ?? ''}`;
    const name = r.path === undefined ? r.file : path;
    const mod = await modules[`../app/${r.file}`]!();
    for (const kind of ['loader', 'action'] as const)
      if (mod[kind]) out.push({ key: `${kind} ${name}`, fn: mod[kind]!, path });
  }
  return out;
}

test('every handler of every route has a case, and every case a handler', async () => {
  expect((await handlers()).map((h) => h.key).toSorted()).toEqual(Object.keys(cases).toSorted());
});

describe('who may ask', () => {
  test('nobody gets in, another workshop finds nothing, each role of the own workshop is served', async () => {
    for (const { key, fn, path } of await handlers()) {
      const c = cases[key]!;
      const ask = async (role: 'nobody' | 'other' | 'owner' | 'lead' | 'technician' | 'trainee') => {
        const params = c.params?.() ?? {};
        const url = path.replace(/:(\w+)/g, (_m, k: string) => params[k] ?? '');
        const abort = new AbortController();
        const who =
          role === 'nobody' ? undefined : role === 'other' ? world.other.get('owner') : world.own.get(role);
        const answer = await call(fn, who, url, params, { ...(c.body?.() ?? {}), signal: abort.signal });
        abort.abort();
        return answer;
      };
      expect((await ask('nobody')).status, `${key} nobody`).toBe(c.nobody);
      const other = await ask('other');
      expect(other.status, `${key} another workshop`).toBe(c.other === 'own rows only' ? 200 : c.other);
      // whatever another workshop is told, nothing of this one is in it
      expect(JSON.stringify(other.body ?? ''), `${key} another workshop`).not.toContain(job);
      for (const role of ['owner', 'lead', 'technician', 'trainee'] as const)
        expect((await ask(role)).status, `${key} ${role}`).toBe(c.byRole?.[role] ?? c.own ?? 200);
    }
  }, 120_000);

  test('a form or command from another site is not taken', async () => {
    const { action } = (await modules['../app/routes/work/commands.ts']!()) as {
      action: (a: never) => unknown;
    };
    const answer = await call(
      action,
      world.own.get('owner'),
      '/commands',
      {},
      { ...json({ commands: [] }), headers: { origin: 'https://elsewhere.example' } },
    );
    expect(answer.status).toBe(403);
  });
});
