import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import { inShop } from '../db/orm';
import type { Who } from '../types';

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
    const [job] = await em.execute(`select 1 from job where id = ?`, [jobId]);
    if (!job) return false;
    await em.execute(
      `insert into job_private (shop_id, job_id, kind, value) values (shop_now(), ?, ?, ?) on conflict do nothing`,
      [jobId, `signature ${id}`, JSON.stringify(signature)],
    );
    return true;
  });
}
export const signaturesOf = (who: Who, jobId: string): Promise<Record<string, Signature>> =>
  inShop(who.shopId, (em) => signatures(em, jobId));
export async function signatures(em: EntityManager, jobId: string): Promise<Record<string, Signature>> {
  return Object.fromEntries(
    (
      await em.execute<{ kind: string; value: string }[]>(
        `select kind, value from job_private where job_id = ? and kind like 'signature %'`,
        [jobId],
      )
    ).map((r) => [r.kind.slice(10), JSON.parse(r.value) as Signature]),
  );
}
