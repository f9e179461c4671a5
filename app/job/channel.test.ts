import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Message } from './channel';

/** The browser's event stream, as a test drives it. */
class Stream {
  static all: Stream[] = [];
  static readonly CLOSED = 2;
  readyState = 1;
  onerror: (() => void) | undefined;
  readonly #hears = new Map<string, (event: { data: string }) => void>();
  constructor(readonly url: string) {
    Stream.all.push(this);
  }
  addEventListener(type: string, hear: (event: { data: string }) => void): void {
    this.#hears.set(type, hear);
  }
  say(type: string, data: unknown = {}): void {
    this.#hears.get(type)?.({ data: JSON.stringify(data) });
  }
  break(closed: boolean): void {
    this.readyState = closed ? Stream.CLOSED : 0;
    this.onerror?.();
  }
}
const said: Message[] = [];
beforeEach(async () => {
  vi.useFakeTimers();
  vi.resetModules();
  Stream.all = [];
  said.length = 0;
  vi.stubGlobal('EventSource', Stream);
  vi.stubGlobal('navigator', {});
  const { listen, startChannel } = await import('./channel');
  listen((message) => said.push(message));
  startChannel();
  // a second screen of the same tab starts no second one
  startChannel();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test('what the server says is told: a job that has changed, and that something may have been missed', () => {
  expect(Stream.all.map((stream) => stream.url)).toEqual(['/live']);
  const [stream] = Stream.all;
  stream!.say('hello');
  stream!.say('change', { job: 'j', seq: 4 });
  stream!.say('resync');
  expect(said).toEqual([
    { type: 'online', online: true },
    { type: 'resync' },
    { type: 'changed', job: 'j', seq: 4 },
    { type: 'resync' },
  ]);
});
test('a stream that the browser gave up is opened again, later each time, up to five seconds', () => {
  const waits: number[] = [];
  for (let k = 0; k < 6; k++) {
    const before = Stream.all.length;
    Stream.all.at(-1)!.break(true);
    let ms = 0;
    while (Stream.all.length === before && ms < 20_000) {
      vi.advanceTimersByTime(100);
      ms += 100;
    }
    waits.push(ms);
  }
  expect(waits).toEqual([500, 1000, 2000, 4000, 5000, 5000]);
  expect(said.every((message) => message.type === 'online' && !message.online)).toBe(true);
  Stream.all.at(-1)!.say('hello');
  const before = Stream.all.length;
  Stream.all.at(-1)!.break(true);
  vi.advanceTimersByTime(500);
  expect(Stream.all).toHaveLength(before + 1);
});
test('a stream that the browser tries again by itself is left to it', () => {
  Stream.all[0]!.break(false);
  vi.advanceTimersByTime(30_000);
  expect(Stream.all).toHaveLength(1);
  expect(said).toEqual([{ type: 'online', online: false }]);
});
