import type { IndexedModel } from '../../core/model/index-model';
import type { Face } from '../../core/vocabulary/trade';

/** A rectangle of the drawing, mm. */
export interface Frame {
  x: number;
  y: number;
  w: number;
  h: number;
}
const gap = 4;

/** What covers a side. */
export const coverKind = (face: Face) => (face === 'back' ? 'back' : 'display');

/** Where the device and its open cover lie in the drawing. */
export function placing(index: IndexedModel, face: Face) {
  const {
    outline: { widthMm: W, heightMm: H },
    hinge,
  } = index.model;
  const back = face === 'back';
  // a side that does not open has nothing to fold away
  const opens = index.model.slots.some((s) => s.kind === coverKind(face));
  const X = (x: number, w = 0) => (back ? W - x - w : x);
  // hinged at its top or bottom it folds over that edge: seen from its inside, up is down
  if (opens && !back && (hinge === 'top' || hinge === 'bottom')) {
    const flapH = H * 0.92;
    const flapY = hinge === 'top' ? -flapH - gap : H + gap;
    return {
      W,
      H,
      X,
      flap: W,
      flapX: 0,
      flapY,
      flapH,
      whole: {
        x: -1,
        y: (hinge === 'top' ? flapY : 0) - 4,
        w: W + 2,
        h: H + flapH + gap + 6,
      } satisfies Frame,
      onFlap: X,
      onFlapY: (y: number, h = 0) => flapY + (flapH - H) / 2 + (H - y - h),
    };
  }
  const flap = opens ? W * 0.92 : 0;
  const beside = opens ? flap + gap : 0;
  const atLeft = (hinge === 'left') !== back;
  const flapX = atLeft ? -beside : W + gap;
  return {
    W,
    H,
    X,
    flap,
    flapX,
    flapY: 0.5,
    flapH: H - 1,
    whole: { x: -(atLeft ? beside : 0) - 1, y: -4, w: W + beside + 2, h: H + 6 } satisfies Frame,
    /** Something on the open cover is seen from its inside. */
    onFlap: (x: number, w = 0) => flapX + (flap - W) / 2 + (W - x - w),
    onFlapY: undefined,
  };
}
/** All of the drawing. */
export const wholeFrame = (index: IndexedModel, face: Face): Frame => placing(index, face).whole;

/** The part of the drawing that some things lie in, with air around it; undefined when none of them is drawn. */
export function frameOf(index: IndexedModel, face: Face, ids: readonly string[]): Frame | undefined {
  const p = placing(index, face);
  const boxes: Frame[] = [];
  for (const id of ids) {
    const slot = index.slots.get(id);
    const bond = index.bonds.get(id);
    const dot = index.fasteners.get(id) ?? index.connectors.get(id) ?? index.catches.get(id);
    const held = slot
      ? slot.carrier !== undefined
      : (
          index.fasteners.get(id)?.holds ??
          index.bonds.get(id)?.holds ??
          index.connectors.get(id)?.joins
        )?.every((h) => index.slots.get(h)?.carrier) === true;
    const put = held ? p.onFlap : p.X;
    const shape = slot?.shape ?? bond?.shape;
    const Y = (y: number, h = 0) => (held && p.onFlapY ? p.onFlapY(y, h) : y);
    if (shape) boxes.push({ x: put(shape.x, shape.w), y: Y(shape.y, shape.h), w: shape.w, h: shape.h });
    else if (dot) boxes.push({ x: put(dot.at.x) - 2, y: Y(dot.at.y) - 2, w: 4, h: 4 });
  }
  if (!boxes.length) return undefined;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return {
    x: x - 8,
    y: y - 8,
    w: Math.max(...boxes.map((b) => b.x + b.w)) - x + 16,
    h: Math.max(...boxes.map((b) => b.y + b.h)) - y + 16,
  };
}

type FoldedY = ((y: number, h?: number) => number) | undefined;
/** A thing on a cover that folds over its top or bottom, where it is seen then; beside the device nothing moves up or down. */
export const foldedShape = <T extends { shape: { y: number; h: number } }>(thing: T, y: FoldedY): T =>
  y ? { ...thing, shape: { ...thing.shape, y: y(thing.shape.y, thing.shape.h) } } : thing;
export const foldedPoint = <T extends { at: { y: number } }>(thing: T, y: FoldedY): T =>
  y ? { ...thing, at: { ...thing.at, y: y(thing.at.y) } } : thing;
