// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { act, cleanup, render, renderHook } from '@testing-library/react';
import { startTransition, Suspense, use, useLayoutEffect, useState } from 'react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { JobPage } from '../../core/wire/job-page';
import type { Who } from '../../core/wire/who';
import { leastWaits } from '../../core/rules/interlock';
import { Bench } from '../../core/testing/bench';
import { indexed, mica9, route } from '../../core/testing/demo-models';
import { benchTime } from './clock';
import { keptFor, rememberedPage, rememberPage } from './outbox';
import { useJob } from './use-job';

const plan = route(mica9);
const at = (presses: number, id = 'j'): JobPage => {
  const bench = new Bench(indexed(mica9), plan, 'opener').open();
  for (let k = 0; k < presses; k++) bench.next();
  return { id, model: mica9, route: plan, state: bench.state, now: 1_700_000_000_000 } as JobPage;
};
const who = {
  shopId: 's',
  personId: 'p1',
  role: 'technician',
  settings: { waits: leastWaits, methods: {}, stations: [] },
} as unknown as Who;
beforeEach(() => {
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener() {}
    },
  );
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('fetch failed');
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const settle = () => act(() => new Promise((r) => setTimeout(r, 250)));

test('the screen of a job takes the server’s time, keeps a copy of the job, and counts a press at once', async () => {
  const page = at(0);
  const view = renderHook(() => useJob(page, who));
  await settle();
  expect(benchTime()).toMatchObject({ clockKnown: true });
  expect(Math.abs(benchTime().at - page.now)).toBeLessThan(5000);
  await vi.waitFor(async () => expect((await rememberedPage('j'))?.owner).toBe('s/p1'));
  expect(view.result.current.send.kept).toBe(0);
  let asked!: Promise<unknown>;
  act(() => {
    asked = view.result.current.replica.report({ type: 'noted', text: 'x' } as never);
  });
  // before the store has it, and before the outbox has been counted
  expect(view.result.current.send.kept).toBe(1);
  await act(() => asked.then(() => undefined));
  expect((await keptFor('s/p1')).map((k) => k.command.body.type)).toEqual(['noted']);
});
test('a page that is older than this browser’s copy shows the copy', async () => {
  const [old, newer] = [at(0, 'j2'), at(3, 'j2')];
  await rememberPage('j2', 's/p1', newer);
  const view = renderHook(() => useJob(old, who));
  await settle();
  expect(view.result.current.view.state.seq).toBe(newer.state.seq);
  expect((await rememberedPage<JobPage>('j2'))?.page.state.seq).toBe(newer.state.seq);
});
test('a page that comes anew, as old as its request, takes nothing away that has been pressed meanwhile', async () => {
  const page = at(1, 'j3');
  const view = renderHook(({ loaded }) => useJob(loaded, who), { initialProps: { loaded: page } });
  await settle();
  await act(() =>
    view.result.current.replica.report({ type: 'noted', text: 'y' } as never).then(() => undefined),
  );
  const { seq } = view.result.current.view.state;
  expect(seq).toBe(page.state.seq + 1);
  const shown: number[] = [];
  view.rerender({ loaded: { ...page, now: page.now + 1 } });
  shown.push(view.result.current.view.state.seq);
  await settle();
  shown.push(view.result.current.view.state.seq);
  expect(shown).toEqual([seq, seq]);
  expect(view.result.current.view.kept).toBe(1);
});
test('what is pressed while a page that was loaded anew is still being rendered stands when that is shown', async () => {
  const page = at(1, 'j4');
  let go!: () => void;
  const gate = new Promise<void>((r) => (go = r));
  let job!: ReturnType<typeof useJob>;
  const shown: number[] = [];
  function Screen({ loaded, waits }: { loaded: JobPage; waits: boolean }) {
    const now = useJob(loaded, who);
    // as a part of the new page that is still on its way
    if (waits) use(gate);
    job = now;
    useLayoutEffect(() => {
      shown.push(now.view.state.seq);
    });
    return null;
  }
  let load!: (of: { loaded: JobPage; waits: boolean }) => void;
  function Shown() {
    const [of, setOf] = useState({ loaded: page, waits: false });
    load = setOf;
    return (
      <Suspense fallback={null}>
        <Screen {...of} />
      </Suspense>
    );
  }
  render(<Shown />);
  await settle();
  await act(async () => startTransition(() => load({ loaded: { ...page, now: page.now + 1 }, waits: true })));
  await act(() => job.replica.report({ type: 'noted', text: 'z' } as never).then(() => undefined));
  expect(job.view.state.seq).toBe(page.state.seq + 1);
  shown.length = 0;
  await act(async () => go());
  await settle();
  expect(shown.length).toBeGreaterThan(0);
  expect(new Set(shown)).toEqual(new Set([page.state.seq + 1]));
});
