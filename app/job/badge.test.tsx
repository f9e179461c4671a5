// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, expect, test } from 'vitest';
import { useBadge } from './badge';

const code = 'SB2345679ABCDEFGHJKLMN';
afterEach(() => {
  cleanup();
  document.body.innerHTML = '';
});
/** Types into what has the focus as a keyboard does, so many ms from key to key. @returns the event of the last key */
function typed(keys: readonly string[], gap: number, from: number): KeyboardEvent {
  const field = document.activeElement as HTMLInputElement | HTMLBodyElement;
  let last!: KeyboardEvent;
  for (const [k, key] of keys.entries()) {
    last = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
    Object.defineProperty(last, 'timeStamp', { value: from + k * gap });
    field.dispatchEvent(last);
    if (key.length === 1 && 'value' in field && !last.defaultPrevented) field.value += key;
  }
  return last;
}
/** A field that has the focus, and what it has told of its changes. */
function field(kind: 'input' | 'textarea', value: string) {
  const element = document.body.appendChild(document.createElement(kind));
  element.value = value;
  const heard: string[] = [];
  element.addEventListener('input', () => heard.push(element.value));
  element.focus();
  return { element, heard };
}

test('a badge is told to whoever asks, with when it was scanned, and its Enter is nobody else’s', () => {
  const view = renderHook(() => useBadge());
  expect(view.result.current).toBeUndefined();
  let heardByOthers = 0;
  const others = () => heardByOthers++;
  document.body.addEventListener('keydown', others);
  let enter!: KeyboardEvent;
  act(() => {
    enter = typed([...code, 'Enter'], 8, 1000);
  });
  expect(view.result.current).toEqual({ code, at: 1000 + code.length * 8 });
  expect(enter.defaultPrevented).toBe(true);
  // the letters are heard, since nobody knows yet what they are; the Enter is not
  expect(heardByOthers).toBe(code.length);
  document.body.removeEventListener('keydown', others);
});
test('the same badge once more is a scan of its own', () => {
  const view = renderHook(() => useBadge());
  act(() => void typed([...code, 'Enter'], 8, 50_000));
  const first = view.result.current;
  act(() => void typed([...code, 'Enter'], 8, 60_000));
  expect(view.result.current).not.toBe(first);
  expect(view.result.current?.at).toBe(60_000 + code.length * 8);
});
test.each(['input', 'textarea'] as const)(
  'what a scanner typed into a field (%s) is taken out of it again, what stood there stays',
  (kind) => {
    const { element, heard } = field(kind, 'PH-1 ');
    act(() => void typed([...code, 'Enter'], 8, 100_000));
    expect(element.value).toBe('PH-1 ');
    expect(heard).toEqual(['PH-1 ']);
  },
);
test('what stands behind the caret stays, too', () => {
  const { element } = field('input', `before${code}after`);
  element.setSelectionRange(6 + code.length, 6 + code.length);
  // typed into the middle: the field holds it already, only the keys are missing
  const keys = [...code, 'Enter'];
  for (const [k, key] of keys.entries()) {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
    Object.defineProperty(event, 'timeStamp', { value: 150_000 + k * 5 });
    element.dispatchEvent(event);
  }
  expect(element.value).toBe('beforeafter');
});
test('typed at a person’s pace it is text and an Enter like any other', () => {
  const view = renderHook(() => useBadge());
  const before = view.result.current;
  const { element } = field('input', '');
  let enter!: KeyboardEvent;
  act(() => {
    enter = typed([...code, 'Enter'], 90, 200_000);
  });
  expect(enter.defaultPrevented).toBe(false);
  expect(element.value).toBe(code);
  expect(view.result.current).toBe(before);
});
