/** A browser has one stream, led by one tab; a few more while tabs change over. */
export const mostStreams = 4;
const open = new Map<string, Set<() => void>>();

/**
 * Counts a stream for its session; the oldest one ends when there would be too many.
 * @returns to be called when the stream has ended
 */
export function holdStream(session: string, end: () => void): () => void {
  const mine = open.get(session) ?? new Set();
  open.set(session, mine);
  while (mine.size >= mostStreams) {
    const oldest = mine.values().next().value!;
    mine.delete(oldest);
    oldest();
  }
  mine.add(end);
  return () => {
    mine.delete(end);
    if (!mine.size) open.delete(session);
  };
}
/** Ends all streams of a session: it was signed out. */
export function endStreamsOf(session: string): void {
  for (const end of [...(open.get(session) ?? [])]) end();
  open.delete(session);
}
