import { differenceOf, enlargementOf, pictureFigures } from '../../../../core/signals/picture';

/** What a camera can do beyond the standard's first edition; a browser lists what it can set. */
interface Range {
  min: number;
  max: number;
}
interface CameraCan {
  focusMode?: string[];
  focusDistance?: Range;
  zoom?: Range;
  torch?: boolean;
}
type CameraSet = Partial<{ focusMode: string; focusDistance: number; zoom: number; torch: boolean }>;
/** So long until a lens has moved, a light shines and the exposure has followed, ms. */
const settlesMs = 500;
/** Greater zoom than this shows grain, and takes long to move back. */
const mostZoom = 4;
const shakesMs = 500;

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const canOf = (track: MediaStreamTrack): CameraCan =>
  (track.getCapabilities?.() as CameraCan | undefined) ?? {};
const set = (track: MediaStreamTrack, to: CameraSet): Promise<void> =>
  track.applyConstraints({ advanced: [to as MediaTrackConstraintSet] });

/** Pictures are looked at in this width, points. */
const width = 640;
export function stillOf(video: HTMLVideoElement): { canvas: HTMLCanvasElement; picture: ImageData } {
  const canvas = document.createElement('canvas');
  canvas.width = Math.min(width, video.videoWidth);
  canvas.height = Math.round((canvas.width * video.videoHeight) / video.videoWidth);
  const ink = canvas.getContext('2d', { willReadFrequently: true })!;
  ink.drawImage(video, 0, 0, canvas.width, canvas.height);
  return { canvas, picture: ink.getImageData(0, 0, canvas.width, canvas.height) };
}
/** The picture as it is kept with the job: small, base64 of a JPEG; rings where a spot was found. */
export function kept(canvas: HTMLCanvasElement, spots: readonly { x: number; y: number }[] = []): string {
  const ink = canvas.getContext('2d')!;
  ink.lineWidth = 3;
  ink.strokeStyle = 'rgb(240 180 40)';
  for (const { x, y } of spots.slice(0, 20)) {
    ink.beginPath();
    ink.arc(x * canvas.width, y * canvas.height, 14, 0, 2 * Math.PI);
    ink.stroke();
  }
  return canvas.toDataURL('image/jpeg', 0.6).split(',')[1] ?? '';
}
type Tried = Partial<Record<'travel' | 'light' | 'zoom' | 'shaken', number>>;
/** A figure where the browser lets the camera do it, and nothing where it does not or fails at it. */
const tried = async (name: keyof Tried, measure: () => Promise<number | undefined>): Promise<Tried> => {
  const value = await measure().catch(() => undefined);
  return value === undefined || !Number.isFinite(value) ? {} : { [name]: value };
};
/** What moves: the focus from end to end, the zoom, and the picture while the phone vibrates. */
export async function moved(track: MediaStreamTrack, video: HTMLVideoElement): Promise<Tried> {
  const can = canOf(track);
  const look = () => stillOf(video).picture;
  const travel = await tried('travel', async () => {
    const range = can.focusDistance;
    if (!range || !can.focusMode?.includes('manual') || range.max <= range.min) return undefined;
    const seen: number[] = [];
    for (const focusDistance of [range.min, range.max]) {
      await set(track, { focusMode: 'manual', focusDistance });
      await wait(settlesMs);
      seen.push(pictureFigures(look()).sharpness);
    }
    await set(track, { focusMode: can.focusMode.includes('continuous') ? 'continuous' : 'manual' });
    return Math.max(...seen) / Math.max(1e-6, Math.min(...seen));
  });
  const zoom = await tried('zoom', async () => {
    const range = can.zoom;
    if (!range || range.max < 2 * Math.max(1, range.min)) return undefined;
    const before = look();
    await set(track, { zoom: Math.min(mostZoom * range.min, range.max) });
    await wait(settlesMs);
    const after = look();
    await set(track, { zoom: range.min });
    return enlargementOf(before, after);
  });
  const shaken = await tried('shaken', async () => {
    if (typeof navigator.vibrate !== 'function') return undefined;
    const rest = await trembling(look);
    if (!navigator.vibrate(shakesMs)) return undefined;
    const shakes = await trembling(look);
    return Math.max(0, shakes - rest);
  });
  return { ...travel, ...zoom, ...shaken };
}
/** How much two pictures differ that follow each other. */
async function trembling(look: () => ImageData): Promise<number> {
  await wait(shakesMs / 4);
  const first = look();
  await wait(shakesMs / 4);
  return differenceOf(first, look());
}
/** How much brighter its light makes what it sees. */
export async function lit(track: MediaStreamTrack, video: HTMLVideoElement): Promise<Tried> {
  return tried('light', async () => {
    if (!canOf(track).torch) return undefined;
    const brightness = () => pictureFigures(stillOf(video).picture).brightness;
    const dark = brightness();
    await set(track, { torch: true });
    await wait(settlesMs);
    const light = brightness();
    await set(track, { torch: false });
    return light / Math.max(0.01, dark);
  });
}
/** Frames that come in a second; 0 where the browser does not say. */
export function framesASecond(video: HTMLVideoElement): Promise<number> {
  if (!video.requestVideoFrameCallback) return Promise.resolve(0);
  let frames = 0;
  let on = true;
  const count = () => {
    frames++;
    if (on) video.requestVideoFrameCallback(count);
  };
  video.requestVideoFrameCallback(count);
  return new Promise((resolve) =>
    setTimeout(() => {
      on = false;
      resolve(frames);
    }, 1000),
  );
}
