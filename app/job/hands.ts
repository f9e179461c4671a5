import type { TakenOver } from '../../core/wire/hands';

/** Sends a badge, or what unlocks a bench. */
export async function takeOver(given: { badge?: string; secret?: string }): Promise<TakenOver> {
  try {
    const answer = await fetch('/switch', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(given),
      signal: AbortSignal.timeout(10_000),
    });
    // signed out meanwhile: there is nothing to unlock
    if (answer.redirected || !answer.headers.get('content-type')?.includes('json')) return { ok: false };
    return (await answer.json()) as TakenOver;
  } catch {
    return { ok: false };
  }
}
/** Locks this bench. @returns whether it is: without the server it stays as it is, so that it can be worked at */
export const lockBench = (): Promise<boolean> =>
  fetch('/lock', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }).then(
    (answer) => answer.ok,
    () => false,
  );
