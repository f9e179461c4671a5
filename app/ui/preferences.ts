import { useSyncExternalStore } from 'react';

/** What can be chosen, the usual first. */
const choices = {
  theme: ['light', 'dark'],
  text: ['normal', 'large'],
  /** Where screws lie: on a mat in the device's pattern, or in a tray for each go; `house`: as the route in force says. */
  school: ['house', 'mat', 'trays'],
  /** Each instruction is spoken when it appears. */
  speak: [false, true],
  /** A sound when something that runs by itself is over. */
  sound: [true, false],
  /** Shortcuts of a single character (WCAG 2.1.4). Space, Enter, Page Down and Backspace stay. */
  letters: [true, false],
} as const;
/** How this browser shows and tells things: of the bench, not of the person, and kept here. */
export type Preferences = { -readonly [K in keyof typeof choices]: (typeof choices)[K][number] };
/** Each as it was kept, or the usual one. By hand: with a library for it every page's first script is 27 kB larger. */
const chosen = (kept: Partial<Record<string, unknown>>): Preferences =>
  Object.fromEntries(
    Object.entries(choices).map(([k, all]) => [k, all.find((v) => v === kept[k]) ?? all[0]]),
  ) as Preferences;
export const usual: Preferences = chosen({});
const key = 'snavek-preferences';

let known: Preferences | undefined;
const watchers = new Set<() => void>();
function read(): Preferences {
  if (known) return known;
  try {
    known = chosen({
      ...(JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<Record<string, unknown>>),
    });
  } catch {
    known = usual;
  }
  return known;
}
export const preferences = (): Preferences => (typeof localStorage === 'undefined' ? usual : read());
export function setPreferences(change: Partial<Preferences>): void {
  known = { ...read(), ...change };
  try {
    localStorage.setItem(key, JSON.stringify(known));
  } catch {
    /* private window: they hold until it is closed */
  }
  show(known);
  for (const watcher of watchers) watcher();
}
function show(p: Preferences): void {
  document.documentElement.dataset.theme = p.theme;
  document.documentElement.dataset.text = p.text;
}
const watch = (w: () => void) => {
  const other = (storageEvent: StorageEvent) => {
    if (storageEvent.key !== key) return;
    known = undefined;
    show(read());
    w();
  };
  watchers.add(w);
  window.addEventListener('storage', other);
  return () => {
    watchers.delete(w);
    window.removeEventListener('storage', other);
  };
};
export const usePreferences = (): Preferences => useSyncExternalStore(watch, read, () => usual);

/** Put into the page's head: the look is right before anything is painted. */
export const lookBeforePaint = `try{var p=JSON.parse(localStorage.getItem('${key}')||'{}'),d=document.documentElement.dataset;if(p.theme==='dark')d.theme='dark';if(p.text==='large')d.text='large'}catch(e){}`;
