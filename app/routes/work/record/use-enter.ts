import { type RefObject, useEffect } from 'react';

/** What the pedal does for the thing that is asked about now; nothing where it is not whole yet. */
export type Enter = RefObject<(() => void) | undefined>;

/** Gives the pedal what it does while this is shown. */
export function useEnter(enter: Enter, take: (() => void) | undefined): void {
  useEffect(() => {
    enter.current = take;
    return () => {
      enter.current = undefined;
    };
  });
}
