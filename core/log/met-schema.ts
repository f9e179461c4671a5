import { z } from 'zod';
import {
  bondKinds,
  catchKinds,
  directions,
  drives,
  faces,
  functionIds,
  releaseMeans,
  slotKinds,
} from '../vocabulary/trade';
import { isPlainText, plainTextAdvice } from './plain-text';

/**
 * A thing that somebody meets at a device whose model does not have it: where it is, in mm of the device's frame, and what
 * it is. Ids are those of a device model, so that a record becomes a model without renaming.
 */
const id = z
  .string()
  .regex(/^[A-Za-z][A-Za-z0-9-]{0,39}$/, 'expected a letter, then letters, digits or hyphens');
/** A thing, or a part in a pose: `display@folded`. */
const need = z
  .string()
  .regex(/^[A-Za-z][A-Za-z0-9-]{0,39}(@folded|@shifted)?$/, 'expected an id, or an id and a pose');
const name = z.string().trim().min(1).max(60).refine(isPlainText, plainTextAdvice);
const mm = z.number().min(0).max(400);
const at = z.strictObject({ x: mm, y: mm });
const shape = z.strictObject({ x: mm, y: mm, w: mm.min(0.2), h: mm.min(0.2) });
const face = z.enum(faces);
const functions = z.array(z.enum(functionIds)).max(12);
const common = { id, name, face };

export const metSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('fastener'),
    ...common,
    at,
    drive: z.enum(drives),
    lengthMm: z.number().positive().max(20),
    headMm: z.number().positive().max(10),
    thread: z.string().regex(/^M\d(\.\d)?(x0\.\d+)?$/, 'expected a metric thread such as M1.2'),
  }),
  z.strictObject({
    kind: z.literal('connector'),
    ...common,
    at,
    widthMm: mm,
    carries: z.enum(['power', 'signal']),
    functions,
  }),
  z.strictObject({
    kind: z.literal('bond'),
    ...common,
    shape,
    bond: z.enum(bondKinds),
    by: z.enum(releaseMeans),
  }),
  z.strictObject({
    kind: z.literal('catch'),
    ...common,
    at,
    catch: z.enum(catchKinds),
    direction: z.enum(directions),
  }),
  z.strictObject({
    kind: z.literal('part'),
    ...common,
    shape,
    part: z.enum(slotKinds),
    /** The part that it sits on, and leaves the device with. */
    carrier: id.optional(),
    functions,
    /** Where it does not come off at once: the pose that it is brought into first, and to which side. */
    first: z.enum(['folded', 'shifted']).optional(),
    towards: z.enum(['left', 'right', 'top', 'bottom']).optional(),
    /** All that counts as undone for it; of a part that had to be moved only, its pose. */
    needed: z.array(need).max(200),
    /** What of that somebody pressed; what was ticked by itself is not in it. Entries before there was this have none. */
    said: z.array(need).max(200).optional(),
    /** What came off before it and somebody said was not needed for it. */
    free: z.array(need).max(200).optional(),
    /** What had to be undone beside that until it was off, of a part that was brought into a pose first. */
    neededOut: z.array(need).max(200).optional(),
  }),
]);
export type Met = z.output<typeof metSchema>;
/** As it is known: in which place of the log it was first met, and which parts were away then, with their pose unless out. */
export type MetEntry = Met & { seq: number; under: readonly string[] };
