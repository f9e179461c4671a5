import { useLayoutEffect, useRef } from 'react';

/** A press that comes sooner than this after what it does has changed was meant for what stood there before, ms. */
const readMs = 600;

/**
 * Holds a press to what could have been read.
 * @param what says what the press does
 * @returns whether it has stood there long enough
 */
export function useArmed(what: string | undefined): () => boolean {
  const since = useRef(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: from each new text anew
  useLayoutEffect(() => {
    since.current = performance.now();
  }, [what]);
  return () => performance.now() - since.current >= readMs;
}
