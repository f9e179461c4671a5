import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import type { Command } from '../../core/job/decide';
import { symptomIds } from '../../core/diagnose/knowledge/symptoms';
import { known } from '../../core/job/events';
import { firstMoment, lastMoment } from '../../core/job/plain-text';
import { markSchema, taskSchema } from '../../core/job/event-schema';
import { type Body, checkResults } from '../../core/job/events';
import { functionIds } from '../../core/model/schema';
import { appendCommand, modelOf } from '../db/job-log';
import { inShop } from '../db/orm';
import type { Who } from '../types';

const photoSchema = z.strictObject({ id: z.uuid(), mark: z.string().max(60).optional() });

const moment = z
  .number()
  .min(firstMoment, 'Give a time of this century.')
  .max(lastMoment, 'Give a time of this century.');
/** What is asked about the phone itself; each may be left open. */
const phoneFields = {
  system: z
    .string()
    .regex(/^(\d{1,3}(\.\d{1,3}){0,2})?$/, 'Give a version such as 14 or 14.2, or leave it empty.')
    .optional(),
  preRelease: z.boolean().optional(),
  charge: z
    .number({ error: 'Give percent, such as 40, or leave it empty.' })
    .min(0, 'From 0 to 100 %.')
    .max(100, 'From 0 to 100 %.')
    .nullable()
    .optional(),
  backup: z.enum(known).optional(),
  locked: z.enum(known).optional(),
  displayOriginal: z.boolean().optional(),
};

/** A draft as it is kept while it is filled in: anything may be missing. There is no field for a passcode. */
export const draftSchema = z.strictObject({
  modelHash: z.string().max(60).optional(),
  variant: z.string().max(60).optional(),
  tag: z.string().max(60).optional(),
  owner: z.string().max(80).optional(),
  // too long for a job, but nothing typed is lost on the way to saying so
  complaint: z.string().max(200_000).optional(),
  symptoms: z.array(z.enum(symptomIds)).max(12).optional(),
  photos: z.array(photoSchema).max(60).optional(),
  marks: z.array(markSchema).max(60).optional(),
  before: z
    .partialRecord(
      z.enum(functionIds),
      z.strictObject({
        result: z.enum(checkResults).exclude(['same']),
        note: z.string().max(500).optional(),
      }),
    )
    .optional(),
  promisedAt: moment.nullable().optional(),
  ...phoneFields,
  promisedAs: z.string().max(60).optional(),
  tasks: z.array(taskSchema).max(20).optional(),
});
export type DraftBody = z.output<typeof draftSchema>;

/** What Receive needs before a job can be opened; every problem is said at its field. */
export const receiptSchema = z.strictObject({
  modelHash: z.string({ error: 'Choose the device model.' }).min(1, 'Choose the device model.'),
  variant: z.string({ error: 'Choose the variant.' }).min(1, 'Choose the variant.'),
  tag: z
    .string({ error: 'Give the serial number or a tag of your own.' })
    .trim()
    .min(1, 'Give the serial number or a tag of your own.')
    .max(60, 'At most 60 characters.'),
  owner: z.string().max(80, 'At most 80 characters.').optional(),
  complaint: z
    .string({ error: 'Write what the owner says is wrong.' })
    .trim()
    .min(1, 'Write what the owner says is wrong.')
    .max(4000, {
      error: (i) =>
        `At most 4 000 characters; this has ${String(i.input).length}. Keep what matters for the repair.`,
    }),
  symptoms: draftSchema.shape.symptoms.unwrap().default([]),
  photos: draftSchema.shape.photos.unwrap().default([]),
  marks: z.array(markSchema).max(60).default([]),
  before: draftSchema.shape.before.unwrap().default({}),
  promisedAt: moment.nullable().default(null),
  ...phoneFields,
  promisedAs: z.string().max(60, 'At most 60 characters.').default(''),
  // what is to be done may still have to be found out
  tasks: z.array(taskSchema).max(20, 'At most 20 tasks.').default([]),
  passcode: z.string().max(60, 'At most 60 characters.').optional(),
});
export type FieldErrors = Record<string, string>;
/** `next`: where the job goes on, to its fault while nobody knows what is to be done. */
export type Received =
  | { ok: true; job: string; next: 'fault' | 'offer' }
  | { ok: false; errors: FieldErrors };

