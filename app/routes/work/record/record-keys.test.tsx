// @vitest-environment jsdom
import { cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { useRecordKeys } from './record-keys';
import type { RecordState } from './use-record';

/** What the recorder was told, in order; what is typed of a length so far. */
let told: string[];
let text: string;
let whole: boolean;
const recorder = (tool: RecordState['tool'] = 'fastener') =>
  ({
    tool,
    get lengthTyped() {
      return { text, whole, mm: Number(text) };
    },
    move: (x: number, y: number) => told.push(`move ${x} ${y}`),
    take: (next: string) => told.push(`take ${next}`),
    nextDrive: () => told.push('drive'),
    forget: () => told.push('forget'),
    enter: () => told.push('enter'),
    screw: (mm: number) => told.push(`screw ${mm}`),
    typeLength: (key: string) => {
      if (!/^[\d.,]$/.test(key)) return false;
      text += key;
      told.push(`length ${text}`);
      return true;
    },
  }) as unknown as RecordState;
/** What goes on to the bench. */
let bench: string[];
const toBench = (event: KeyboardEvent) => void bench.push(event.key);
beforeEach(() => {
  vi.useFakeTimers();
  [told, bench, text, whole] = [[], [], '', false];
  window.addEventListener('keydown', toBench);
});
afterEach(() => {
  window.removeEventListener('keydown', toBench);
  cleanup();
  document.body.innerHTML = '';
  vi.useRealTimers();
});
const press = (key: string, more: KeyboardEventInit = {}) => {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
  (document.activeElement ?? document.body).dispatchEvent(event);
  return event;
};
const recording = (record = recorder(), blocked = false) => renderHook(() => useRecordKeys(record, blocked));
const focused = (tag: string, type?: string): HTMLElement => {
  const element = document.body.appendChild(document.createElement(tag));
  if (type) (element as HTMLInputElement).type = type;
  element.focus();
  return element;
};

describe('the recorder’s keys', () => {
  test('arrows move the cross by a millimetre, with Shift by a tenth', () => {
    recording();
    for (const key of ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown']) press(key);
    press('ArrowDown', { shiftKey: true });
    expect(told).toEqual(['move -1 0', 'move 1 0', 'move 0 -1', 'move 0 1', 'move 0 0.1']);
    expect(bench).toEqual([]);
  });
  test('letters take what is recorded next, and never reach the bench', () => {
    recording();
    for (const key of ['s', 'k', 'b', 'c', 'p', 'd', 'Escape']) press(key);
    expect(told).toEqual([
      ...['take fastener', 'take connector', 'take bond', 'take catch', 'take part', 'drive', 'forget'],
    ]);
    expect(bench).toEqual([]);
  });
  test('digits are a length of a screw; of anything else they are the bench’s', () => {
    recording();
    press('3');
    expect(told).toEqual(['length 3']);
    cleanup();
    recording(recorder('connector'));
    press('4');
    expect(bench).toEqual(['4']);
  });
  test('what is none of them goes on to the bench', () => {
    recording();
    for (const key of ['t', ' ', 'Backspace', 'Enter']) press(key);
    expect(told).toEqual([]);
    expect(bench).toEqual(['t', ' ', 'Backspace', 'Enter']);
  });
});

describe('a length', () => {
  test('of two digits is whole once nothing follows it as fast as a calliper types', () => {
    recording();
    press('3');
    whole = true;
    press('2');
    vi.advanceTimersByTime(159);
    expect(told).toEqual(['length 3', 'length 32']);
    vi.advanceTimersByTime(1);
    expect(told.at(-1)).toBe('screw 32');
  });
  test('that goes on in time is not cut off', () => {
    recording();
    whole = true;
    press('3');
    vi.advanceTimersByTime(100);
    press('2');
    vi.advanceTimersByTime(159);
    expect(told).toEqual(['length 3', 'length 32']);
    vi.advanceTimersByTime(1);
    expect(told).toEqual(['length 3', 'length 32', 'screw 32']);
  });
  test('ends with Enter at once, and only once', () => {
    recording();
    whole = true;
    press('3');
    press('Enter');
    vi.advanceTimersByTime(1000);
    expect(told).toEqual(['length 3', 'enter']);
    expect(bench).toEqual([]);
  });
  test('held down, a key counts once', () => {
    recording();
    press('3');
    press('3', { repeat: true });
    expect(told).toEqual(['length 3']);
  });
  test('is not taken when the screen has gone meanwhile', () => {
    const view = recording();
    whole = true;
    press('3');
    view.unmount();
    vi.advanceTimersByTime(1000);
    expect(told).toEqual(['length 3']);
  });
});

describe('keys that are somebody else’s', () => {
  test('behind a stop, in a dialog, in a field and with Ctrl the recorder takes none', () => {
    const view = recording(recorder(), true);
    press('s');
    view.unmount();
    recording();
    press('s', { ctrlKey: true });
    focused('input', 'text');
    press('s');
    document.body.innerHTML = '<div role="dialog"></div>';
    press('s');
    expect(told).toEqual([]);
  });
  test('a button that has the focus is pressed by Enter', () => {
    recording();
    text = '3';
    focused('button');
    press('Enter');
    expect(told).toEqual([]);
    expect(bench).toEqual(['Enter']);
  });
});
