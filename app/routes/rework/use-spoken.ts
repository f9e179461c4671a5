import { useEffect } from 'react';
import { usePreferences } from '../../ui/preferences';
import { say } from '../../ui/speech';

/** Speaks a line when it changes, where this bench wants instructions spoken. */
export function useSpoken(text: string | undefined): void {
  const { speak } = usePreferences();
  useEffect(() => {
    if (speak && text) say(text);
  }, [speak, text]);
}
