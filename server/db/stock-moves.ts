import type { EntityManager } from '@mikro-orm/postgresql';
import type { Body, Provenance, Released } from '../../core/job/events';
import { type JobState, originalPiece } from '../../core/job/state';
import { piecesAt } from '../../core/job/view';

interface PartRow {
  id: string;
  name: string;
  provenance: Provenance;
  supplier: string;
  lot: string;
  serial: string;
  price_minor: number;
  arrives_with: string[];
  released: Released;
  proof: string;
  job_id: string | null;
  gone: boolean;
}

/**
 * What a command says of a part is read from the stock's own row, which stays locked until the log is written: two
 * technicians who choose the same part get one part and one refusal.
 */
export async function takeFromStock(
  em: EntityManager,
  jobId: string,
  body: Body,
): Promise<{ body: Body } | { refused: 'no such part' | 'part taken' }> {
  if (body.type === 'substituted') {
    // what it is, is what its compartment says
    const [s] = await em.execute<{ drive: string; thread: string; length: number; head: number }[]>(
      `select drive, thread, length_mm::float8 as length, head_mm::float8 as head from spare_screw where id = ? and count > 0 for update`,
      [body.spare],
    );
    return s
      ? {
          body: {
            ...body,
            drive: s.drive as typeof body.drive,
            thread: s.thread,
            lengthMm: s.length,
            headMm: s.head,
          },
        }
      : { refused: 'no such part' };
  }
  if (body.type !== 'partChosen') return { body };
  const [row] = await em.execute<PartRow[]>(
    `select id, name, provenance, supplier, lot, serial, price_minor, arrives_with, released, proof, job_id, gone from part where id = ? for update`,
    [body.part],
  );
  if (!row || row.gone) return { refused: 'no such part' };
  if (row.job_id && row.job_id !== jobId) return { refused: 'part taken' };
  return {
    body: {
      type: 'partChosen',
      slot: body.slot,
      part: row.id,
      name: row.name,
      provenance: row.provenance,
      supplier: row.supplier,
      lot: row.lot,
      serial: row.serial,
      priceMinor: row.price_minor,
      arrivesWith: row.arrives_with,
      released: row.released,
      proof: row.proof,
    },
  };
}

/** Whether the new piece that a part became sits in its slot. */
const fitted = (state: JobState, slot: string) =>
  piecesAt(state, `slot/${slot}`).some((p) => p !== originalPiece(slot));

/** Brings the stock in line with the log after an event that moves parts: the chosen ones belong to the job, the others do not. */
export async function settleStock(
  em: EntityManager,
  jobId: string,
  body: Body,
  state: JobState,
): Promise<void> {
  if (body.type === 'substituted') {
    await em.execute(`update spare_screw set count = count - 1 where id = ?`, [body.spare]);
    return;
  }
  if (body.type !== 'partChosen' && body.type !== 'partDropped' && body.type !== 'jobClosed') return;
  // what was not used up by a closed job lies in its drawer again
  const held = Object.entries(state.part)
    .filter(([slot]) => body.type !== 'jobClosed' || fitted(state, slot))
    .map(([, p]) => p.part);
  await em.execute(
    `update part set job_id = null where job_id = ? and not (id::text = any(string_to_array(?, ',')))`,
    [jobId, held.join(',')],
  );
  if (held.length)
    await em.execute(`update part set job_id = ? where id::text = any(string_to_array(?, ','))`, [
      jobId,
      held.join(','),
    ]);
}
