import { useSyncExternalStore } from 'react';
import { z } from 'zod';

/** How this browser shows and tells things: of the bench, not of the person, and kept here. */
const schema = z.object({
  theme: z.enum(['light', 'dark']).catch('light'),
  text: z.enum(['normal', 'large']).catch('normal'),
  /** Where screws lie: on a mat in the device's pattern, or in a tray for each go; `house`: as the route in force says. */
  school: z.enum(['house', 'mat', 'trays']).catch('house'),
  /** Each instruction is spoken when it appears. */
  speak: z.boolean().catch(false),
  /** A sound when something that runs by itself is over. */
  sound: z.boolean().catch(true),
  /** Shortcuts of a single character (WCAG 2.1.4). Space, Enter, Page Down and Backspace stay. */
  letters: z.boolean().catch(true),
});
export type Preferences = z.output<typeof schema>;
export const usual: Preferences = schema.parse({});
const key = 'snavek-preferences';

let known: Preferences | undefined;
const watchers = new Set<() => void>();
function read(): Preferences {
  if (known) return known;
  try {
    known = schema.parse(JSON.parse(localStorage.getItem(key) ?? '{}'));
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
  for (const w of watchers) w();
}
function show(p: Preferences): void {
  document.documentElement.dataset.theme = p.theme;
  document.documentElement.dataset.text = p.text;
}
const watch = (w: () => void) => {
  const other = (e: StorageEvent) => {
    if (e.key !== key) return;
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
