import { badgePattern } from '../../forms/hands-fields';

/** A scanner types faster than this from one character to the next, ms. */
const gapMs = 60;
const longest = 40;

/** What is to be done with a key: nothing, or take it away from whatever else listens, since it belonged to a badge. */
export type Scanned = { badge?: string };
/**
 * Tells a badge that a scanner types from what people type: all of it comes at once and ends with Enter. What comes before
 * it at a person's pace is no part of it.
 */
export class BadgeScan {
  #typed = '';
  #last = Number.NEGATIVE_INFINITY;
  /**
   * @param key as a keyboard event names it
   * @param at when, ms
   */
  feed(key: string, at: number): Scanned {
    const together = at - this.#last < gapMs;
    this.#last = at;
    if (key === 'Shift' || key === 'CapsLock') return {};
    if (key === 'Enter') {
      const text = together ? this.#typed.toUpperCase() : '';
      this.#typed = '';
      // a scanner that types into what was typed quickly before: the badge is its end
      const badge = text.slice(-22);
      return badgePattern.test(badge) ? { badge } : {};
    }
    if (key.length !== 1) {
      this.#typed = '';
      return {};
    }
    this.#typed = ((together ? this.#typed : '') + key).slice(-longest);
    return {};
  }
}
