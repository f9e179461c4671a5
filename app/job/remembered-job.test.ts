import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { JobPage } from '../../core/wire/job-page';
import { Bench } from '../../core/testing/bench';
import { indexed, mica9, route } from '../../core/testing/demo-models';

const store = vi.hoisted(() => ({ owner: 's/p', page: undefined as unknown }));
vi.mock('./outbox', () => ({
  rememberedState: async () =>
    store.page ? { owner: store.owner, state: (store.page as JobPage).state } : undefined,
  rememberPage: async (_job: string, _owner: string, page: unknown) => {
    store.page = page;
  },
  rememberState: async (_job: string, _owner: string, state: unknown) => {
    store.page = { ...(store.page as JobPage), state };
  },
}));
const { noteConfirmed, rememberNewer } = await import('./remembered-job');

const bench = new Bench(indexed(mica9), route(mica9)).open();
const at = bench.state;
for (let k = 0; k < 3; k++) bench.next();
const news = bench.log.slice(at.seq);
const page = () => store.page as JobPage;
beforeEach(() => {
  store.page = { id: 'j', state: structuredClone(at) };
});

describe('this browser’s copy of a job', () => {
  test('takes in what the server has confirmed, whatever screen is open', async () => {
    await noteConfirmed('j', 's/p', news);
    expect(page().state).toEqual(bench.state);
    await noteConfirmed('j', 's/p', news);
    expect(page().state.seq).toBe(bench.state.seq);
  });
  test('is left as it is where something is missing in between, or where it is somebody else’s', async () => {
    await noteConfirmed('j', 's/p', news.slice(1));
    expect(page().state.seq).toBe(at.seq);
    await noteConfirmed('j', 's/other', news);
    expect(page().state.seq).toBe(at.seq);
    store.page = undefined;
    await noteConfirmed('j', 's/p', news);
    expect(store.page).toBeUndefined();
  });
  test('is not put back to an older page that a worker kept without the server', async () => {
    await noteConfirmed('j', 's/p', news);
    await rememberNewer('j', 's/p', { id: 'j', state: at } as JobPage);
    expect(page().state.seq).toBe(bench.state.seq);
    await rememberNewer('j', 's/other', { id: 'j', state: at } as JobPage);
    expect(page().state.seq).toBe(at.seq);
  });
});
