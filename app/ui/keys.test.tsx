// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { type KeyMap, useKeys } from './keys';
import { setPreferences } from './preferences';

/** What the bench was told, in order. */
let told: string[];
let clockMs: number;
beforeEach(() => {
  vi.useFakeTimers();
  told = [];
  clockMs = 1000;
});
afterEach(() => {
  cleanup();
  act(() => setPreferences({ letters: true }));
  document.body.innerHTML = '';
  vi.useRealTimers();
});
const names = ['next', 'undo', 'trouble', 'keys', 'search', 'all', 'note', 'turn', 'say'] as const;
const everything = (): KeyMap => ({
  ...Object.fromEntries(names.map((name) => [name, () => told.push(name)])),
  device: (n) => told.push(`device ${n}`),
  move: (by) => told.push(`move ${by}`),
  typed: (text) => told.push(`typed ${text}`),
});
const bench = (more: KeyMap = {}) =>
  renderHook((map: KeyMap) => useKeys(map), { initialProps: { ...everything(), ...more } });
/** Presses a key so many ms after the one before it. */
function press(key: string, afterMs = 500, more: KeyboardEventInit = {}): KeyboardEvent {
  vi.advanceTimersByTime(afterMs);
  clockMs += afterMs;
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
  Object.defineProperty(event, 'timeStamp', { value: clockMs });
  (document.activeElement ?? document.body).dispatchEvent(event);
  return event;
}
/** Presses keys one after the other, and lets the last one settle. */
function pressAll(keys: readonly string[], gapMs: number): string[] {
  for (const [k, key] of keys.entries()) press(key, k ? gapMs : 500);
  vi.advanceTimersByTime(500);
  return told;
}
function focused(tag: string): HTMLElement {
  const element = document.body.appendChild(document.createElement(tag));
  element.tabIndex = 0;
  element.focus();
  return element;
}

describe('the pedal', () => {
  test.each([' ', 'PageDown', 'Enter'])('%j does the next thing, and the page does not scroll', (key) => {
    bench();
    expect(press(key).defaultPrevented).toBe(true);
    expect(told).toEqual(['next']);
  });
  test('held down it counts once; so does Backspace, which undoes', () => {
    bench();
    press(' ');
    press(' ', 30, { repeat: true });
    press('Backspace');
    press('Backspace', 30, { repeat: true });
    expect(told).toEqual(['next', 'undo']);
  });
  test('with Ctrl, Alt or the command key it is the browser’s', () => {
    bench();
    for (const held of ['ctrlKey', 'altKey', 'metaKey'])
      expect(press('Enter', 500, { [held]: true }).defaultPrevented).toBe(false);
    expect(told).toEqual([]);
  });
  test('a button that has the focus is pressed by Space and Enter, and the bench is not; Page Down is the bench’s', () => {
    bench();
    focused('button');
    for (const key of [' ', 'Enter', 'PageDown']) press(key);
    expect(told).toEqual(['next']);
  });
  test('in a field every key is the field’s', () => {
    bench();
    for (const tag of ['input', 'textarea', 'select']) {
      focused(tag);
      pressAll([' ', 'Enter', 'Backspace', 't', '4'], 300);
    }
    expect(told).toEqual([]);
  });
  test('while a dialog is open it does nothing behind it, nor does a letter; a measurement still counts', () => {
    bench();
    document.body.appendChild(document.createElement('div')).setAttribute('role', 'dialog');
    pressAll([' ', 'Backspace', 't', '2', 'ArrowDown'], 300);
    expect(told).toEqual([]);
    expect(pressAll(['3', '.', '2', 'Enter'], 20)).toEqual(['typed 3.2']);
  });
  test('what the screen does next is what the last drawing of it says', () => {
    const view = bench();
    view.rerender({ ...everything(), next: () => told.push('another') });
    press(' ');
    expect(told).toEqual(['another']);
  });
});

describe('letters', () => {
  test('each is its own, small or capital', () => {
    bench();
    expect(pressAll(['t', '?', '/', 'a', 'n', 'v', 's', 'T'], 300)).toEqual([
      ...['trouble', 'keys', 'search', 'all', 'note', 'turn', 'say', 'trouble'],
    ]);
  });
  test('digits change device, 0 shows all; J and K move as arrows do', () => {
    bench();
    expect(pressAll(['0', '1', '9', 'j', 'K', 'ArrowDown', 'ArrowUp'], 300)).toEqual([
      ...['device 0', 'device 1', 'device 9', 'move 1', 'move -1', 'move 1', 'move -1'],
    ]);
  });
  test('on a screen that asks, 1 to 3 answer and change no device; when it is gone they do again', () => {
    bench();
    const asks = bench({ answer: (n) => told.push(`answer ${n}`), device: undefined });
    pressAll(['3'], 300);
    expect(told).toEqual(['answer 3']);
    told = [];
    pressAll(['4'], 300);
    expect(told).toEqual(['device 4']);
    told = [];
    asks.unmount();
    expect(pressAll(['3'], 300)).toEqual(['device 3']);
  });
  test('whoever has put them off keeps the pedal alone', () => {
    act(() => setPreferences({ letters: false }));
    bench();
    expect(pressAll(['t', '4', 'j', ' '], 300)).toEqual(['next']);
  });
  test('held down one counts once, and none acts after the screen has gone', () => {
    const view = bench();
    press('t');
    press('t', 20, { repeat: true });
    vi.advanceTimersByTime(500);
    expect(told).toEqual(['trouble']);
    press('n');
    view.unmount();
    vi.advanceTimersByTime(500);
    expect(told).toEqual(['trouble']);
  });
});

describe('an instrument that types', () => {
  test('a burst that ends in Enter is one text, and neither its letters nor its Enter are shortcuts', () => {
    bench();
    expect(pressAll([...'SB2345679ABC', 'Enter'], 10)).toEqual(['typed SB2345679ABC']);
  });
  test('a calliper over a radio link takes up to a tenth of a second after a digit; fingers take longer', () => {
    bench();
    expect(pressAll(['3', '.', '2', '5', 'Enter'], 90)).toEqual(['typed 3.25']);
    told = [];
    expect(pressAll(['3', '4'], 200)).toEqual(['device 3', 'device 4']);
  });
  test('letters so slow are two shortcuts', () => {
    bench();
    expect(pressAll(['n', 't'], 60)).toEqual(['note', 'trouble']);
  });
  test('letters so fast that nobody ends are nothing: neither text nor shortcut', () => {
    bench();
    expect(pressAll(['n', 't', 'v'], 10)).toEqual([]);
    // and an Enter that comes much later is the pedal’s
    press('Enter');
    expect(told).toEqual(['next']);
  });
});
