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
async function sendPhoto(draft: string, owner: string, upload: Upload): Promise<string | undefined> {
  if (upload.file.size > photoLimitBytes)
    return wording.hasMbAtMostMb(
      upload.file.name ?? wording.thePhotograph,
      Math.round(upload.file.size / 1e6),
      photoLimitBytes / 1e6,
    );
  // without this browser's store it is sent all the same
  await keepPhoto({
    id: upload.id,
    owner,
    job: draft,
    draft: true,
    ...(upload.mark ? { mark: upload.mark } : {}),
    picture: upload.file,
  }).catch(() => {});
  try {
    const res = await fetch(`/jobs/${draft}/photos/${upload.id}`, {
      method: 'PUT',
      headers: { 'content-type': upload.file.type || 'application/octet-stream' },
      body: upload.file,
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
    async (upload: Upload) => {
      const fail = (error: string) =>
        setUploads((l) => l.map((x) => (x.id === upload.id ? { ...x, state: 'failed', error } : x)));
      setUploads((l) => [...l.filter((x) => x.id !== upload.id), { ...upload, state: 'sending' }]);
      const error = await sendPhoto(draft, owner, upload);
      if (error !== undefined) {
        fail(error);
        return;
      }
      setUploads((l) => l.filter((x) => x.id !== upload.id));
      onKept({ id: upload.id, ...(upload.mark ? { mark: upload.mark } : {}) });
      await dropPhoto(upload.id).catch(() => {});
    },
    [draft, owner, onKept],
  );
  const latest = useRef(send);
  latest.current = send;
  useEffect(() => {
    void keptPhotos(owner)
      .then((all) => {
        for (const keptPhoto of all)
          if (keptPhoto.draft && keptPhoto.job === draft)
            void latest.current({
              id: keptPhoto.id,
              mark: keptPhoto.mark,
              state: 'sending',
              file: keptPhoto.picture,
            });
      })
      .catch(() => {});
    return listen((message) => {
      if (message.type === 'online' && message.online)
        for (const upload of waiting.current)
          if (upload.state === 'failed' && upload.error === away) void latest.current(upload);
    });
  }, [draft, owner]);
  return {
    uploads,
    add: (files, mark) => {
      for (const file of files ?? []) void send({ id: crypto.randomUUID(), mark, state: 'sending', file });
    },
    again: (id) => {
      const upload = uploads.find((x) => x.id === id);
      if (upload) void send(upload);
    },
    drop: (id) => {
      setUploads((l) => l.filter((x) => x.id !== id));
      void dropPhoto(id).catch(() => {});
    },
  };
}
