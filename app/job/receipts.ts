import * as wording from '../../words/screens/job';
import { dropReceipt, keepReceipt, keptReceipts } from './outbox';

type Answer = { ok: true; job: string } | { ok: false; errors: Record<string, string> };

/** Sends the devices that were received without the server. @returns false when the server is away */
export async function sendReceipts(owner: string): Promise<boolean> {
  for (const keptReceipt of await keptReceipts(owner)) {
    if (keptReceipt.error) continue;
    let answer: Response;
    try {
      answer = await fetch(`/drafts/${keptReceipt.id}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(keptReceipt.body),
        signal: AbortSignal.timeout(15_000),
      });
    } catch {
      return false;
    }
    // signed out, or the server is ill: it stays as it is
    if (answer.status === 401 || answer.status >= 500) return answer.status === 401;
    const said = (await answer.json().catch(() => undefined)) as Answer | undefined;
    if (said?.ok) await dropReceipt(keptReceipt.id);
    else
      await keepReceipt({
        ...keptReceipt,
        error: Object.values(said?.errors ?? {}).join(' ') || wording.theServerAnsweredOf(answer.status),
      });
  }
  return true;
}
