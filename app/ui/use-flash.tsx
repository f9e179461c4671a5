import { type ReactNode, useEffect, useState } from 'react';
import { Note } from './note';

/** As long as a sentence takes to be read by somebody whose hands are busy, ms. */
const readMs = 8000;

/** A word on top of the screen that goes by itself. */
export function useFlash(): { flash: ReactNode; say: (text: string | undefined) => void } {
  const [said, say] = useState<string>();
  useEffect(() => {
    if (!said) return;
    const timeout = setTimeout(() => say(undefined), readMs);
    return () => clearTimeout(timeout);
  }, [said]);
  return {
    say,
    flash: said && (
      <Note className="flash" role="status">
        {said}
      </Note>
    ),
  };
}
