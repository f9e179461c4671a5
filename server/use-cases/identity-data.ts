import { identityAskSchema, type IdentityAnswer } from '../../core/wire/identity';
import { createHash } from 'node:crypto';
import { indexOfJob } from '../../core/record/model-of-job';
import { flag } from '../../core/log/state';
import { originalPiece } from '../../core/vocabulary/pieces';
import { pieceInSlot } from '../../core/log/view';
import { savedIdentity, saveIdentity } from '../db/identity';
import { appendCommand, lockedJob } from '../append-command';
import { loadState } from '../db/job-log';
import { findJob } from '../db/jobs';
import { indexOf } from '../db/models';
import { inShop } from '../db/orm';
import { isStandIn } from '../instruments/instrument-at';
import { readPart, writePart } from '../instruments/programmer';
import type { Outcome } from '../../core/wire/outcome';
import type { Who } from '../../core/wire/who';

/**
 * Reads the identity data of an old part and saves it with the job, or writes the saved data to the new part, reads it
 * back and compares. What happened goes into the log: saved, written and equal, or written and not proved.
 */
export async function identityData(who: Who, jobId: string, json: unknown): Promise<IdentityAnswer> {
  const read = identityAskSchema.safeParse(json);
  if (!read.success)
    return { ok: false, status: 400, fault: 'not understood', said: read.error.issues[0]?.message ?? '' };
  const ask = read.data;
  const job = await inShop(who.shopId, async (em) => {
    const row = await findJob(em, jobId);
    if (!row) return undefined;
    const state = await loadState(em, jobId);
    const base = await indexOf(
      em,
      flag(state, 'modelHash') ?? row.modelHash,
      flag(state, 'variant') ?? row.variant,
    );
    const index = indexOfJob(base, state);
    return { state, index, saved: await savedIdentity(em, jobId, ask.slot) };
  });
  if (!job) return { ok: false, status: 404, fault: 'no such job', said: '' };
  if (!job.index.slots.has(ask.slot))
    return { ok: false, status: 400, fault: 'not understood', said: ask.slot };
  const model = job.index.model.id;
  const mark = isStandIn(who, 'programmer') ? { simulated: true } : {};
  const record = (body: { type: 'dataRead' | 'dataWritten'; verified?: boolean; data: string }) =>
    inShop(who.shopId, async (em): Promise<Outcome> => {
      const locked = await lockedJob(em, jobId);
      if (!locked) throw new RangeError(`no job ${jobId} in this workshop`);
      const about = { slot: ask.slot, data: body.data, ...mark };
      const event =
        body.type === 'dataRead'
          ? { type: 'dataRead' as const, ...about }
          : { type: 'dataWritten' as const, verified: body.verified ?? false, ...about };
      const { at, clockKnown } = ask;
      const command = { id: ask.command, job: jobId, body: event, at, clockKnown };
      return (await appendCommand(em, who, command, locked)).outcome;
    });
  const tag = flag(job.state, 'tag') ?? jobId;
  if (ask.do === 'read') {
    const seated = { model, slot: ask.slot, serial: `${tag}-${ask.slot}`, fault: ask.simulate };
    const got = await readPart(who, seated);
    if (!got.ok) return { ok: false, status: 200, fault: got.fault, said: got.said };
    const digest = createHash('sha256').update(Buffer.from(got.hex, 'hex')).digest('hex');
    await inShop(who.shopId, (em) =>
      saveIdentity(em, {
        jobId,
        digest,
        slot: ask.slot,
        partModel: model,
        serial: got.serial,
        hex: got.hex,
        personId: who.personId,
      }),
    );
    return {
      ok: true,
      digest,
      serial: got.serial,
      outcome: await record({ type: 'dataRead', data: digest }),
    };
  }
  if (!job.saved) return { ok: false, status: 409, fault: 'nothing saved', said: '' };
  const serial = job.state.part[ask.slot]?.serial || `new ${tag}-${ask.slot}`;
  if (pieceInSlot(job.state, ask.slot) === originalPiece(ask.slot) && job.state.data[ask.slot] === undefined)
    return { ok: false, status: 409, fault: 'nothing saved', said: '' };
  const wrote = await writePart(who, { model, slot: ask.slot, serial, fault: ask.simulate }, job.saved.hex);
  if (wrote.ok)
    return {
      ok: true,
      digest: job.saved.digest,
      serial,
      outcome: await record({ type: 'dataWritten', verified: true, data: job.saved.digest }),
    };
  // the part may hold half of it: that is in the record, and the saved data are still here
  const outcome = wrote.begun
    ? await record({ type: 'dataWritten', verified: false, data: job.saved.digest, ...mark })
    : undefined;
  return { ok: false, status: 200, fault: wrote.fault, said: wrote.said, ...(outcome ? { outcome } : {}) };
}
