import type { LoaderFunctionArgs } from 'react-router';
import { z } from 'zod';
import type { Who } from '../../../core/wire/who';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';

/** What an instrument does, as it does it: a line of JSON each. It goes on to its end, whether anybody listens or not. */
export function toldLines<Line>(
  work: (say: (line: Line) => void) => Promise<void>,
  failed: (said: string) => Line,
): Response {
  const text = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async start(stream) {
      let listening = true;
      const say = (line: Line) => {
        if (!listening) return;
        try {
          stream.enqueue(text.encode(`${JSON.stringify(line)}\n`));
        } catch {
          listening = false;
        }
      };
      await work(say).catch((e: Error) => say(failed(e.message)));
      try {
        stream.close();
      } catch {
        /* whoever listened has gone */
      }
    },
  });
  return new Response(body, {
    headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store, no-transform' },
  });
}

type Asked = Pick<LoaderFunctionArgs, 'request' | 'context'> & { params: { job: string } };
/** The same for an instrument at a job: who asks is known, and the job's id is one. @throws Response */
export async function toldOfJob<Line>(
  { request, params, context }: Asked,
  work: (who: Who, job: string, ask: unknown, say: (line: Line) => void) => Promise<void>,
  failed: (said: string) => Line,
): Promise<Response> {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  if (!z.uuid().safeParse(params.job).success)
    return Response.json({ error: 'no such job' }, { status: 404 });
  const ask = await jsonBody(request);
  return toldLines<Line>((say) => work(who, params.job, ask, say), failed);
}
