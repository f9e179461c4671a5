// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { DeviceAnswer, DeviceCheck, DevicePageData } from '../../../core/wire/device-page';
import { Device } from './round';

/** What the bench says of each result that was sent, when it is let go; nothing where it cannot be reached. */
let answers: ((answer: DeviceAnswer | undefined) => Promise<void>)[];
beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  answers = [];
  vi.stubGlobal(
    'fetch',
    () =>
      new Promise((resolve, reject) =>
        answers.push((answer) =>
          act(async () => {
            if (answer) resolve(Response.json(answer));
            else reject(new TypeError('fetch failed'));
            await vi.advanceTimersByTimeAsync(0);
          }),
        ),
      ),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
const check = (fn: DeviceCheck['function'], kind?: DeviceCheck['kind']): DeviceCheck => ({
  ...{ function: fn, done: false, untestable: false },
  ...(kind ? { kind } : {}),
});
const shown = (...checks: DeviceCheck[]) => {
  const page: DevicePageData = { model: 'Sprig', round: 'before', widthMm: 65, heightMm: 140, checks };
  render(<Device page={page} tooMany={false} token="T" />);
};
const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const later = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
const now = () => document.querySelector('main')!.dataset.function;
const works: DeviceAnswer = { ok: true, counts: true };

test('as long as a result is on its way the page waits for what the bench says: what does not work is not passed over', async () => {
  shown(check('keys'), check('proximity'));
  await press('works');
  await later(5000);
  expect(now()).toBe('keys');
  await answers[0]!({
    ok: true,
    counts: true,
    verdict: { verdict: 'fails', because: 'silent', figures: {} },
  });
  await later(20_000);
  expect(now()).toBe('keys');
  expect(screen.getByRole('heading').textContent).toBe('does not');
});
test('what works needs no press', async () => {
  shown(check('keys'), check('proximity'));
  await press('works');
  await answers[0]!(works);
  await later(499);
  expect(now()).toBe('keys');
  await later(2);
  expect(now()).toBe('proximity');
});
test('where the bench cannot be reached the next check comes soon; where it says nothing, in the end', async () => {
  shown(check('keys'), check('proximity'), check('ambient'));
  await press('works');
  await answers[0]!(undefined);
  await later(1400);
  expect(now()).toBe('keys');
  await later(200);
  expect(now()).toBe('proximity');
  cleanup();
  localStorage.clear();
  answers = [];
  shown(check('keys'), check('proximity'));
  await press('works');
  await later(7900);
  expect(now()).toBe('keys');
  await later(200);
  expect(now()).toBe('proximity');
});
test('what measures a function does not begin anew when an earlier result is answered, or tried again', async () => {
  const getUserMedia = vi.fn(async () => ({ getTracks: () => [{ stop: () => {} }] }));
  vi.stubGlobal('navigator', { mediaDevices: { getUserMedia, enumerateDevices: async () => [] } });
  shown(check('keys'), check('cameras', 'cameras'));
  await press('works');
  await answers[0]!(undefined);
  await later(1600);
  expect(now()).toBe('cameras');
  const asked = getUserMedia.mock.calls.length;
  expect(asked).toBe(2);
  await later(2000);
  await answers[1]!(undefined);
  await later(3000);
  await answers[2]!(works);
  await later(1000);
  expect(getUserMedia).toHaveBeenCalledTimes(asked);
});
