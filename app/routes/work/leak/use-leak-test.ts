import { useCallback, useRef, useState } from 'react';
import type { LeakAnswer } from '../../../../core/leak/leak';
import type { LeakSample } from '../../../../core/leak/fit';
import { toldBy } from '../../../job/told';
import type { LeakFault, LeakLine } from '../../../../core/wire/leak-test';

export type LeakRunState =
  | { at: 'rest' }
  | { at: 'evacuating' | 'holding' }
  | { at: 'done'; answer: LeakAnswer }
  | { at: 'failed'; fault: LeakFault | 'no server'; said: string };

/** Runs the leak tester through the server, and has its curve as it grows. @param address of what is run: a job's test, or the tester's own */
export function useLeakTest<Device extends string>(address: string, more: () => object, onDone: () => void) {
  const [state, setState] = useState<LeakRunState>({ at: 'rest' });
  const [samples, setSamples] = useState<readonly LeakSample[]>([]);
  const running = useRef(false);
  const run = useCallback(
    async (simulate: Device) => {
      if (running.current) return;
      running.current = true;
      setSamples([]);
      setState({ at: 'evacuating' });
      try {
        let ended = false;
        for await (const line of toldBy<LeakLine>(address, { ...more(), simulate })) {
          if (line.say === 'samples') {
            setState({ at: line.phase });
            setSamples((before) => [...before, ...line.samples]);
          } else if (line.say === 'done' || line.say === 'tried') {
            ended = true;
            setState({ at: 'done', answer: line.answer });
            onDone();
          } else if (line.say === 'failed') {
            ended = true;
            setState({ at: 'failed', fault: line.fault, said: line.said });
          }
        }
        if (!ended) throw new Error('ended early');
      } catch (e) {
        setState({ at: 'failed', fault: 'no server', said: (e as Error).message });
      } finally {
        running.current = false;
      }
    },
    [address, more, onDone],
  );
  return { state, samples, run };
}
