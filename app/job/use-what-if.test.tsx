// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { DayAsked } from '../../core/day/asked';
import type { WhatIf } from '../../core/day/what-if';
import type { ImaginedAsked, ImaginedTold } from '../workers/day.worker';
import { useWhatIf } from './use-what-if';

/** What the worker was asked, and how it answers. */
let asked: ImaginedAsked[];
let ended: number;
let answer: () => void;
beforeEach(() => {
  asked = [];
  ended = 0;
  vi.stubGlobal(
    'Worker',
    class {
      onmessage: ((e: { data: ImaginedTold }) => void) | undefined;
      constructor() {
        answer = () =>
          this.onmessage?.({ data: { nr: asked.at(-1)!.nr, plan: { of: asked.at(-1)!.nr } as never } });
      }
      postMessage(question: ImaginedAsked) {
        asked.push(question);
      }
      terminate() {
        ended++;
      }
    },
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const day: DayAsked = { now: 1000, people: [], jobs: [] };
const pin = (at: number): WhatIf => ({ pins: [{ job: 'j', step: 's', at }] });
const hook = (first: WhatIf | undefined) =>
  renderHook(({ whatIf }: { whatIf: WhatIf | undefined }) => useWhatIf(day, whatIf), {
    initialProps: { whatIf: first },
  });

test('while nothing is imagined nothing is computed, and there is no plan', () => {
  expect(hook(undefined).result.current).toBeUndefined();
  expect(asked).toEqual([]);
});
test('one question at a time; of those that come meanwhile the last alone', () => {
  const view = hook(pin(2000));
  expect(asked.map((a) => a.asked.pins![0]!.atS)).toEqual([1]);
  view.rerender({ whatIf: pin(3000) });
  view.rerender({ whatIf: pin(4000) });
  view.rerender({ whatIf: pin(9000) });
  expect(asked).toHaveLength(1);
  act(() => answer());
  expect(asked.map((a) => a.asked.pins![0]!.atS)).toEqual([1, 8]);
  expect(view.result.current).toEqual({ of: 1 });
  act(() => answer());
  expect(view.result.current).toEqual({ of: 4 });
  expect(asked).toHaveLength(2);
});
test('dropped, it is as it was; left, the worker ends', () => {
  const view = hook(pin(2000));
  act(() => answer());
  view.rerender({ whatIf: undefined });
  expect(view.result.current).toBeUndefined();
  view.unmount();
  expect(ended).toBe(1);
});
