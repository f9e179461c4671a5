import { useCallback, useEffect, useState } from 'react';
import type { Point } from '../../core/model/editing';
import type { IndexedModel } from '../../core/model/index-model';
import { type Homography, homography, similarity, straighten } from '../../core/model/perspective';
import type { Face } from '../../core/vocabulary/trade';
import type { ModelPhotoLine } from '../../core/wire/library';

/** A photograph of a device, put straight, as it lies under the map. */
export interface PhotoUnder {
  id: string;
  name: string;
  /** Which side of the device is seen in it. */
  face: Face;
  /** Its address; one that the server does not have yet is its own. */
  url: string;
  mayDrop: boolean;
}
/** No larger file is opened, bytes. */
export const mostBytes = 40_000_000;
/** Pixels of a millimetre: finer than a screw's recess, coarse enough that six photographs fit into a browser's store. */
const pxOfMm = 8;
/** The longer side of what is marked, px: no screen shows more. */
const longest = 2400;
/** What the server has not taken in yet: a closed tab or a lost network loses nothing. */
const waitingKey = (model: string) => `snavek-under-${model}`;
const waiting = new Map<string, readonly PhotoUnder[]>();
function waitingOf(model: string): readonly PhotoUnder[] {
  const known = waiting.get(model);
  if (known) return known;
  try {
    return JSON.parse(localStorage.getItem(waitingKey(model)) ?? '[]') as PhotoUnder[];
  } catch {
    return [];
  }
}
function keepWaiting(model: string, photos: readonly PhotoUnder[]): void {
  waiting.set(model, photos);
  try {
    if (photos.length) localStorage.setItem(waitingKey(model), JSON.stringify(photos));
    else localStorage.removeItem(waitingKey(model));
  } catch {
    // a full store: they stay until the page is left
  }
}
const addressOf = (model: string, id: string) => `/model-photos/${encodeURIComponent(model)}/${id}`;
/** Sends what waits. @returns why the server did not take one in; undefined where it did, or did not answer */
async function send(model: string): Promise<string | undefined> {
  for (const photo of waitingOf(model)) {
    const { id, name, face } = photo;
    const body = Uint8Array.from(atob(photo.url.split(',')[1]!), (c) => c.charCodeAt(0));
    const address = `${addressOf(model, id)}?${new URLSearchParams({ name, face })}`;
    const answer = await fetch(address, { method: 'PUT', body }).catch(() => undefined);
    if (!answer || answer.status >= 500 || answer.status === 401) return undefined;
    keepWaiting(
      model,
      waitingOf(model).filter((p) => p.id !== id),
    );
    if (!answer.ok) return ((await answer.json()) as { error: string }).error;
  }
  return undefined;
}
const listed = (model: string): Promise<PhotoUnder[] | undefined> =>
  fetch(`/model-photos/${encodeURIComponent(model)}`)
    .then((answer) => (answer.ok ? (answer.json() as Promise<ModelPhotoLine[]>) : undefined))
    .then((lines) => lines?.map((line) => ({ ...line, url: addressOf(model, line.id) })))
    .catch(() => undefined);

/** The photographs that lie under the map of a model: of all benches, with those that wait in this browser. */
export function usePhotosUnder(model: string) {
  const [photos, setPhotos] = useState<PhotoUnder[]>([]);
  const [refused, setRefused] = useState<string>();
  const refresh = useCallback(async () => {
    setPhotos((before) => [...before.filter((p) => !isWaiting(p)), ...waitingOf(model)]);
    setRefused(await send(model));
    const there = await listed(model);
    if (there) setPhotos([...there, ...waitingOf(model)]);
  }, [model]);
  useEffect(() => {
    void refresh();
  }, [refresh]);
  return {
    photos,
    refused,
    add: (photo: Pick<PhotoUnder, 'name' | 'face' | 'url'>) => {
      const made = { ...photo, id: crypto.randomUUID(), mayDrop: true };
      keepWaiting(model, [...waitingOf(model), made]);
      void refresh();
      return made.id;
    },
    drop: async (photo: PhotoUnder) => {
      keepWaiting(
        model,
        waitingOf(model).filter((p) => p.id !== photo.id),
      );
      if (!isWaiting(photo)) await fetch(photo.url, { method: 'DELETE' }).catch(() => undefined);
      await refresh();
    },
  };
}
const isWaiting = (photo: PhotoUnder) => photo.url.startsWith('data:');
/** A picture file as its pixels, no larger than a screen shows; undefined where the browser cannot read it. */
export async function pictureOf(file: Blob): Promise<HTMLCanvasElement | undefined> {
  try {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return canvas;
  } catch {
    return undefined;
  }
}
interface Outline {
  widthMm: number;
  heightMm: number;
}
/** A place of the device that can be found again in a photograph, mm as that side is looked at. */
export interface KnownPlace {
  id: string;
  /** The thing's name; a corner has none. */
  name?: string;
  at: Point;
}
const cornerIds = ['top left', 'top right', 'bottom right', 'bottom left'] as const;
/** The four corners, and every hole and plug of a side. */
export function knownPlaces({ model }: IndexedModel, face: Face): KnownPlace[] {
  const { widthMm, heightMm } = model.outline;
  const corners = [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ] as const;
  const seenAt = ({ x, y }: Point): Point => ({ x: face === 'back' ? widthMm - x : x, y });
  return [
    ...corners.map(([x, y], k) => ({ id: cornerIds[k]!, at: { x, y } })),
    ...[model.fasteners, model.connectors]
      .flat()
      .filter((thing) => thing.face === face)
      .map(({ id, name, at }) => ({ id, name, at: seenAt(at) })),
  ];
}
/**
 * What carries the straight picture to the photograph: by four points any camera's view, by two one straight from above.
 * Undefined where the points are none of a flat thing.
 */
function mapOf(marked: readonly Point[], places: readonly Point[]): Homography | undefined {
  const straight = places.map(({ x, y }) => ({ x: x * pxOfMm, y: y * pxOfMm }));
  if (marked.length !== 2) return homography(straight, marked);
  return similarity([straight[0]!, straight[1]!], [marked[0]!, marked[1]!]);
}
/**
 * A picture with the device in it put straight by its four corners, or by two known places.
 * @param marked where those places are in the picture, px
 * @returns its address; undefined where they are none of a flat thing
 */
export function putStraight(
  picture: HTMLCanvasElement,
  marked: readonly Point[],
  places: readonly KnownPlace[],
  { widthMm, heightMm }: Outline,
): string | undefined {
  const [width, height] = [Math.round(widthMm * pxOfMm), Math.round(heightMm * pxOfMm)];
  const map = mapOf(
    marked,
    places.map(({ at }) => at),
  );
  if (!map) return undefined;
  const pixels = picture.getContext('2d')!.getImageData(0, 0, picture.width, picture.height);
  const made = straighten(pixels, map, width, height);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const image = canvas.getContext('2d')!.createImageData(width, height);
  image.data.set(made.data);
  canvas.getContext('2d')!.putImageData(image, 0, 0);
  return canvas.toDataURL('image/jpeg', 0.8);
}
