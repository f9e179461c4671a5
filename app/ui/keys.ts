import { useLayoutEffect, useRef } from 'react';
import { preferences } from './preferences';

/** Characters closer together than this come from a calliper or a scanner, not from fingers. */
const burstGapMs = 35;
/** The same after a digit: callipers over a radio link take longer between two, and changing device has a tenth of a second. */
const numberGapMs = 100;
const gapAfter = (key: string) => (/[\d.,]/.test(key) ? numberGapMs : burstGapMs);
export type KeyMap = Partial<
  Record<
    'next' | 'undo' | 'trouble' | 'keys' | 'search' | 'all' | 'note' | 'turn' | 'say',
    (() => void) | undefined
  >
> & {
  device?: (n: number) => void;
  /** 1 to 3 answer on this screen, and do not change device. */
  answer?: (n: number) => void;
  /** Down (1) or up (-1), by arrows and by J and K. */
  move?: (by: number) => void;
  typed?: (text: string) => void;
};

/** How many screens that are shown take 1 to 3 for answers. */
let answering = 0;
const moves: Record<string, number> = { j: 1, k: -1, ArrowDown: 1, ArrowUp: -1 };

/** A dialog is on top: the keys are its own, and what an instrument types still counts. */
export const dialogIsOpen = () => document.querySelector('[role=dialog]') !== null;

/** Shortcuts of one character. */
const letters: Record<string, 'trouble' | 'keys' | 'search' | 'all' | 'note' | 'turn' | 'say'> = {
  t: 'trouble',
  '?': 'keys',
  '/': 'search',
  a: 'all',
  n: 'note',
  v: 'turn',
  s: 'say',
};

const isTyping = (el: Element | null) =>
  el instanceof HTMLElement && (el.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(el.tagName));
const actsOn = (el: Element | null, key: string) =>
  el instanceof HTMLElement && (key === ' ' || key === 'Enter') && /^(BUTTON|A|SUMMARY)$/.test(el.tagName);

/**
 * The bench's keys: Space, Page Down or Enter does the next thing, Backspace undoes, 1-9 change device, 0 shows all of them.
 * A held key counts once; a focused control and a shortcut never both act; a fast burst of characters ended by Enter
 * is a measurement or a code and never reaches the shortcuts.
 */
export function useKeys(map: KeyMap): void {
  const current = useRef(map);
  const answers = map.answer !== undefined;
  useLayoutEffect(() => {
    if (!answers) return;
    answering++;
    return () => {
      answering--;
    };
  }, [answers]);
  // before the paint: a key that answers what is seen must find its listener
  useLayoutEffect(() => {
    current.current = map;
  });
  useLayoutEffect(() => {
    let burst = '';
    let last = 0;
    let gap = burstGapMs;
    let single: ReturnType<typeof setTimeout> | undefined;
    const shortcut = (key: string) => {
      const keyMap = current.current;
      if (!preferences().letters || dialogIsOpen()) return;
      const named = letters[key.toLowerCase()];
      if (key >= '1' && key <= '3' && answering > 0) keyMap.answer?.(Number(key));
      else if (key >= '0' && key <= '9') keyMap.device?.(Number(key));
      else if (moves[key.toLowerCase()]) keyMap.move?.(moves[key.toLowerCase()]!);
      else if (named) keyMap[named]?.();
    };
    const down = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(document.activeElement)) return;
      const now = event.timeStamp;
      const fast = now - last < gap;
      if (event.key.length === 1 && event.key !== ' ') {
        if (event.repeat) return;
        clearTimeout(single);
        burst = fast ? burst + event.key : event.key;
        last = now;
        gap = gapAfter(event.key);
        // a lone character is a shortcut only when nothing follows it as fast as an instrument types
        if (burst.length === 1) {
          const key = event.key;
          single = setTimeout(() => {
            if (burst === key) shortcut(key);
            burst = '';
          }, gap + 15);
        }
        if (event.key === '/' || event.key === '?') event.preventDefault();
        return;
      }
      if (event.key === 'Enter' && burst.length > 1 && now - last < 250) {
        event.preventDefault();
        current.current.typed?.(burst);
        burst = '';
        return;
      }
      burst = '';
      if (actsOn(document.activeElement, event.key) || dialogIsOpen()) return;
      const keyMap = current.current;
      if (event.key === ' ' || event.key === 'PageDown' || event.key === 'Enter') {
        event.preventDefault();
        if (!event.repeat) keyMap.next?.();
      } else if (event.key === 'Backspace') {
        event.preventDefault();
        if (!event.repeat) keyMap.undo?.();
      } else if (moves[event.key] && keyMap.move) {
        event.preventDefault();
        keyMap.move(moves[event.key]!);
      }
    };
    window.addEventListener('keydown', down);
    return () => {
      window.removeEventListener('keydown', down);
      clearTimeout(single);
    };
  }, []);
}
