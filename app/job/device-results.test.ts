import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { DeviceAnswer } from '../../core/wire/device-page';
import { DeviceResults, holderWord, type Waiting } from './device-results';

const result = (id: string): Waiting => ({ id, function: 'touch', taken: { kind: 'said', result: 'works' } });
const store = (full = false) => {
  const values = new Map<string, string>();
  return {
    values,
    getItem: (k: string) => values.get(k) ?? null,
    setItem: (k: string, v: string) => {
      if (full) throw new Error('no room');
      values.set(k, v);
    },
  };
};
const taken: DeviceAnswer = { ok: true, counts: true };
beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe('what a phone has measured', () => {
  test('is sent in turn, and told when it is taken', async () => {
    const sent: string[] = [];
    const told: string[] = [];
    const results = new DeviceResults(
      't',
      'h',
      store(),
      async (r) => {
        sent.push(`${r.id} ${r.holder}`);
        return taken;
      },
      (r) => told.push(r.id),
      () => {},
    );
    results.add(result('a'));
    results.add(result('b'));
    await vi.runAllTimersAsync();
    expect(sent).toEqual(['a h', 'b h']);
    expect(told).toEqual(['a', 'b']);
    expect(results.waiting).toEqual([]);
  });
  test('waits while the bench is away, survives a reload, and follows in its order', async () => {
    let away = true;
    const sent: string[] = [];
    const kept = store();
    const make = () =>
      new DeviceResults(
        't',
        'h',
        kept,
        async (r) => {
          if (away) throw new TypeError('fetch failed');
          sent.push(r.id);
          return taken;
        },
        () => {},
        () => {},
      );
    const first = make();
    first.add(result('a'));
    first.add(result('b'));
    await vi.advanceTimersByTimeAsync(5000);
    expect(first.waiting.map((w) => w.id)).toEqual(['a', 'b']);
    first.stop();
    const reloaded = make();
    expect(reloaded.waiting).toHaveLength(2);
    away = false;
    await reloaded.send();
    expect(sent).toEqual(['a', 'b']);
    expect(make().waiting).toEqual([]);
  });
  test('that the bench refuses is not sent again; too many at once are', async () => {
    const answers: DeviceAnswer[] = [
      { ok: false, why: 'too many' },
      { ok: false, why: 'not due' },
    ];
    let posts = 0;
    const told: DeviceAnswer[] = [];
    const results = new DeviceResults(
      't',
      'h',
      store(true),
      async () => answers[posts++]!,
      (_r, answer) => told.push(answer),
      () => {},
    );
    results.add(result('a'));
    await vi.advanceTimersByTimeAsync(20_000);
    expect(posts).toBe(2);
    expect(told).toEqual([{ ok: false, why: 'not due' }]);
  });
  test('whether the bench can be reached is told as it is known: on its way is not away', async () => {
    const told: string[] = [];
    let end: { taken: () => void; fail: () => void } | undefined;
    const results = new DeviceResults(
      't',
      'h',
      store(),
      () =>
        new Promise((resolve, reject) => {
          end = { taken: () => resolve(taken), fail: () => reject(new TypeError('fetch failed')) };
        }),
      () => {},
      (waiting, away) => told.push(`${waiting} ${away ? 'away' : 'there'}`),
    );
    results.add(result('a'));
    await vi.advanceTimersByTimeAsync(30_000);
    expect(told).toEqual(['1 there']);
    end!.fail();
    await vi.advanceTimersByTimeAsync(1000);
    expect(told).toEqual(['1 there', '1 away']);
    end!.taken();
    await vi.advanceTimersByTimeAsync(0);
    expect(told.at(-1)).toBe('0 there');
  });
  test('a browser has one word of its own', () => {
    const kept = store();
    const make = vi.fn(() => 'a word that is long enough');
    expect(holderWord(kept, make)).toBe(holderWord(kept, make));
    expect(make).toHaveBeenCalledTimes(1);
    expect(holderWord(store(true), make)).toBe('a word that is long enough');
  });
});
