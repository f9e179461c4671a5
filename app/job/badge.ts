import { useSyncExternalStore } from 'react';
import { BadgeScan } from './badge-scan';

/** Takes the end off what a field holds: what a scanner typed into it was not meant for it. */
function takeBack(field: HTMLInputElement | HTMLTextAreaElement, length: number): void {
  const caret = field.selectionStart ?? field.value.length;
  const kept = field.value.slice(0, Math.max(0, caret - length)) + field.value.slice(caret);
  const prototype = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  // as React hears of it: by the element's own setter and an event
  Object.getOwnPropertyDescriptor(prototype.prototype, 'value')?.set?.call(field, kept);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}
export interface Scan {
  code: string;
  /** When, by the event's own clock. */
  at: number;
}
let last: Scan | undefined;
const watchers = new Set<() => void>();
const scan = new BadgeScan();
function down(event: KeyboardEvent): void {
  const { badge: code } = scan.feed(event.key, event.timeStamp);
  if (!code) return;
  event.preventDefault();
  event.stopImmediatePropagation();
  const field = document.activeElement;
  if (field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement) takeBack(field, code.length);
  last = { code, at: event.timeStamp };
  for (const watcher of watchers) watcher();
}
// before any screen listens for keys: the Enter behind a badge is nobody else's
if (typeof window !== 'undefined') window.addEventListener('keydown', down, true);

const watch = (watcher: () => void) => {
  watchers.add(watcher);
  return () => void watchers.delete(watcher);
};
/** The badge that was scanned last, wherever the focus was; it is no key press and no text of anything else. */
export const useBadge = (): Scan | undefined =>
  useSyncExternalStore(
    watch,
    () => last,
    () => undefined,
  );
