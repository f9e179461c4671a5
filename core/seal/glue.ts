import { z } from 'zod';

/** The products whose sheets a workshop keeps: as consumables are called. */
export const glueItems = ['contact-glue', 'uv-glue', 'perimeter-seal'] as const;
export type GlueItem = (typeof glueItems)[number];

const seconds = z.number().min(0).max(1_209_600);
/** What the sheet of a glue, or of a pre-cut seal, says: all times at the sheet's temperature, s and C. */
export const glueSheetSchema = z.strictObject({
  name: z.string().trim().min(1).max(60),
  atC: z.number().min(5).max(60),
  /** Until when a part may still be put into it; left out where it stays open. */
  openS: seconds.positive().optional(),
  /** From when it holds by itself: until then it is clamped and is not handed over. */
  handlingS: seconds,
  /** From when it has its whole strength: until then it is kept from water and warmth. */
  fullS: seconds,
});
export type GlueSheet = z.output<typeof glueSheetSchema>;
/** The sheets of a workshop, and how warm its room is, C. */
export interface Glues {
  sheets: Partial<Record<GlueItem, GlueSheet>>;
  roomC: number;
}
/** Of a room where nobody said otherwise. */
export const usualRoomC = 22;

/** Each 10 C more doubles the rate at which most glues set (the rule of thumb after van 't Hoff; from memory, the sheet comes first). */
const doublingK = 10;
/** How long something of a sheet takes in a room of another temperature, s; a lamp does not ask how warm it is. */
export const atRoom = (sheetS: number, atC: number, roomC: number): number =>
  sheetS * 2 ** ((atC - roomC) / doublingK);

/** What a workshop's sheet makes of a glue in its room; undefined where it has no sheet of it. */
export interface GlueTimes {
  item: GlueItem;
  openS?: number;
  handlingS: number;
  fullS: number;
}
export function glueTimes(glues: Glues | undefined, item: GlueItem): GlueTimes | undefined {
  const sheet = glues?.sheets[item];
  if (!sheet) return undefined;
  const { atC, openS, handlingS, fullS } = sheet;
  const here = (s: number) => Math.round(item === 'uv-glue' ? s : atRoom(s, atC, glues.roomC));
  return {
    item,
    ...(openS === undefined ? {} : { openS: here(openS) }),
    handlingS: here(handlingS),
    fullS: here(fullS),
  };
}
