// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';

const key = 'snavek-preferences';
const root = document.documentElement;
let kept: typeof import('./preferences');
/** As a page that has just been opened. */
const opened = async () => {
  vi.resetModules();
  return import('./preferences');
};
beforeEach(async () => {
  localStorage.clear();
  delete root.dataset.theme;
  delete root.dataset.text;
  kept = await opened();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('how this browser shows things', () => {
  test('is as usual until somebody chooses, and as chosen after the page is opened anew', async () => {
    expect(kept.preferences()).toEqual(kept.usual);
    kept.setPreferences({ theme: 'dark', speak: true });
    expect((await opened()).preferences()).toEqual({ ...kept.usual, theme: 'dark', speak: true });
  });
  test('is seen at once by every part of the page, and on the page itself', () => {
    const view = renderHook(() => kept.usePreferences());
    act(() => kept.setPreferences({ text: 'large' }));
    expect(view.result.current.text).toBe('large');
    expect(root.dataset).toMatchObject({ theme: 'light', text: 'large' });
  });
  test('follows what another tab has chosen; of another entry nothing', () => {
    const view = renderHook(() => kept.usePreferences());
    localStorage.setItem(key, JSON.stringify({ sound: false, theme: 'dark' }));
    act(() => void window.dispatchEvent(new StorageEvent('storage', { key: 'something else' })));
    expect(view.result.current.sound).toBe(true);
    act(() => void window.dispatchEvent(new StorageEvent('storage', { key })));
    expect(view.result.current).toMatchObject({ sound: false, theme: 'dark' });
    expect(root.dataset.theme).toBe('dark');
  });
  test.each([
    ['{"theme":"green","text":7,"letters":false,"of another version":1}', { letters: false }],
    ['not JSON', {}],
    ['null', {}],
  ])('what was kept as %s is as usual where it says nothing that can be chosen', async (text, said) => {
    localStorage.setItem(key, text);
    expect((await opened()).preferences()).toEqual({ ...kept.usual, ...said });
  });
  test('in a private window holds until it is closed', () => {
    vi.stubGlobal('localStorage', {
      getItem: () => null,
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    });
    kept.setPreferences({ theme: 'dark' });
    expect(kept.preferences().theme).toBe('dark');
  });
});
describe('before anything is painted', () => {
  const paint = (text: string | null) => {
    if (text === null) localStorage.removeItem(key);
    else localStorage.setItem(key, text);
    new Function(kept.lookBeforePaint)();
    return { theme: root.dataset.theme, text: root.dataset.text };
  };
  test('the page is as it was chosen', () => {
    expect(paint(null)).toEqual({ theme: undefined, text: undefined });
    expect(paint('not JSON')).toEqual({ theme: undefined, text: undefined });
    kept.setPreferences({ theme: 'dark', text: 'large' });
    delete root.dataset.theme;
    delete root.dataset.text;
    expect(paint(localStorage.getItem(key))).toEqual({ theme: 'dark', text: 'large' });
  });
});
