import * as wording from '../../../words/screens/work';
import { useEffect, useState } from 'react';
import type { WorkState } from './use-work';

/** What a calliper typed belongs to the target in hand: it is kept of that screw, going out and going in. */
export function useMeasured({ now, step, target, index, act, say }: WorkState): {
  measured: number | undefined;
  typed: (text: string) => void;
} {
  const [measured, setMeasured] = useState<number>();
  // biome-ignore lint/correctness/useExhaustiveDependencies: a measurement belongs to the target it was taken for
  useEffect(() => setMeasured(undefined), [now.kind, step?.id, target]);
  const typed = (text: string) => {
    const mm = Number(text.replace(',', '.').replace(/ ?mm$/i, ''));
    if (!(Number.isFinite(mm) && mm > 0 && mm < 50)) {
      say(wording.typedByAnInstrument(text));
      return;
    }
    setMeasured(mm);
    if (now.kind === 'do' && 'piece' in now.body && index.fasteners.has(now.target))
      act({ type: 'screwMeasured', piece: now.body.piece, lengthMm: mm });
  };
  return { measured, typed };
}
