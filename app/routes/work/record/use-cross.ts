import { useRef, useState } from 'react';
import { type Outline, outlineBetween, type Place } from '../../../../core/record/proposals';
import type { Face } from '../../../../core/vocabulary/trade';

const tenth = (mm: number) => Math.round(mm * 10) / 10;
const clip = (mm: number, most: number) => Math.min(most, Math.max(0, tenth(mm)));

/** Where the cross stands, in mm of the device's frame, and the corners that were tapped; taps and keys are counted. */
export function useCross({ widthMm, heightMm }: { widthMm: number; heightMm: number }, shaped: boolean) {
  const [face, setFace] = useState<Face>('front');
  const [at, setAt] = useState<Place>();
  const [corner, setCorner] = useState<Place>();
  const [drawn, setDrawn] = useState<Outline>();
  const presses = useRef(0);
  const back = face === 'back';
  return {
    ...{ face, at, corner, drawn, presses },
    turn: () => setFace(back ? 'front' : 'back'),
    forgetCorners: () => {
      setCorner(undefined);
      setDrawn(undefined);
    },
    /** A tap at a place of the drawing; of what has an outline every second one is its other corner. */
    point: (place: Place): void => {
      const inside = { x: clip(back ? widthMm - place.x : place.x, widthMm), y: clip(place.y, heightMm) };
      presses.current++;
      setAt(inside);
      if (!shaped) return;
      if (corner) setDrawn(outlineBetween(corner, inside));
      setCorner(corner ? undefined : inside);
    },
    /** Moves the cross as it is seen, mm. */
    move: (dx: number, dy: number): void => {
      const from = at ?? { x: widthMm / 2, y: heightMm / 2 };
      presses.current++;
      setAt({ x: clip(from.x + (back ? -dx : dx), widthMm), y: clip(from.y + dy, heightMm) });
    },
  };
}
