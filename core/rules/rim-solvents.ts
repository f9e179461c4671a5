import type { IndexedModel } from '../model/index-model';
import type { Slot } from '../model/schema';

/** A stretch of a rim that asks for care while it is cleaned, mm along its edge from left or top, as the model counts. */
export interface RimStretch {
  edge: 'left' | 'right' | 'top' | 'bottom';
  fromMm: number;
  toMm: number;
  /** `alcohol`: no acetone there; `no scraper`: alcohol, and nothing hard. */
  care: 'alcohol' | 'no scraper';
  slot: string;
}
/** What so near the rim is touched by what runs off a swab, mm (from memory). */
const nearMm = 8;
/** Acetone eats the ear mesh and coated plastics; nothing hard goes near a face module (common practice). */
const careOf: Partial<Record<Slot['kind'], RimStretch['care']>> = {
  'ear-speaker': 'alcohol',
  mesh: 'alcohol',
  antenna: 'alcohol',
  tray: 'alcohol',
  key: 'alcohol',
  'front-sensors': 'no scraper',
};
/** Where on the rim of a side which care is due, from the things that lie near it; the rest is bare metal. */
export function rimStretches({ model }: IndexedModel, face: 'front' | 'back'): RimStretch[] {
  const { widthMm, heightMm } = model.outline;
  return model.slots
    .filter((slot) => slot.face === face && careOf[slot.kind])
    .flatMap((slot) => stretchOf(slot, widthMm, heightMm));
}
function stretchOf({ id, kind, shape }: Slot, widthMm: number, heightMm: number): RimStretch[] {
  const care = careOf[kind]!;
  const gaps = [
    { edge: 'top' as const, gap: shape.y, fromMm: shape.x, toMm: shape.x + shape.w },
    { edge: 'bottom' as const, gap: heightMm - shape.y - shape.h, fromMm: shape.x, toMm: shape.x + shape.w },
    { edge: 'left' as const, gap: shape.x, fromMm: shape.y, toMm: shape.y + shape.h },
    { edge: 'right' as const, gap: widthMm - shape.x - shape.w, fromMm: shape.y, toMm: shape.y + shape.h },
  ];
  const nearest = gaps.reduce((a, b) => (b.gap < a.gap ? b : a));
  if (nearest.gap > nearMm) return [];
  const { edge, fromMm, toMm } = nearest;
  return [{ edge, fromMm: Math.max(0, fromMm), toMm, care, slot: id }];
}
