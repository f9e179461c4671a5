import { expect, test, vi } from 'vitest';
import { toldBy } from './told';

const bytes = (text: string) => new TextEncoder().encode(text);
/** A server that tells so, piece by piece. */
const telling = (pieces: Uint8Array[], status = 200) =>
  vi.stubGlobal('fetch', async () => {
    const body = new ReadableStream({
      start(stream) {
        for (const piece of pieces) stream.enqueue(piece);
        stream.close();
      },
    });
    return new Response(body, { status });
  });
const all = async () => {
  const out: unknown[] = [];
  for await (const line of toldBy('/instrument', { do: 'read' })) out.push(line);
  return out;
};

test('lines come as they are told, however they are cut: several at once, one in pieces, a letter in two', async () => {
  const cut = bytes('{"at":"°"}\n');
  telling([bytes('{"n":1}\n{"n":2}\n{"n"'), bytes(':3}\n'), cut.slice(0, 8), cut.slice(8)]);
  expect(await all()).toEqual([{ n: 1 }, { n: 2 }, { n: 3 }, { at: '°' }]);
});
test('what does not end with its line is not told; a server that does not answer is an error', async () => {
  telling([bytes('{"n":1}\n{"n":2')]);
  expect(await all()).toEqual([{ n: 1 }]);
  telling([], 503);
  await expect(all()).rejects.toThrow('503');
});
