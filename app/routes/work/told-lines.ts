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
