import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { KeptReceipt } from './outbox';

const store = vi.hoisted(() => ({ receipts: new Map<string, KeptReceipt>() }));
vi.mock('./outbox', () => ({
  keptReceipts: async (owner: string) => [...store.receipts.values()].filter((r) => r.owner === owner),
  keepReceipt: async (r: KeptReceipt) => void store.receipts.set(r.id, r),
  dropReceipt: async (id: string) => void store.receipts.delete(id),
}));
const { sendReceipts } = await import('./receipts');

const kept = (id: string, more: Partial<KeptReceipt> = {}): KeptReceipt => ({
  id,
  owner: 's/p1',
  tag: id.toUpperCase(),
  body: { tag: id },
  ...more,
});
const answering = (answer: (url: string) => Response) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async (url: string) => answer(url)),
  );
beforeEach(() => {
  store.receipts = new Map([kept('a'), kept('b'), kept('c', { owner: 's/p2' })].map((r) => [r.id, r]));
});

describe('devices received without the server', () => {
  test('are sent when it is back, each once, and nobody else’s', async () => {
    answering((url) => Response.json({ ok: true, job: url }));
    expect(await sendReceipts('s/p1')).toBe(true);
    expect([...store.receipts.keys()]).toEqual(['c']);
    expect(vi.mocked(fetch).mock.calls.map(([url]) => url)).toEqual(['/drafts/a', '/drafts/b']);
  });
  test('stay while it is away or ill, and while nobody is signed in', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('fetch failed');
    });
    expect(await sendReceipts('s/p1')).toBe(false);
    answering(() => new Response('', { status: 503 }));
    expect(await sendReceipts('s/p1')).toBe(false);
    answering(() => new Response('{}', { status: 401 }));
    expect(await sendReceipts('s/p1')).toBe(true);
    expect([...store.receipts.values()].map((r) => r.error)).toEqual([undefined, undefined, undefined]);
  });
  test('what the server will not have stays with its reason, keeps nothing behind it, and is not sent again by itself', async () => {
    answering((url) =>
      url.endsWith('a')
        ? Response.json({ ok: false, errors: { tag: 'It is here already.' } }, { status: 422 })
        : Response.json({ ok: true, job: url }),
    );
    expect(await sendReceipts('s/p1')).toBe(true);
    expect(store.receipts.get('a')).toMatchObject({ error: 'It is here already.', body: { tag: 'a' } });
    expect(store.receipts.has('b')).toBe(false);
    vi.mocked(fetch).mockClear();
    await sendReceipts('s/p1');
    expect(fetch).not.toHaveBeenCalled();
  });
});
