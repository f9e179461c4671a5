import { afterEach, expect, test, vi } from 'vitest';
import { lockBench, takeOver } from './hands';

afterEach(() => vi.unstubAllGlobals());
const answering = (answer: () => Response | Promise<Response>) =>
  vi.stubGlobal('fetch', async () => answer());

test('whoever takes a bench over is told what the server says; without an answer, or signed out, they have not', async () => {
  answering(() => Response.json({ ok: true, to: '/' }));
  expect(await takeOver({ badge: 'b' })).toEqual({ ok: true, to: '/' });
  answering(() => new Response('<html>', { headers: { 'content-type': 'text/html' } }));
  expect(await takeOver({ secret: '1234' })).toEqual({ ok: false });
  answering(() => {
    throw new TypeError('no network');
  });
  expect(await takeOver({ badge: 'b' })).toEqual({ ok: false });
  const redirected = Response.json({ ok: true });
  Object.defineProperty(redirected, 'redirected', { value: true });
  answering(() => redirected);
  expect(await takeOver({ badge: 'b' })).toEqual({ ok: false });
});
test('a bench is locked once the server has said so, and stays open without it', async () => {
  answering(() => Response.json({}));
  expect(await lockBench()).toBe(true);
  answering(() => new Response('', { status: 503 }));
  expect(await lockBench()).toBe(false);
  answering(() => {
    throw new TypeError('no network');
  });
  expect(await lockBench()).toBe(false);
});
