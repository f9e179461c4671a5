import type { EntityManager } from '@mikro-orm/postgresql';
import type { Command } from '../../core/rules/decide';
import { isBlank } from '../../core/record/blank-model';
import type { Body } from '../../core/log/events';
import { type FieldErrors, type Receipt, readReceipt } from '../../forms/receipt-fields';
import { removeDraft } from '../db/drafts';
import { appendCommand, newJob } from '../append-command';
import type { HeldJob } from '../db/job-log';
import { keepPrivate } from '../db/job-private';
import { addJob, isJob, lockNumbers, openJobWithTag } from '../db/jobs';
import { modelOf } from '../db/models';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';

/** `next`: where the job goes on: to its fault while nobody knows what is to be done, to work where nobody knows the device. */
export type Received =
  | { ok: true; job: string; next: 'fault' | 'offer' | 'work' }
  | { ok: false; errors: FieldErrors };

/**
 * Opens a job from a draft; the draft's id becomes the job's, so that sending it twice opens it once.
 * Everything happens in one transaction: either the whole job is there, or nothing, and the draft stays.
 */
export async function receiveJob(who: Who, draftId: string, form: unknown, now: number): Promise<Received> {
  return inShop(who.shopId, async (em): Promise<Received> => {
    if (await isJob(em, draftId)) return { ok: true, job: draftId, next: 'offer' };
    const hash = (form as { modelHash?: unknown } | null)?.modelHash;
    const model = typeof hash === 'string' ? await modelOf(em, hash).catch(() => undefined) : undefined;
    const { receipt, errors } = readReceipt(
      form,
      () => model && { ...model, places: model.slots.map((s) => s.id) },
      now,
    );
    if (!receipt) return { ok: false, errors };
    // one at a time from here: numbers count up, and a device is received once
    await lockNumbers(em);
    const same = await openJobWithTag(em, receipt.tag);
    if (same)
      return {
        ok: false,
        errors: {
          tag: `A device with this tag is here already: job ${same.number}, at ${same.stage}. Go on there, or give another tag.`,
        },
      };
    await openJob(em, who, draftId, receipt, now);
    await removeDraft(em, draftId);
    const next = receipt.tasks.length ? 'offer' : model && isBlank(model) ? 'work' : 'fault';
    return { ok: true, job: draftId, next };
  });
}

async function openJob(em: EntityManager, who: Who, jobId: string, r: Receipt, now: number): Promise<void> {
  await addJob(em, {
    id: jobId,
    tag: r.tag,
    modelHash: r.modelHash,
    variant: r.variant,
    promisedAt: r.promisedAt,
  });
  const bodies: Body[] = [
    {
      type: 'opened',
      modelHash: r.modelHash,
      variant: r.variant,
      tag: r.tag,
      complaint: r.complaint,
      tasks: r.tasks,
      promisedAt: r.promisedAt,
      promisedAs: r.promisedAs,
    },
    ...(r.system
      ? [{ type: 'systemSet' as const, version: r.system, preRelease: r.preRelease ?? false }]
      : []),
    ...(r.charge != null || r.backup || r.locked || r.displayOriginal
      ? [
          {
            type: 'phoneAsked' as const,
            ...(r.charge == null ? {} : { charge: r.charge }),
            backup: r.backup ?? ('unknown' as const),
            locked: r.locked ?? ('unknown' as const),
            displayOriginal: r.displayOriginal ?? false,
          },
        ]
      : []),
    ...r.symptoms.map((symptom): Body => ({ type: 'symptomSet', symptom, on: true })),
    ...r.marks.map((mark): Body => ({ type: 'marked', mark })),
    ...r.photos.map(
      (p): Body => ({
        type: 'photographed',
        photo: p.id,
        ...(p.mark && r.marks.some((m) => m.id === p.mark) ? { mark: p.mark } : {}),
      }),
    ),
    ...Object.entries(r.before).map(
      ([fn, a]): Body => ({
        type: 'checked',
        round: 'before',
        function: fn as never,
        result: a!.result,
        ...(a!.note ? { note: a!.note } : {}),
      }),
    ),
    { type: 'received' },
  ];
  await runAll(em, who, jobId, newJob(r.modelHash, r.variant), bodies, now);
  for (const [kind, value] of [
    ['owner', r.owner],
    ['passcode', r.passcode],
  ] as const) {
    if (value?.trim()) await keepPrivate(em, jobId, kind, value.trim());
  }
}
/** Runs commands of this server's own making; one that is refused is a mistake of the program and undoes all. */
async function runAll(
  em: EntityManager,
  who: Who,
  jobId: string,
  job: HeldJob,
  bodies: Body[],
  now: number,
): Promise<void> {
  let at = job;
  for (const [i, body] of bodies.entries()) {
    const command: Command = { id: `${jobId}:${i}`, job: jobId, body, at: now, clockKnown: true };
    const { outcome, job: next } = await appendCommand(em, who, command, at);
    if (outcome.status === 'refused')
      throw new Error(`${body.type} was refused at Receive: ${JSON.stringify(outcome.refused)}`);
    at = next;
  }
}
