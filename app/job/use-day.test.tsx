// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { tell } from './channel';
import { useDay } from './use-day';

/** What was asked of the server, and how it answers. */
let asked: string[];
let answer: (url: string) => Promise<Response>;
beforeEach(() => {
  vi.useFakeTimers();
  asked = [];
  answer = async (url) => Response.json({ plan: { of: `${url} ${asked.length}` }, asked: {} });
  vi.stubGlobal('fetch', (url: string) => {
    asked.push(url);
    return answer(url);
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

test('asked at once, and again every half minute', async () => {
  const view = renderHook(() => useDay());
  expect(view.result.current).toMatchObject({ plan: undefined, away: false });
  await pass(0);
  expect(view.result.current).toMatchObject({ plan: { of: '/day 1' }, asked: {}, away: false });
  await pass(29_000);
  expect(asked).toHaveLength(1);
  await pass(1500);
  expect(view.result.current.plan).toEqual({ of: '/day 2' });
});
test.each([
  [{ type: 'changed', job: 'j', seq: 3 }],
  [{ type: 'resync' }],
  [{ type: 'settled', job: 'j' }],
] as const)('news (%j) are waited out and then asked about once', async (message) => {
  renderHook(() => useDay());
  await pass(0);
  for (let k = 0; k < 5; k++) {
    tell(message);
    await pass(100);
  }
  expect(asked).toHaveLength(1);
  await pass(150);
  expect(asked).toHaveLength(2);
});
test('what does not change the day is no reason to ask', async () => {
  renderHook(() => useDay());
  await pass(0);
  tell({ type: 'kept' });
  tell({ type: 'touched' });
  await pass(2000);
  expect(asked).toHaveLength(1);
});
test('a bench that does not answer is said, and the last plan stays; it is asked again and is back', async () => {
  const view = renderHook(() => useDay());
  await pass(0);
  answer = async () => new Response('', { status: 503 });
  await pass(30_000);
  expect(view.result.current).toMatchObject({ plan: { of: '/day 1' }, away: true });
  answer = () => Promise.reject(new TypeError('fetch failed'));
  await pass(30_000);
  expect(view.result.current.away).toBe(true);
  answer = async () => Response.json({ plan: { of: 'later' }, asked: {} });
  await pass(30_000);
  expect(view.result.current).toMatchObject({ plan: { of: 'later' }, away: false });
});
test('asked on demand it is asked at once', async () => {
  const view = renderHook(() => useDay());
  await pass(0);
  act(() => view.result.current.again());
  await pass(10);
  expect(asked).toHaveLength(2);
});
test('an answer that comes when the screen is gone is dropped, and nobody asks on', async () => {
  let come = (_: Response) => {};
  answer = () => new Promise((r) => (come = r));
  const view = renderHook(() => useDay());
  view.unmount();
  come(Response.json({ of: 'late' }));
  await pass(120_000);
  expect(asked).toHaveLength(1);
  expect(view.result.current.plan).toBeUndefined();
});
