import * as wording from '../../words/answers/photos';
import sharp from 'sharp';
import { isJob } from '../db/jobs';
import { inShop } from '../db/orm';
import { addPhoto, findPhoto, photoCount, pictureOf, removePhoto } from '../db/photos';
import type { Who } from '../../core/wire/who';

/** The longest edge that is kept: enough to see a hairline crack, small enough to keep. */
const longestPx = 2000;
/** A device is photographed from all sides and at every mark, not more often. */
export const mostPerJob = 60;

export type PhotoKept =
  | { ok: true; width: number; height: number }
  | { ok: false; status: 400 | 409 | 413; error: string };

/**
 * Takes in a photograph: decoded, turned upright, made smaller and encoded anew, so that nothing of the file that was
 * sent survives but its picture: no place, no camera, nothing hidden. Sending it twice keeps it once.
 */
export async function keepPhoto(who: Who, jobId: string, photoId: string, bytes: Buffer): Promise<PhotoKept> {
  const read = await reencode(bytes);
  if (!read.ok) return read;
  return inShop(who.shopId, async (em): Promise<PhotoKept> => {
    const known = await findPhoto(em, photoId);
    if (known)
      return known.jobId === jobId
        ? { ok: true, width: known.width, height: known.height }
        : { ok: false, status: 409, error: wording.belongsToAnother };
    if ((await photoCount(em, jobId)) >= mostPerJob)
      return {
        ok: false,
        status: 409,
        error: wording.enoughPhotographs(mostPerJob),
      };
    const { jpeg, width, height } = read;
    addPhoto(em, { id: photoId, jobId, personId: who.personId, jpeg, width, height });
    return { ok: true, width, height };
  });
}

/** A picture decoded, turned upright, made smaller and encoded anew; or why it cannot be. */
export async function reencode(
  bytes: Buffer,
): Promise<{ ok: true; jpeg: Buffer; width: number; height: number } | Extract<PhotoKept, { ok: false }>> {
  if (!bytes.length) return { ok: false, status: 400, error: wording.isEmpty };
  if (isHeic(bytes))
    return {
      ok: false,
      status: 400,
      error: wording.isHeic,
    };
  // a drawing is no photograph: decoding one can be made to take for ever
  if (!isRaster(bytes))
    return {
      ok: false,
      status: 400,
      error: wording.noPhotograph,
    };
  try {
    // a picture that would unpack to more than this is not a photograph of a phone
    const out = await sharp(bytes, { limitInputPixels: 120_000_000, failOn: 'error' })
      .rotate()
      .resize({ width: longestPx, height: longestPx, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
    return { ok: true, jpeg: out.data, width: out.info.width, height: out.info.height };
  } catch {
    return {
      ok: false,
      status: 400,
      error: wording.noPicture,
    };
  }
}
/** By its first bytes: JPEG (ITU-T T.81), PNG (ISO/IEC 15948) or WebP (RFC 9649). */
const isRaster = (b: Buffer) =>
  b.subarray(0, 3).toString('hex') === 'ffd8ff' ||
  b.subarray(0, 8).toString('hex') === '89504e470d0a1a0a' ||
  (b.subarray(0, 4).toString('latin1') === 'RIFF' && b.subarray(8, 12).toString('latin1') === 'WEBP');
/** ISO base media files of the HEIF family name their brand at byte 8. */
const isHeic = (b: Buffer) =>
  b.subarray(4, 8).toString('latin1') === 'ftyp' &&
  /^(heic|heix|hevc|heim|heis|mif1|msf1)/.test(b.subarray(8, 12).toString('latin1'));

/** The picture of a photograph; undefined where this job has none such. */
export const photoOf = (who: Who, jobId: string, photoId: string): Promise<Buffer | undefined> =>
  inShop(who.shopId, (em) => pictureOf(em, jobId, photoId));
/** Removes a photograph of a device that has not been received yet; afterwards it is part of the record. */
export async function dropPhoto(who: Who, jobId: string, photoId: string): Promise<boolean> {
  return inShop(who.shopId, async (em) => {
    if (await isJob(em, jobId)) return false;
    await removePhoto(em, jobId, photoId);
    return true;
  });
}
