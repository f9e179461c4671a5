import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Body } from '../../core/log/events';
import { Bench } from '../../core/testing/bench';
import {
  begun,
  bench,
  type FakeServer,
  index,
  job,
  out,
  plan,
  quiet,
  serverBehind,
  waiting,
} from '../testing/fake-server';
import { tell } from './channel';
import { keep, rememberedState } from './outbox';

let server: FakeServer;
beforeEach(async () => {
  server = await serverBehind();
});

const deferred = () => {
  let resolve = () => {};
  const promise = new Promise<void>((r) => {
    resolve = r;
  });
  return { promise, resolve };
};
test('what another bench does while news are on their way is fetched right after, without waiting for the next word', async () => {
  const b = bench(server);
  await quiet(server, b);
  // an answer that was made before the other bench's press, and comes after the word of it
  const slow = deferred();
  const fetchNow = server.fetch;
  let asked = 0;
  vi.stubGlobal('fetch', async (url: string, init?: RequestInit) => {
    const answer = await fetchNow(url, init);
    if (++asked === 1) await slow.promise;
    return answer;
  });
  const first = b.replica.sync();
  await vi.waitFor(() => expect(asked).toBe(1));
  server.take({ id: 'other-bench-1', job, person: 'p2', body: out('A1'), at: Date.now(), clockKnown: true });
  const told = b.replica.sync();
  slow.resolve();
  await Promise.all([first, told]);
  expect(b.replica.view.state.seq).toBe(server.state.seq);
  expect(b.replica.view.lastForeign?.body).toEqual(out('A1'));
  b.stop();
});

test('news of which the word came and the answer did not are asked for again, without another word', async () => {
  const b = bench(server);
  await quiet(server, b);
  server.take({ id: 'other-bench-2', job, person: 'p2', body: out('A1'), at: Date.now(), clockKnown: true });
  server.weather = ['there', 'part', 'back'];
  await b.replica.sync();
  expect(b.replica.view.state.seq).toBeLessThan(server.state.seq);
  await quiet(server, b);
  expect(b.replica.view.lastForeign?.body).toEqual(out('A1'));
  b.stop();
});

describe('the word', () => {
  test('that this job has gone on has its news fetched; that it has not, or another one has, nothing', async () => {
    const b = await begun(server);
    const asked: string[] = [];
    const fetchNow = server.fetch;
    vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
      asked.push(url);
      return fetchNow(url, init);
    });
    const { seq } = b.replica.view.state;
    tell({ type: 'changed', job, seq });
    tell({ type: 'changed', job: 'another', seq: seq + 1 });
    expect(asked).toEqual([]);
    tell({ type: 'changed', job, seq: seq + 1 });
    expect(asked).toEqual([`/jobs/${job}/events?after=${seq}`]);
    b.stop();
  });
  test('of a press in another tab, or that entries of this job are settled, has the outbox read; of another job not', async () => {
    const b = await begun(server);
    server.weather = Array.from({ length: 200 }, () => 'there' as const);
    const press = (id: string) =>
      keep('s/p1', { id, job, person: 'p1', body: out(id), at: Date.now(), clockKnown: true });
    await press('A1');
    tell({ type: 'settled', job: 'another' });
    await new Promise((r) => setTimeout(r, 50));
    expect(b.replica.view.kept).toBe(0);
    tell({ type: 'settled', job });
    await vi.waitFor(() => expect(b.replica.view.kept).toBe(1));
    await press('A2');
    tell({ type: 'kept' });
    await vi.waitFor(() => expect(b.replica.view.kept).toBe(2));
    expect(b.replica.view.state.place).toMatchObject({ 'A1#1': 'mat/A1', 'A2#1': 'mat/A2' });
    b.stop();
  });
  test('is kept in this browser when it has come: another tab, or the next day, begins there', async () => {
    const b = await begun(server);
    server.take({
      id: 'other-bench-3',
      job,
      person: 'p2',
      body: out('A1'),
      at: Date.now(),
      clockKnown: true,
    });
    await b.replica.sync();
    await vi.waitFor(async () => expect((await rememberedState(job))?.state.seq).toBe(server.state.seq));
    b.stop();
  });
});

