import { useEffect, useRef } from 'react';
import { dialogIsOpen } from '../../../ui/keys';
import type { RecordState, Tool } from './use-record';

/** Two digits are a length once nothing follows them as fast as a calliper types, ms. */
const wholeAfterMs = 160;
const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const tools: Record<string, Tool> = { s: 'fastener', k: 'connector', b: 'bond', c: 'catch', p: 'part' };

/**
 * The recorder's keys, before the bench's: digits are lengths here and no devices, arrows move the cross. What is none of
 * them goes on to the bench.
 */
export function useRecordKeys(record: RecordState, blocked: boolean): void {
  const current = useRef({ record, blocked });
  useEffect(() => {
    current.current = { record, blocked };
  });
  useEffect(() => {
    let whole: ReturnType<typeof setTimeout> | undefined;
    const down = (event: KeyboardEvent) => {
      const { record: r, blocked: shut } = current.current;
      if (shut || event.ctrlKey || event.metaKey || event.altKey || isTyping()) return;
      if (!keyTaken(r, event)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      clearTimeout(whole);
      if (r.lengthTyped.whole && event.key !== 'Enter')
        whole = setTimeout(() => current.current.record.screw(r.lengthTyped.mm), wholeAfterMs);
    };
    window.addEventListener('keydown', down, { capture: true });
    return () => {
      clearTimeout(whole);
      window.removeEventListener('keydown', down, { capture: true });
    };
  }, []);
}
/** A choice that was clicked has the focus, and takes no keys; one that was gone to by Tab does. */
const isTyping = () => {
  const on = document.activeElement;
  const chosen = on instanceof HTMLInputElement && on.type === 'radio' && !on.matches(':focus-visible');
  return (
    dialogIsOpen() || (on instanceof HTMLElement && !chosen && /^(INPUT|TEXTAREA|SELECT)$/.test(on.tagName))
  );
};
function keyTaken(r: RecordState, event: KeyboardEvent): boolean {
  const step = steps[event.key];
  if (step) {
    const mm = event.shiftKey ? 0.1 : 1;
    r.move(step[0] * mm, step[1] * mm);
    return true;
  }
  const tool = tools[event.key];
  if (tool) {
    r.take(tool);
    return true;
  }
  if (event.key === 'd') {
    r.nextDrive();
    return true;
  }
  if (event.key === 'Escape') {
    r.forget();
    return true;
  }
  if (event.repeat) return false;
  // a button that has the focus is pressed by Enter, as everywhere
  if (event.key === 'Enter' && document.activeElement?.tagName === 'BUTTON') return false;
  if (r.tool === 'fastener') {
    if (r.typeLength(event.key)) return true;
    // behind a length it is the end of it, however fast it came; alone it is the pedal's
    if (event.key === 'Enter' && r.lengthTyped.text) {
      r.enter();
      return true;
    }
  }
  return false;
}
