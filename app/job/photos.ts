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
  for (const keptPhoto of await keptPhotos(owner)) {
    if (keptPhoto.error || keptPhoto.draft) continue;
    const res = await fetch(`/jobs/${keptPhoto.job}/photos/${keptPhoto.id}`, {
      method: 'PUT',
      headers: { 'content-type': keptPhoto.picture.type || 'application/octet-stream' },
      body: keptPhoto.picture,
    }).catch(() => undefined);
    if (!res || res.status >= 500 || res.status === 401) return false;
    if (!res.ok) {
      await keepPhoto({
        ...keptPhoto,
        error:
          ((await res.json().catch(() => ({}))) as { error?: string }).error ??
          wording.theServerAnswered(res.status),
      });
      continue;
    }
    await keep(owner, {
      id: `photo-${keptPhoto.id}`,
      job: keptPhoto.job,
      person,
      body: {
        type: 'photographed',
        photo: keptPhoto.id,
        ...(keptPhoto.thing ? { thing: keptPhoto.thing } : {}),
      },
      ...benchTime(),
    });
    await dropPhoto(keptPhoto.id);
  }
  return true;
}
