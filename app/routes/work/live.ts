import * as wording from '../../../words/screens/work';
import { ending as signal, holdStreamOf, isSignedIn, watchShop } from '../../../server/use-cases/live';
import { requireBench } from '../../context';
import type { Route } from './+types/live';

/** The event stream of one browser: `{job, seq}` of the own workshop, nothing else. */
export function loader({ request, context }: Route.LoaderArgs) {
  const { who } = requireBench(context);
  const enc = new TextEncoder();
  let stop = () => {};
  let release = () => {};
  const body = new ReadableStream<Uint8Array>({
    start(readableStreamDefaultController) {
      const send = (s: string) => {
        try {
          readableStreamDefaultController.enqueue(enc.encode(s));
        } catch {
          stop();
        }
      };
      const off = watchShop(who, (m) =>
        send(m === 'resync' ? wording.eventResyncData : wording.eventChangeData(JSON.stringify(m))),
      );
      // signed out in another process: the stream ends with the next beat
      const beat = setInterval(
        () =>
          void isSignedIn(request)
            .then((yes) => (yes ? send(': beat\n\n') : stop()))
            .catch(() => {}),
        15_000,
      );
      stop = () => {
        off();
        release();
        clearInterval(beat);
        signal.removeEventListener('abort', stop);
        request.signal.removeEventListener('abort', stop);
        try {
          readableStreamDefaultController.close();
        } catch {
          /* already closed */
        }
      };
      release = holdStreamOf(request, stop);
      request.signal.addEventListener('abort', stop);
      signal.addEventListener('abort', stop);
      send(wording.retry1000EventHelloData);
    },
    cancel() {
      stop();
    },
  });
  return new Response(body, {
    headers: {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    },
  });
}
