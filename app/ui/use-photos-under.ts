import { useEffect, useState } from 'react';
import { homography, straighten } from '../../core/model/perspective';
import type { Point } from '../../core/model/editing';

/** A photograph of a device, put straight, as it lies under the map. */
export interface PhotoUnder {
  name: string;
  /** As an address of its own, JPEG. */
  url: string;
}
/** No larger file is opened, bytes. */
export const mostBytes = 40_000_000;
/** Pixels of a millimetre: finer than a screw's recess, coarse enough that six photographs fit into a browser's store. */
const pxOfMm = 8;
/** The longer side of what is marked, px: no screen shows more. */
const longest = 2400;
const keptKey = (model: string) => `snavek-under-${model}`;

/** Photographs that lie under the map of a model, in this browser. */
export function usePhotosUnder(model: string) {
  const [photos, setPhotos] = useState<PhotoUnder[]>([]);
  useEffect(() => {
    try {
      setPhotos(JSON.parse(localStorage.getItem(keptKey(model)) ?? '[]') as PhotoUnder[]);
    } catch {
      setPhotos([]);
    }
  }, [model]);
  const keep = (next: PhotoUnder[]) => {
    setPhotos(next);
    try {
      localStorage.setItem(keptKey(model), JSON.stringify(next));
    } catch {
      // a full store: they stay until the page is left
    }
  };
  return {
    photos,
    add: (photo: PhotoUnder) => keep([...photos.filter((p) => p.name !== photo.name), photo].slice(-6)),
    drop: (name: string) => keep(photos.filter((p) => p.name !== name)),
  };
}
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
/**
 * A picture with the device in it put straight by its four corners: top left, top right, bottom right, bottom left.
 * @returns its address; undefined where the four are no corners of a flat thing
 */
export function putStraight(
  picture: HTMLCanvasElement,
  corners: readonly Point[],
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): string | undefined {
  const [width, height] = [Math.round(widthMm * pxOfMm), Math.round(heightMm * pxOfMm)];
  const straight = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ];
  const map = homography(straight, corners);
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
