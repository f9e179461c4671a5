import { type PointerEvent as ReactPointer, useEffect, useRef, useState } from 'react';
import {
  boxOf,
  type Box,
  movable,
  moveThings,
  type Point,
  put,
  thingOf,
  withBox,
} from '../../../../core/model/editing';
import type { IndexedModel } from '../../../../core/model/index-model';
import { snap, type Snapped } from '../../../../core/model/snap';
import { around, boxesOf, thingsShown } from './edit-scene';
import type { Editor } from './use-editor';

/** How near a line of another thing draws, and the grid where none does, mm. */
const drawsMm = 0.6;
const gridMm = 0.1;
/** A shorter way of the finger is a tap, px. */
const tapPx = 4;
export type Handle = 'n' | 's' | 'e' | 'w' | 'ne' | 'nw' | 'se' | 'sw';

type Held =
  | { what: 'move'; ids: readonly string[]; from: Point; px: Point; box: Box; others: Box[] }
  | { what: 'size'; id: string; handle: Handle; from: Point; px: Point; box: Box; others: Box[] }
  | { what: 'frame'; from: Point; px: Point; add: boolean };
export interface Dragged {
  /** How far what is held has been moved, mm as the model counts. */
  by?: Point & { ids: readonly string[] };
  /** The new box of what is made larger or smaller. */
  size?: { id: string; box: Box };
  /** The frame that is drawn to choose what lies in it. */
  frame?: Box;
  lines: Pick<Snapped, 'upright' | 'level'>;
}
const noLines = { upright: [], level: [] };

function sized(box: Box, handle: Handle, by: Point): Box {
  const left = handle.includes('w') ? Math.min(by.x, box.w - 0.2) : 0;
  const top = handle.includes('n') ? Math.min(by.y, box.h - 0.2) : 0;
  const right = handle.includes('e') ? Math.max(by.x, 0.2 - box.w) : 0;
  const bottom = handle.includes('s') ? Math.max(by.y, 0.2 - box.h) : 0;
  return { x: box.x + left, y: box.y + top, w: box.w - left + right, h: box.h - top + bottom };
}

/** What a drag has come to, with the pointer at a place. @param free it is drawn to no lines */
function draggedTo(h: Held, place: Point, free: boolean, index: IndexedModel): Dragged {
  const by = { x: place.x - h.from.x, y: place.y - h.from.y };
  if (h.what === 'frame') {
    const [x, y] = [Math.min(h.from.x, place.x), Math.min(h.from.y, place.y)];
    return { frame: { x, y, w: Math.abs(by.x), h: Math.abs(by.y) }, lines: noLines };
  }
  const others = free ? [] : h.others;
  if (h.what === 'move') {
    const box = { ...h.box, x: h.box.x + by.x, y: h.box.y + by.y };
    const drawn = snap(box, others, drawsMm, gridMm);
    const moved = movable(index, h.ids, { x: by.x + drawn.dx, y: by.y + drawn.dy });
    return { by: { ...moved, ids: h.ids }, lines: drawn };
  }
  const box = sized(h.box, h.handle, by);
  const corner = {
    x: h.handle.includes('w') ? box.x : box.x + box.w,
    y: h.handle.includes('n') ? box.y : box.y + box.h,
    ...{ w: 0, h: 0 },
  };
  const drawn = snap(corner, others, drawsMm, gridMm);
  const size = sized(h.box, h.handle, { x: by.x + drawn.dx, y: by.y + drawn.dy });
  return { size: { id: h.id, box: size }, lines: drawn };
}
type Latest = Pick<Editor, 'index' | 'face' | 'chosen' | 'choose' | 'change'> & { topLayer: number };
/** Changes the model by what was dragged, or chooses what lies in the frame; a tap beside everything lets go of all. */
function letGo(h: Held, done: Dragged | undefined, l: Latest): void {
  if (!done) {
    if (h.what === 'frame' && !h.add) l.choose([]);
  } else if (done.by) l.change(moveThings(l.index, done.by.ids, done.by));
  else if (done.size) l.change([put(withBox(thingOf(l.index, done.size.id)!, done.size.box, l.index.model))]);
  else if (done.frame && h.what === 'frame') {
    const { x, y, w, h: high } = done.frame;
    const inside = thingsShown(l.index, l.face, l.topLayer).filter((listed) => {
      const b = boxOf(listed);
      return b.x >= x && b.y >= y && b.x + b.w <= x + w && b.y + b.h <= y + high;
    });
    const ids = inside.map((listed) => listed.thing.id);
    l.choose(h.add ? [...new Set([...l.chosen, ...ids])] : ids);
  }
}

/**
 * Moving, resizing and choosing by mouse, pen or finger on the map. What is dragged is only drawn elsewhere; the model is
 * changed once, when it is let go, so that one drag is one step to take back.
 * @param placeOf where a pointer is, in mm as the model counts
 */
export function useDrag(
  editor: Editor,
  topLayer: number,
  placeOf: (event: ReactPointer | PointerEvent) => Point,
) {
  const { index, face, chosen, choose, change } = editor;
  const held = useRef<Held>(undefined);
  const [dragged, setDragged] = useState<Dragged>();
  const others = (ids: readonly string[]) =>
    thingsShown(index, face, topLayer)
      .filter((l) => !ids.includes(l.thing.id))
      .map(boxOf);
  const px = (event: { clientX: number; clientY: number }) => ({ x: event.clientX, y: event.clientY });

  const down = (event: ReactPointer, id: string | undefined, handle?: Handle): void => {
    if (event.button !== 0) return;
    const from = placeOf(event);
    if (handle && id) {
      const box = boxOf(thingOf(index, id)!);
      held.current = { what: 'size', id, handle, from, px: px(event), box, others: others([id]) };
      return;
    }
    const more = event.shiftKey || event.ctrlKey || event.metaKey;
    if (!id) {
      held.current = { what: 'frame', from, px: px(event), add: more };
      return;
    }
    const ids = more
      ? chosen.includes(id)
        ? chosen.filter((c) => c !== id)
        : [...chosen, id]
      : chosen.includes(id)
        ? chosen
        : [id];
    choose(ids);
    const box = around(boxesOf(index, ids));
    const all = editor.moving(ids);
    if (box) held.current = { what: 'move', ids: all, from, px: px(event), box, others: others(all) };
  };
  const at = (event: PointerEvent): Dragged | undefined => {
    const h = held.current;
    if (!h || Math.hypot(event.clientX - h.px.x, event.clientY - h.px.y) < tapPx) return undefined;
    return draggedTo(h, placeOf(event), event.altKey, index);
  };
  const latest = useRef({ at, index, face, topLayer, chosen, choose, change });
  latest.current = { at, index, face, topLayer, chosen, choose, change };
  useEffect(() => {
    const move = (event: PointerEvent) => {
      if (held.current) setDragged(latest.current.at(event));
    };
    const up = (event: PointerEvent) => {
      const h = held.current;
      if (!h) return;
      const l = latest.current;
      const done = l.at(event);
      held.current = undefined;
      setDragged(undefined);
      letGo(h, done, l);
    };
    const cancel = () => {
      held.current = undefined;
      setDragged(undefined);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    window.addEventListener('pointercancel', cancel);
    return () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      window.removeEventListener('pointercancel', cancel);
    };
  }, []);
  return { dragged, down };
}
