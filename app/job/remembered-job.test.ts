import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { JobPage } from '../../server/use-cases/job-page';
import { Bench } from '../../core/testing/bench';
import { indexed, mica9, route } from '../../core/testing/demo-models';

const store = vi.hoisted(() => ({ owner: 's/p', page: undefined as unknown }));
vi.mock('./outbox', () => ({
  rememberedPage: async () => (store.page ? { owner: store.owner, page: store.page } : undefined),
  rememberPage: async (_job: string, _owner: string, page: unknown) => { store.page = page; },
}));
const { noteConfirmed } = await import('./remembered-job');

const bench = new Bench(indexed(mica9), route(mica9)).open();
const at = bench.state;
for (let k = 0; k < 3; k++) bench.next();
const news = bench.log.slice(at.seq);
const page = () => store.page as JobPage;
beforeEach(() => { store.page = { id: 'j', state: structuredClone(at) }; });

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
});
