import { useCallback, useRef, useState } from 'react';
import type { LeakSample } from '../../../../core/leak/fit';
import type { LeakDevice, LeakFault, LeakLine } from '../../../../core/wire/leak-test';
import { benchTime } from '../../../job/clock';

export type LeakRunState =
  | { at: 'rest' }
  | { at: 'evacuating' | 'holding' }
  | { at: 'done'; done: Extract<LeakLine, { say: 'done' }> }
  | { at: 'failed'; fault: LeakFault | 'no server'; said: string };

/** Lines of JSON as they come. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<LeakLine> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let text = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    text += decoder.decode(value, { stream: true });
    for (let i = text.indexOf('\n'); i >= 0; i = text.indexOf('\n')) {
      yield JSON.parse(text.slice(0, i)) as LeakLine;
      text = text.slice(i + 1);
    }
  }
}
/** Runs the leak tester through the server, and has its curve as it grows. */
export function useLeakTest(jobId: string, onDone: () => void) {
  const [state, setState] = useState<LeakRunState>({ at: 'rest' });
  const [samples, setSamples] = useState<readonly LeakSample[]>([]);
  const running = useRef(false);
  const run = useCallback(
    async (simulate: LeakDevice) => {
      if (running.current) return;
      running.current = true;
      setSamples([]);
      setState({ at: 'evacuating' });
      try {
        const res = await fetch(`/jobs/${jobId}/leak-test`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ command: crypto.randomUUID(), ...benchTime(), simulate }),
        });
        if (!res.ok || !res.body) throw new Error(String(res.status));
        let ended = false;
        for await (const line of linesOf(res.body)) {
          if (line.say === 'samples') {
            setState({ at: line.phase });
            setSamples((before) => [...before, ...line.samples]);
          } else if (line.say === 'done') {
            ended = true;
            setState({ at: 'done', done: line });
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
    [jobId, onDone],
  );
  return { state, samples, run };
}
