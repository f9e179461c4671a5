import { z } from 'zod';
import { keepPrivate, namedOf } from '../db/job-private';
import { isJob } from '../db/jobs';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';

/** A name, with or without a signature: strokes of points in a box of 600 x 200, drawn again from these; nothing else is kept. */
export const signatureSchema = z.strictObject({
  strokes: z
    .array(
      z
        .array(z.tuple([z.number().min(0).max(600), z.number().min(0).max(200)]))
        .min(1)
        .max(2000),
    )
    .max(80),
  name: z.string().trim().min(1).max(80),
});
export type Signature = z.output<typeof signatureSchema>;

/** Keeps a signature with the job's private data, under an id that the log refers to; a second one of the same id changes nothing. */
export async function keepSignature(
  who: Who,
  jobId: string,
  id: string,
  signature: Signature,
): Promise<boolean> {
  return inShop(who.shopId, async (em) => {
    if (!(await isJob(em, jobId))) return false;
    await keepPrivate(em, jobId, `signature ${id}`, JSON.stringify(signature));
    return true;
  });
}
/** The signatures of a job, by the id that the log names. */
export const signaturesOf = (who: Who, jobId: string): Promise<Record<string, Signature>> =>
  inShop(who.shopId, async (em) => {
    const { signatures } = await namedOf(em, jobId);
    return Object.fromEntries([...signatures].map(([id, kept]) => [id, JSON.parse(kept) as Signature]));
  });
