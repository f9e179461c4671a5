import * as wording from '../../words/screens/job';
import { benchTime } from './clock';
import { dropPhoto, keep, keepPhoto, keptPhotos } from './outbox';

/** Keeps a photograph durably in this browser; it is sent when the server answers. */
export async function takePhoto(owner: string, job: string, picture: Blob, thing?: string): Promise<void> {
  await keepPhoto({ id: crypto.randomUUID(), owner, job, picture, ...(thing ? { thing } : {}) });
}

/**
 * Sends what is kept of photographs: the picture first, then the word of it into the log, so that the log never names a
 * picture that nobody has. @returns false when the server is away
 */
export async function sendPhotos(owner: string, person: string): Promise<boolean> {
  for (const p of await keptPhotos(owner)) {
    if (p.error || p.draft) continue;
    const res = await fetch(`/jobs/${p.job}/photos/${p.id}`, {
      method: 'PUT',
      headers: { 'content-type': p.picture.type || 'application/octet-stream' },
      body: p.picture,
    }).catch(() => undefined);
    if (!res || res.status >= 500 || res.status === 401) return false;
    if (!res.ok) {
      await keepPhoto({
        ...p,
        error:
          ((await res.json().catch(() => ({}))) as { error?: string }).error ??
          wording.theServerAnswered(res.status),
      });
      continue;
    }
    await keep(owner, {
      id: `photo-${p.id}`,
      job: p.job,
      person,
      body: { type: 'photographed', photo: p.id, ...(p.thing ? { thing: p.thing } : {}) },
      ...benchTime(),
    });
    await dropPhoto(p.id);
  }
  return true;
}