describe('a press', () => {
  test('brings its own entry with its answer: nothing is asked for besides', async () => {
    const b = await begun(server);
    await b.replica.report(out('A1'));
    await quiet(server, b);
    expect(server.asked).toBe(1);
    expect(b.replica.view.state.seq).toBe(server.state.seq);
    b.stop();
  });
  test('at a gate says what the copy knew when it was passed; a fact, and what is taken back, do not', async () => {
    const b = await begun(server);
    const said: Record<string, unknown>[] = [];
    const fetchNow = server.fetch;
    vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
      if (url === '/commands') said.push(...JSON.parse(String(init!.body)).commands);
      return fetchNow(url, init);
    });
    await b.replica.report(out('A1'));
    await quiet(server, b);
    await b.replica.report({ type: 'retracted', event: server.log.at(-1)!.id });
    const course = new Bench(index, plan).open();
    const from = course.commands.length;
    while (course.commands.at(-1)!.body.type !== 'heatStarted') course.next();
    for (const { body } of course.commands.slice(from)) await b.replica.report(body);
    await quiet(server, b);
    expect(said.map((c) => [(c.body as Body).type, c.passedAt !== undefined])).toEqual([
      ['screwOut', false],
      ['retracted', false],
      ['acted', false],
      ['screwOut', false],
      ['screwOut', false],
      ['heatStarted', true],
    ]);
    b.stop();
  });
  test('is answered from this tab’s copy at once, kept, and then confirmed', async () => {
    const b = bench(server);
    const pressed = b.replica.report(out('A1'));
    expect(b.replica.view.state.place['A1#1']).toBe('mat/A1');
    expect(b.replica.view.kept).toBe(1);
    await pressed;
    await quiet(server, b);
    expect(server.state.place['A1#1']).toBe('mat/A1');
    b.stop();
  });
  test('that the copy refuses is neither kept nor sent', async () => {
    const b = bench(server);
    const d = await b.replica.report({ type: 'sealApplied', bond: 'seal' });
    expect(d.refused).toMatchObject({ code: 'interlock' });
    expect(await waiting()).toEqual([]);
    b.stop();
  });
  test('that was taken back is not there again while its command still lies in the outbox', async () => {
    const b = bench(server);
    await b.replica.report(out('A1'));
    await quiet(server, b);
    const { id } = server.log.at(-1)!;
    await b.replica.report({ type: 'retracted', event: id });
    await quiet(server, b);
    await keep('s/p1', { id, job, person: 'p1', body: out('A1'), at: Date.now(), clockKnown: true });
    tell({ type: 'kept' });
    await new Promise((r) => setTimeout(r, 30));
    expect(b.replica.view.state.place['A1#1']).toBeUndefined();
    expect(b.replica.view.kept).toBe(0);
    b.stop();
  });
  test('that was recorded behind another bench’s is on the screen throughout, also while that is fetched', async () => {
    const b = bench(server);
    await quiet(server, b);
    // one that is there already, and one that makes an entry of its own
    for (const [others, own] of [
      [out('A1'), 'A1'],
      [{ type: 'noted', text: 'dust in the port' }, 'A2'],
    ] as [Body, string][]) {
      server.take({ id: `other-${own}`, job, person: 'p2', body: others, at: Date.now(), clockKnown: true });
      const seen: (string | undefined)[] = [];
      const end = b.replica.watch(() => seen.push(b.replica.view.state.place[`${own}#1`]));
      await b.replica.report(out(own));
      await quiet(server, b);
      end();
      expect(seen.length).toBeGreaterThan(1);
      expect([...new Set(seen)]).toEqual([`mat/${own}`]);
    }
    b.stop();
  });
  test('that another bench was quicker with makes no second event', async () => {
    const b = bench(server);
    server.take({ id: 'other-1', job, person: 'p2', body: out('A1'), at: Date.now(), clockKnown: true });
    await b.replica.report(out('A1'));
    await quiet(server, b);
    expect(server.log.filter((e) => e.body.type === 'screwOut')).toHaveLength(1);
    expect(b.replica.view.lastForeign?.by).toBe('p2');
    b.stop();
  });
});
