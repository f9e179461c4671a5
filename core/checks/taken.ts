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
    /** The same tone on each side alone, dBFS. */
    sides: z.strictObject({ left: finite, right: finite }).optional(),
  }),
  z.strictObject({
    kind: z.literal('microphones'),
    inputs: z.array(z.strictObject({ label, levelDbfs: finite, floorDbfs: finite })).max(10),
    /** How many of two that are open at once hear the tone; left out where the browser opens one at a time. */
    together: z.number().int().min(0).max(2).optional(),
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
          /** The same at something far away. */
          far: positive.optional(),
          /** Sharpest over least sharp, from the near to the far end of its focus. */
          travel: positive.optional(),
          /** How much brighter its light makes the sheet. */
          light: positive.optional(),
          /** How much larger its greatest zoom makes what it sees. */
          zoom: positive.optional(),
          /** How much more its picture trembles while the phone vibrates than at rest, part of full brightness. */
          shaken: positive.optional(),
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
  z.strictObject({
    kind: z.literal('motion'),
    g: positive,
    noise: positive,
    turned: positive,
    /** How many of its six faces it was laid on; how far its zero is off on the worst axis, m/s2. */
    faces: z.number().int().min(0).max(6).optional(),
    offset: positive.optional(),
    /** How far its compass turned with it, degrees. */
    heading: z.number().min(0).max(3600).optional(),
  }),
  z.strictObject({ kind: z.literal('charging'), charging: z.boolean() }),
  z.strictObject({
    kind: z.literal('radios'),
    online: z.boolean(),
    /** What it says it is connected by. */
    by: label.optional(),
    /** Radius within which it knows where it is, m. */
    positionM: positive.optional(),
  }),
  z.strictObject({ kind: z.literal('battery'), percent: z.number().min(0).max(100) }),
]);
export type Taken = z.infer<typeof takenSchema>;
