import { useCallback, useEffect, useRef, useState } from 'react';
import type { DraftBody } from '../../../forms/receipt-fields';
import { draftKey } from '../../job/draft-copy';

export type Keeping =
  | 'as loaded'
  | 'kept here'
  | 'kept on the server'
  | 'server is away: kept here'
  | 'kept here only: the server does not take it as it is';

/**
 * A draft: in this browser at every key, on the server within two seconds, neither ever with a passcode.
 * @param onFound is told what this browser had kept of it
 */
export function useDraft(
  id: string,
  loaded: DraftBody,
  onFound: (draft: DraftBody) => void,
): { draft: DraftBody; change: (c: Partial<DraftBody>) => void; keeping: Keeping } {
  const [draft, setDraft] = useState<DraftBody>(loaded);
  const [keeping, setKeeping] = useState<Keeping>('as loaded');
  const latest = useRef(draft);
  const found = useRef(onFound);
  useEffect(() => {
    found.current = onFound;
  });
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const send = useCallback(async () => {
    const body = JSON.stringify(latest.current);
    try {
      const res = await fetch(`/drafts/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body,
      });
      // what is wrong with it is said when it is received; until then it stays in this browser
      if (res.status >= 400 && res.status < 500) {
        setKeeping('kept here only: the server does not take it as it is');
        return;
      }
      if (!res.ok) throw new Error(String(res.status));
      if (JSON.stringify(latest.current) === body) setKeeping('kept on the server');
    } catch {
      setKeeping('server is away: kept here');
      timer.current = setTimeout(() => void send(), 3000);
    }
  }, [id]);
  useEffect(() => {
    const local = localStorage.getItem(draftKey(id));
    if (!local) return;
    try {
      latest.current = { ...loaded, ...(JSON.parse(local) as DraftBody) };
      setDraft(latest.current);
      found.current(latest.current);
      setKeeping('kept here');
    } catch {
      localStorage.removeItem(draftKey(id));
    }
  }, [id, loaded]);
  const change = useCallback(
    (partial: Partial<DraftBody>) => {
      latest.current = { ...latest.current, ...partial };
      setDraft(latest.current);
      localStorage.setItem(draftKey(id), JSON.stringify(latest.current));
      setKeeping('kept here');
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void send(), 900);
    },
    [id, send],
  );
  useEffect(() => () => clearTimeout(timer.current), []);
  return { draft, change, keeping };
}
