import { useEffect, useState } from 'react';
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
/** The badge that was scanned last, wherever the focus was; it is no key press and no text of anything else. */
export function useBadge(): { code: string; at: number } | undefined {
  const [badge, setBadge] = useState<{ code: string; at: number }>();
  useEffect(() => {
    const scan = new BadgeScan();
    const down = (event: KeyboardEvent) => {
      const { badge: code } = scan.feed(event.key, event.timeStamp);
      if (!code) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const field = document.activeElement;
      if (field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement)
        takeBack(field, code.length);
      setBadge({ code, at: event.timeStamp });
    };
    window.addEventListener('keydown', down, true);
    return () => window.removeEventListener('keydown', down, true);
  }, []);
  return badge;
}
