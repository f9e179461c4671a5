import { afterEach, expect, test, vi } from 'vitest';
import type { JobPage } from '../../core/wire/job-page';
import { fetchFixed, lean, whole } from './fixed';

afterEach(() => vi.unstubAllGlobals());
const page = (variant: string, route: string | null = null): JobPage =>
  ({
    id: 'j',
    modelHash: 'h',
    variant,
    model: { name: variant },
    mat: [],
    route: route && { hash: route },
  }) as unknown as JobPage;

test('a page goes without what is fixed, and is put together again with the same objects', () => {
  const full = page('standard', 'r1');
  const small = lean(full);
  expect(small).not.toHaveProperty('model');
  expect(small).toMatchObject({
    modelAt: '/fixed/models/h/standard.json',
    routeAt: '/fixed/routes/r1.json',
  });
  expect(whole(small).model).toBe(full.model);
  expect(whole(small).route).toBe(full.route);
  // of another page of the same model and route the objects that are held already count
  expect(whole(lean(page('standard', 'r1'))).model).toBe(full.model);
});
test('a page whose model or route is not held cannot be put together, and says which', () => {
  const small = lean(page('standard', 'r1'));
  expect(() => whole({ ...small, modelAt: '/fixed/models/none.json' })).toThrow('/fixed/models/none.json');
  expect(() => whole({ ...small, routeAt: '/fixed/routes/none.json' })).toThrow('/fixed/routes/none.json');
  expect(whole({ ...small, routeAt: null }).route).toBeNull();
});
test('a hundred and twenty of them are held, the oldest goes first', () => {
  const all = Array.from({ length: 121 }, (_, k) => lean(page(`variant ${k}`)));
  expect(() => whole(all[0]!)).toThrow(/variant%200/);
  for (const small of all.slice(1)) expect(whole(small).model.name).toBe(small.variant);
});
test('what is not held is fetched, once; an answer that says no is passed on', async () => {
  const asked: string[] = [];
  vi.stubGlobal('fetch', async (at: string) => {
    asked.push(at);
    return at.includes('gone') ? new Response('', { status: 404 }) : Response.json({ hash: at });
  });
  await fetchFixed(['/fixed/routes/new.json', null]);
  await fetchFixed(['/fixed/routes/new.json']);
  expect(asked).toEqual(['/fixed/routes/new.json']);
  await expect(fetchFixed(['/fixed/routes/gone.json'])).rejects.toMatchObject({ status: 404 });
});
