// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { act, cleanup, renderHook } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { JobLine } from '../../core/wire/job-line';

/** What a loudspeaker would have played: pitch, Hz, and from when to when, s. */
const played: { hz: number; from: number; to: number }[] = [];
let closed = 0;
class FakeAudio {
  currentTime = 0;
  destination = {};
  createOscillator() {
    const tone = { hz: 0, from: 0 };
    return {
      frequency: {
        set value(hz: number) {
          tone.hz = hz;
        },
      },
      connect: (next: unknown) => next,
      start: (at: number) => {
        tone.from = at;
      },
      stop: (to: number) => void played.push({ ...tone, to }),
    };
  }
  createGain() {
    return {
      gain: { setValueAtTime: () => {}, exponentialRampToValueAtTime: () => {} },
      connect: (next: unknown) => next,
    };
  }
  close = async () => void closed++;
}
const told: { body: string; tag: string }[] = [];
class FakeNotification {
  static permission = 'granted';
  constructor(_title: string, options: { body: string; tag: string }) {
    told.push(options);
  }
}
let alarms: typeof import('./alarms');
let preferences: typeof import('../ui/preferences');
beforeEach(async () => {
  vi.resetModules();
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.stubGlobal('AudioContext', FakeAudio);
  vi.stubGlobal('Notification', FakeNotification);
  FakeNotification.permission = 'granted';
  played.length = 0;
  told.length = 0;
  closed = 0;
  localStorage.clear();
  alarms = await import('./alarms');
  preferences = await import('../ui/preferences');
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const line = (id: string, until: number | null): JobLine =>
  ({ id, summary: { running: until === null ? null : { what: 'heat', until } } }) as JobLine;
const text = (j: JobLine) => `of ${j.id}`;
/** On a busy machine the store of the browser answers late, ms. */
const settlesMs = 200;
/** Shows the list at a time and waits until whoever is to ring has taken it. */
async function shown(jobs: JobLine[], now: number, hook = alarms.useAlarms) {
  const all = renderHook(({ n }) => hook(jobs, n, text), { initialProps: { n: now } });
  await act(() => new Promise((r) => setTimeout(r, settlesMs)));
  return all;
}

test('three tones that rise one after the other, and the loudspeaker is let go of', () => {
  vi.useFakeTimers();
  renderHook(() => alarms.useAlarmWhile(true));
  expect(played.map((p) => p.hz)).toEqual([660, 880, 1100]);
  for (const [k, p] of played.entries()) {
    expect(p.from).toBeCloseTo(k * 0.22, 6);
    expect(p.to - p.from).toBeCloseTo(0.21, 6);
  }
  vi.advanceTimersByTime(1499);
  expect(closed).toBe(0);
  vi.advanceTimersByTime(2);
  expect(closed).toBe(1);
});
test('what must be stopped at once rings every two and a half seconds, whatever the sound setting, until it is stopped', () => {
  vi.useFakeTimers();
  preferences.setPreferences({ sound: false });
  const view = renderHook(({ on }) => alarms.useAlarmWhile(on), { initialProps: { on: false } });
  vi.advanceTimersByTime(10_000);
  expect(played).toEqual([]);
  view.rerender({ on: true });
  vi.advanceTimersByTime(7600);
  expect(played).toHaveLength(4 * 3);
  view.rerender({ on: false });
  vi.advanceTimersByTime(10_000);
  expect(played).toHaveLength(4 * 3);
});
test('a browser without sound goes on', () => {
  vi.stubGlobal('AudioContext', undefined);
  expect(() => renderHook(() => alarms.useAlarmWhile(true))).not.toThrow();
});
test('each timer that has run out rings and is told once, also over later ticks and a reload', async () => {
  const rung: string[] = [];
  const hear = (e: Event) => rung.push((e as CustomEvent<string>).detail);
  document.addEventListener('snavek-rung', hear);
  const now = 1_000_000_000;
  const jobs = [line('a', now), line('b', now - 60_000), line('c', now + 1), line('d', null)];
  const view = await shown(jobs, now);
  await vi.waitFor(() => expect(rung.sort()).toEqual([`a heat ${now}`, `b heat ${now - 60_000}`]));
  expect(told.map((n) => n.body).sort()).toEqual(['of a', 'of b']);
  expect(played).toHaveLength(6);
  view.rerender({ n: now });
  await act(() => new Promise((r) => setTimeout(r, settlesMs)));
  cleanup();
  // the page loaded anew: the store of this browser knows what has rung
  await shown(jobs, now);
  expect(rung).toHaveLength(2);
  document.removeEventListener('snavek-rung', hear);
});
test('what ended ten minutes ago and more was heard by nobody and is not rung afterwards', async () => {
  const now = 1_000_000_000;
  await shown([line('edge', now - 600_000), line('late', now - 600_001)], now);
  await vi.waitFor(() => expect(told.map((n) => n.body)).toEqual(['of edge']));
});
test('before the time is known nothing rings', async () => {
  await shown([line('a', 0)], 0);
  expect(told).toEqual([]);
});
test('the sound can be turned off, and nobody is notified who has not allowed it', async () => {
  preferences.setPreferences({ sound: false });
  FakeNotification.permission = 'default';
  const rung: unknown[] = [];
  document.addEventListener('snavek-rung', (e) => rung.push(e), { once: true });
  await shown([line('quiet', 1_000_000_000)], 1_000_000_000);
  await vi.waitFor(() => expect(rung).toHaveLength(1));
  expect(played).toEqual([]);
  expect(told).toEqual([]);
});