/**
 * Opens a job from a draft; the draft's id becomes the job's, so that sending it twice opens it once.
 * Everything happens in one transaction: either the whole job is there, or nothing, and the draft stays.
 */
export async function receiveJob(who: Who, draftId: string, form: unknown, now: number): Promise<Received> {
  const read = receiptSchema.safeParse(form);
  const errors: FieldErrors = {};
  if (!read.success) for (const i of read.error.issues) errors[String(i.path[0] ?? 'form')] ??= i.message;
  const given = (form !== null && typeof form === 'object' ? form : {}) as Partial<
    z.input<typeof receiptSchema>
  >;
  return inShop(who.shopId, async (em): Promise<Received> => {
    const [open] = await em.execute(`select 1 from job where id = ?`, [draftId]);
    if (open) return { ok: true, job: draftId, next: 'offer' };
    const model =
      typeof given.modelHash === 'string' && given.modelHash
        ? await modelOf(em, given.modelHash).catch(() => undefined)
        : undefined;
    if (given.modelHash && !model) errors.modelHash ??= 'This workshop has no such model.';
    if (model) {
      if (given.variant && !model.variants.some((v) => v.id === given.variant))
        errors.variant ??= `${model.name} has no such variant.`;
      if (read.success && read.data.tasks.some((t) => !model.slots.some((s) => s.id === t.slot)))
        errors.tasks ??= `${model.name} has no such part.`;
      const open = model.shortList.filter((f) => !read.data?.before[f]);
      if (read.success && open.length)
        errors.before ??= `${open.length} of ${model.shortList.length} functions have no answer yet.`;
    }
    if (read.success && read.data.promisedAt !== null && read.data.promisedAt < now)
      errors.promisedAt ??= 'The promised time is in the past.';
    if (Object.keys(errors).length || !read.success) return { ok: false, errors };
    // one at a time from here: numbers count up, and a device is received once
    await em.execute(`select pg_advisory_xact_lock(hashtext(?))`, [`number ${who.shopId}`]);
    const [same] = await em.execute<{ number: number; stage: string }[]>(
      `select number, stage from job where lower(tag) = lower(?) and ending is null limit 1`,
      [read.data.tag],
    );
    if (same)
      return {
        ok: false,
        errors: {
          tag: `A device with this tag is here already: job ${same.number}, at ${same.stage}. Go on there, or give another tag.`,
        },
      };
    await openJob(em, who, draftId, read.data, now);
    await em.execute(`delete from draft where id = ?`, [draftId]);
    return { ok: true, job: draftId, next: read.data.tasks.length ? 'offer' : 'fault' };
  });
}

async function openJob(
  em: EntityManager,
  who: Who,
  jobId: string,
  r: z.output<typeof receiptSchema>,
  now: number,
): Promise<void> {
  await em.execute(
    `insert into job (shop_id, id, number, tag, model_hash, variant, seq, stage, summary, promised_at)
     values (shop_now(), ?, (select coalesce(max(number), 0) + 1 from job), ?, ?, ?, 0, 'Receive', '{}', to_timestamp(?))`,
    [jobId, r.tag, r.modelHash, r.variant, r.promisedAt === null ? null : r.promisedAt / 1000],
  );
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
  await runAll(em, who, jobId, bodies, now);
  for (const [kind, value] of [
    ['owner', r.owner],
    ['passcode', r.passcode],
  ] as const) {
    if (value?.trim())
      await em.execute(
        `insert into job_private (shop_id, job_id, kind, value) values (shop_now(), ?, ?, ?)`,
        [jobId, kind, value.trim()],
      );
  }
}
/** Runs commands of this server's own making; one that is refused is a mistake of the program and undoes all. */
export async function runAll(
  em: EntityManager,
  who: Who,
  jobId: string,
  bodies: Body[],
  now: number,
): Promise<void> {
  for (const [i, body] of bodies.entries()) {
    const command: Command = { id: `${jobId}:${i}`, job: jobId, body, at: now, clockKnown: true };
    const { outcome } = await appendCommand(em, who, command, jobId);
    if (outcome.status === 'refused')
      throw new Error(`${body.type} was refused at Receive: ${JSON.stringify(outcome.refused)}`);
  }
}
