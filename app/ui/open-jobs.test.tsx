// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { JobLine } from '../../core/wire/job-line';
import { tell } from '../job/channel';
import { useOpenJobs } from './head';

const line = (id: string, seq: number) => ({ id, seq, stage: `at ${seq}` }) as unknown as JobLine;
/** What the server answers, one after the other, each when it is let go. */
let answers: ((jobs: JobLine[] | undefined) => void)[];
beforeEach(() => {
  vi.useFakeTimers();
  answers = [];
  vi.stubGlobal(
    'fetch',
    () =>
      new Promise((resolve) =>
        answers.push((jobs) => resolve(jobs ? Response.json(jobs) : new Response('', { status: 503 }))),
      ),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
const shown = (first: JobLine[]) =>
  renderHook((list: JobLine[]) => useOpenJobs(list), { initialProps: first });
const changed = () => act(() => tell({ type: 'changed', job: 'a', seq: 2 }));
const settle = () => act(() => vi.advanceTimersByTimeAsync(300));
async function answered(k: number, jobs: JobLine[] | undefined) {
  await act(async () => {
    answers[k]!(jobs);
    await vi.advanceTimersByTimeAsync(0);
  });
}

test('what the server says has changed is asked for once it is quiet, and shown', async () => {
  const view = shown([line('a', 1)]);
  changed();
  changed();
  await settle();
  expect(answers).toHaveLength(1);
  await answered(0, [line('a', 2), line('b', 1)]);
  expect(view.result.current).toEqual([line('a', 2), line('b', 1)]);
});
test('an answer that was read earlier and comes later takes nothing back', async () => {
  const view = shown([line('a', 1)]);
  changed();
  await settle();
  await answered(0, [line('a', 3)]);
  view.rerender([line('a', 2), line('b', 1)]);
  expect(view.result.current).toEqual([line('a', 3), line('b', 1)]);
  changed();
  await settle();
  changed();
  await settle();
  await answered(2, [line('a', 5), line('b', 1)]);
  await answered(1, [line('a', 4), line('b', 1)]);
  expect(view.result.current).toEqual([line('a', 5), line('b', 1)]);
});
test('what is no longer open is gone; a server that is ill changes nothing', async () => {
  const view = shown([line('a', 1), line('b', 1)]);
  changed();
  await settle();
  await answered(0, undefined);
  expect(view.result.current).toHaveLength(2);
  changed();
  await settle();
  await answered(1, [line('b', 1)]);
  expect(view.result.current).toEqual([line('b', 1)]);
});
test('of a screen that has gone nothing is asked any more', async () => {
  const view = shown([line('a', 1)]);
  changed();
  view.unmount();
  await settle();
  changed();
  await settle();
  expect(answers).toEqual([]);
});
