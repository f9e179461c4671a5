import { z } from 'zod';

const finite = z.number().min(-1e6).max(1e6);
const positive = z.number().min(0).max(1e6);
const label = z.string().max(120);
const point = z.strictObject({ x: finite, y: finite, t: positive });
const band = z.strictObject({ centreHz: positive, levelDbfs: finite });
/** What a device sends of one function: what it felt, heard and saw. What that comes to is computed here, never there. */
export const takenSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('started') }),
  z.strictObject({
    kind: z.literal('touch'),
    widthMm: z.number().min(10).max(500),
    heightMm: z.number().min(10).max(500),
    strokes: z.array(z.array(point).max(4000)).max(600),
    /** Touches while nobody touched. */
    ghosts: z.number().int().min(0).max(1000),
    fingers: z.number().int().min(0).max(20),
  }),
  z.strictObject({
    kind: z.literal('picture'),
    marks: z
      .array(z.strictObject({ x: finite, y: finite, what: z.enum(['spot', 'line', 'tint']), on: label }))
      .max(50),
  }),
  z.strictObject({
    kind: z.literal('sound'),
    floorDbfs: finite,
    levelDbfs: finite,
    thdPercent: positive,
    floor: z.array(band).max(40),
    bands: z.array(band).max(40),
  }),
  z.strictObject({
    kind: z.literal('microphones'),
    inputs: z.array(z.strictObject({ label, levelDbfs: finite, floorDbfs: finite })).max(10),
  }),
  z.strictObject({
    kind: z.literal('cameras'),
    each: z
      .array(
        z.strictObject({
          label,
          sharpness: positive,
          brightness: positive,
          cast: positive,
          spots: z.number().int().min(0).max(1000),
          framesS: positive,
        }),
      )
      .max(8),
  }),
  z.strictObject({
    kind: z.literal('vibration'),
    rms: positive,
    restRms: positive,
    hz: positive.optional(),
  }),
  z.strictObject({ kind: z.literal('motion'), g: positive, noise: positive, turned: positive }),
  z.strictObject({ kind: z.literal('charging'), charging: z.boolean() }),
  z.strictObject({ kind: z.literal('battery'), percent: z.number().min(0).max(100) }),
]);
export type Taken = z.infer<typeof takenSchema>;
