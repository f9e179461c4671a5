import * as wording from '../../../words/screens/work';
import { useEffect } from 'react';
import { usePreferences } from '../../ui/preferences';
import { say } from '../../ui/speech';
import { stepTitle } from '../../../words/steps';
import { cautionText } from '../../../words/cautions';
import { stopText } from '../../../words/stop-now';
import type { WorkState } from './use-work';

/** The instruction, spoken when it changes where that was asked for. @returns speaks it once more */
export function useSpoken({ now, step, index, say: show }: WorkState): () => void {
  const prefs = usePreferences();
  const caution = step?.cautions[0];
  const spoken =
    now.kind === 'stop now'
      ? stopText[now.what].title
      : now.kind === 'leaks'
        ? wording.itLeaks
        : step
          ? `${stepTitle(index, step)}. ${caution ? cautionText[caution] : ''}`
          : '';
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each instruction
  useEffect(() => {
    if (prefs.speak && spoken) say(spoken);
  }, [prefs.speak, step?.id, now.kind]);
  return () => {
    if (spoken && !say(spoken)) show(wording.thisBrowserHasNoVoice);
  };
}
