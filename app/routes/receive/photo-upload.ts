import * as wording from '../../../words/screens/receive';
import { useCallback, useEffect, useRef, useState } from 'react';
import { photoLimitBytes } from '../../../core/log/photo-limit';
import { listen } from '../../job/channel';
import { dropPhoto, keepPhoto, keptPhotos } from '../../job/outbox';

export interface Upload {
  id: string;
  mark: string | undefined;
  state: 'sending' | 'failed';
  error?: string;
  file: Blob & { name?: string };
}

const away = wording.theServerIsAwayIt;
/** Keeps a photograph in this browser and sends it. @returns why it was not taken */
async function sendPhoto(draft: string, owner: string, u: Upload): Promise<string | undefined> {
  if (u.file.size > photoLimitBytes)
    return wording.hasMbAtMostMb(
      u.file.name ?? wording.thePhotograph,
      Math.round(u.file.size / 1e6),
      photoLimitBytes / 1e6,
    );
  // without this browser's store it is sent all the same
  await keepPhoto({
    id: u.id,
    owner,
    job: draft,
    draft: true,
    ...(u.mark ? { mark: u.mark } : {}),
    picture: u.file,
  }).catch(() => {});
  try {
    const res = await fetch(`/jobs/${draft}/photos/${u.id}`, {
      method: 'PUT',
      headers: { 'content-type': u.file.type || 'application/octet-stream' },
      body: u.file,
    });
    if (res.ok) return undefined;
    const said = (await res.json().catch(() => ({}))) as { error?: string };
    return said.error ?? wording.theServerAnswered(res.status);
  } catch {
    return away;
  }
}

/**
 * Sends photographs as they are taken. Each is kept in this browser first: one that could not be sent is there again when
 * the page is opened anew, and is sent when the server answers.
 */
export function usePhotoUpload(
  draft: string,
  owner: string,
  onKept: (photo: { id: string; mark?: string }) => void,
): {
  uploads: Upload[];
  add: (files: readonly File[], mark?: string) => void;
  again: (id: string) => void;
  drop: (id: string) => void;
} {
  const [uploads, setUploads] = useState<Upload[]>([]);
  const waiting = useRef<Upload[]>([]);
  waiting.current = uploads;
  const send = useCallback(
    async (u: Upload) => {
      const fail = (error: string) =>
        setUploads((l) => l.map((x) => (x.id === u.id ? { ...x, state: 'failed', error } : x)));
      setUploads((l) => [...l.filter((x) => x.id !== u.id), { ...u, state: 'sending' }]);
      const error = await sendPhoto(draft, owner, u);
      if (error !== undefined) {
        fail(error);
        return;
      }
      setUploads((l) => l.filter((x) => x.id !== u.id));
      onKept({ id: u.id, ...(u.mark ? { mark: u.mark } : {}) });
      await dropPhoto(u.id).catch(() => {});
    },
    [draft, owner, onKept],
  );
  const latest = useRef(send);
  latest.current = send;
  useEffect(() => {
    void keptPhotos(owner)
      .then((all) => {
        for (const p of all)
          if (p.draft && p.job === draft)
            void latest.current({ id: p.id, mark: p.mark, state: 'sending', file: p.picture });
      })
      .catch(() => {});
    return listen((m) => {
      if (m.type === 'online' && m.online)
        for (const u of waiting.current) if (u.state === 'failed' && u.error === away) void latest.current(u);
    });
  }, [draft, owner]);
  return {
    uploads,
    add: (files, mark) => {
      for (const file of files ?? []) void send({ id: crypto.randomUUID(), mark, state: 'sending', file });
    },
    again: (id) => {
      const u = uploads.find((x) => x.id === id);
      if (u) void send(u);
    },
    drop: (id) => {
      setUploads((l) => l.filter((x) => x.id !== id));
      void dropPhoto(id).catch(() => {});
    },
  };
}
