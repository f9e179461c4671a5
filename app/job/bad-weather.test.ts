import fc from 'fast-check';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import {
  bench,
  type FakeServer,
  job,
  out,
  outboxIs,
  quiet,
  reportedBy,
  screws,
  serverBehind,
  waiting,
  weathers,
} from '../testing/fake-server';
import { keptFor } from './outbox';

let server: FakeServer;
beforeEach(async () => {
  server = await serverBehind();
});

describe('without a server', () => {
  test('presses are kept in order, told as such, and confirmed exactly once when it is back', async () => {
    const b = bench(server);
    server.weather = Array<'there'>(8).fill('there');
    for (const f of ['A1', 'A2', 'B1']) await b.replica.report(out(f));
    await vi.waitFor(() => expect(b.sender.state).toMatchObject({ kept: 3, link: 'no server' }));
    expect(b.replica.view.state.place).toMatchObject({
      'A1#1': 'mat/A1',
      'A2#1': 'mat/A2',
      'B1#1': 'mat/B1',
    });
    server.weather = [];
    await quiet(server, b);
    expect(server.log.slice(-3).map((e) => (e.body as { fastener: string }).fastener)).toEqual([
      'A1',
      'A2',
      'B1',
    ]);
    b.stop();
  });
  test('what needs the server says so and leaves nothing behind', async () => {
    const b = bench(server);
    await new Promise((r) => setTimeout(r, 30));
    server.weather = Array<'there'>(6).fill('there');
    expect((await b.replica.report({ type: 'jobClosed', ending: 'declined', note: '' })).refused).toEqual({
      code: 'needs the server',
    });
    expect(await waiting()).toEqual([]);
    b.stop();
  });
  test('a session that has ended keeps everything until somebody signs in', async () => {
    const b = bench(server);
    await new Promise((r) => setTimeout(r, 30));
    server.weather = ['signed out'];
    await b.replica.report(out('A1'));
    await vi.waitFor(() => expect(b.sender.state).toMatchObject({ kept: 1, link: 'signed out' }));
    b.sender.flush();
    await quiet(server, b);
    b.stop();
  });
  test('a gate passed on the copy is recorded with its breach when somebody has set a condition meanwhile', async () => {
    const b = bench(server);
    for (const f of ['A1', 'A2']) await b.replica.report(out(f));
    await quiet(server, b);
    server.weather = ['there', 'there', 'there'];
    await b.replica.report({ type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' });
    server.take({
      id: 'other-2',
      job,
      person: 'p2',
      body: { type: 'conditionSet', condition: 'swollen', because: 'seen' },
      at: Date.now(),
      clockKnown: true,
    });
    await quiet(server, b);
    expect(server.log.at(-1)).toMatchObject({
      body: { type: 'heatStarted' },
      breach: [{ rule: 'no heat on this cell' }],
    });
    expect(Object.values(b.replica.view.state.question)).toHaveLength(1);
    b.stop();
  });
});

test('whatever is cut, repeated or late, the log ends as if nothing had been', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...weathers), { maxLength: 6 }),
      fc.shuffledSubarray(screws, { minLength: 1 }),
      async (weather, order) => {
        server = await serverBehind();
        const b = bench(server);
        server.weather = [...weather];
        await Promise.all(order.map((f) => b.replica.report(out(f))));
        await quiet(server, b);
        expect(reportedBy(server, 'p1')).toEqual(order);
        expect(b.replica.view.state).toEqual(JSON.parse(JSON.stringify(server.state)));
        b.stop();
      },
    ),
    { numRuns: 20 },
  );
}, 90_000);
test('two benches in bad weather: each one’s presses come in its order, once, and both end at the same', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...weathers), { maxLength: 8 }),
      fc.shuffledSubarray(screws, { minLength: 2 }),
      fc.nat({ max: 8 }),
      async (weather, order, cut) => {
        server = await serverBehind();
        const benches = [bench(server, 'p1'), bench(server, 'p2')];
        const own = [order.slice(0, cut), order.slice(cut)];
        server.weather = [...weather];
        await Promise.all(own.flatMap((list, i) => list.map((f) => benches[i]!.replica.report(out(f)))));
        for (const b of benches) b.sender.flush();
        await vi.waitFor(async () => expect(await waiting()).toEqual([]), { timeout: 15_000 });
        // the stream asks again when the network is there
        server.weather = [];
        for (const b of benches) await b.replica.sync();
        expect([reportedBy(server, 'p1'), reportedBy(server, 'p2')]).toEqual(own);
        for (const b of benches) {
          expect(b.replica.view.state).toEqual(JSON.parse(JSON.stringify(server.state)));
          b.stop();
        }
      },
    ),
    { numRuns: 15 },
  );
}, 90_000);
test('a tab that is closed before it was answered: the next one finds what was kept, and sends it once', async () => {
  server.weather = Array<'there'>(20).fill('there');
  const first = bench(server);
  for (const f of ['A1', 'A2']) await first.replica.report(out(f));
  first.stop();
  expect(reportedBy(server, 'p1')).toEqual([]);
  // of the two the server has taken one, and its answer went down with the tab
  const [kept] = await keptFor('s/p1');
  server.take(kept!.command);
  server.weather = [];
  const next = bench(server);
  await quiet(server, next);
  expect(reportedBy(server, 'p1')).toEqual(['A1', 'A2']);
  expect(next.replica.view.state.place).toMatchObject({ 'A1#1': 'mat/A1', 'A2#1': 'mat/A2' });
  next.stop();
});

test('an entry that the server cannot read stays in this browser; those before and after it are confirmed', async () => {
  const b = bench(server);
  const take = server.take.bind(server);
  server.take = (c) =>
    c.body.type === 'noted'
      ? {
          id: c.id,
          outcome: {
            status: 'refused',
            seq: server.state.seq,
            refused: { code: 'not understood', problems: [] },
            findings: [],
          },
        }
      : take(c);
  await b.replica.report(out('A1'));
  await b.replica.report({ type: 'noted', text: 'of another version' });
  await b.replica.report(out('A2'));
  await vi.waitFor(() =>
    expect(server.log.slice(-2).map((e) => e.body.type)).toEqual(['screwOut', 'screwOut']),
  );
  await vi.waitFor(() =>
    expect(b.sender.state.refused).toMatchObject([{ outcome: { refused: { code: 'not understood' } } }]),
  );
  expect(await outboxIs(true)).toMatchObject([{ command: { body: { text: 'of another version' } } }]);
  b.stop();
});
