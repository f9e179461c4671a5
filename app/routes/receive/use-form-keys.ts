import { useEffect, useRef } from 'react';

/** Puts the focus into the part of the page after the one that has it, or before. */
function nextSection(by: 1 | -1, clicked: Element | undefined): void {
  const parts = [...document.querySelectorAll('main section')];
  const has = (what: Element | null | undefined) => parts.findIndex((s) => what && s.contains(what));
  // a click on an outline leaves the focus nowhere: then the part that was clicked is where one is
  const at = Math.max(0, has(document.activeElement) >= 0 ? has(document.activeElement) : has(clicked));
  parts[(at + by + parts.length) % parts.length]
    ?.querySelector<HTMLElement>('input:not([type=file]), [tabindex="0"], button')
    ?.focus();
}
/** The keys of a form of several parts: Ctrl and Enter send it, F2 goes to its next part, with Shift to the one before. */
export function useFormKeys(send: () => void): void {
  const latest = useRef(send);
  useEffect(() => {
    latest.current = send;
  });
  useEffect(() => {
    let clicked: Element | undefined;
    const down = (event: KeyboardEvent) => {
      if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        latest.current();
      } else if (event.key === 'F2') {
        event.preventDefault();
        nextSection(event.shiftKey ? -1 : 1, clicked);
      }
    };
    const click = (event: PointerEvent) => {
      clicked = event.target as Element;
    };
    window.addEventListener('keydown', down);
    window.addEventListener('pointerdown', click);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('pointerdown', click);
    };
  }, []);
}
