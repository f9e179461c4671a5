import { z } from 'zod';
import { leakTest } from '../../../server/use-cases/leak-test';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { LeakLine } from '../../../core/wire/leak-test';
import type { Route } from './+types/leak-test';

/** Runs a leak test and says how it goes, a line of JSON each; it ends by itself whether anybody listens or not. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  if (!z.uuid().safeParse(params.job).success)
    return Response.json({ error: 'no such job' }, { status: 404 });
  const ask = await jsonBody(request);
  const text = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async start(stream) {
      let listening = true;
      const say = (line: LeakLine) => {
        if (!listening) return;
        try {
          stream.enqueue(text.encode(`${JSON.stringify(line)}\n`));
        } catch {
          listening = false;
        }
      };
      await leakTest(who, params.job, ask, say).catch((e: Error) =>
        say({ say: 'failed', fault: 'stopped', said: e.message }),
      );
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
