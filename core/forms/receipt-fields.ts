import { z } from 'zod';
import { symptomIds } from '../knowledge/symptoms';
import { markSchema, taskSchema } from '../log/event-schema';
import { checkResults, known } from '../log/events';
import { firstMoment, lastMoment } from '../log/plain-text';
import { functionIds } from '../vocabulary/trade';

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
const receiptSchema = z.strictObject({
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
export type Receipt = z.output<typeof receiptSchema>;
/** Every field that a receipt can have. */
export const receiptFieldNames = Object.keys(receiptSchema.shape) as (keyof Receipt)[];
export type FieldErrors = Record<string, string>;

/** What of a model a receipt is held against. */
export interface ReceiptModel {
  name: string;
  variants: readonly { id: string }[];
  /** Ids of its places. */
  places: readonly string[];
  shortList: readonly string[];
}
/**
 * Reads a receipt; every problem is said at its field. The same at the counter as on the server, which knows more: whether
 * the tag is here already.
 * @param modelOf the model of a hash; undefined where this workshop has none
 * @param now ms since 1970
 */
export function readReceipt(
  form: unknown,
  modelOf: (hash: string) => ReceiptModel | undefined,
  now: number,
): { receipt?: Receipt; errors: FieldErrors } {
  const read = receiptSchema.safeParse(form);
  const errors: FieldErrors = {};
  if (!read.success) for (const i of read.error.issues) errors[String(i.path[0] ?? 'form')] ??= i.message;
  const given = (form !== null && typeof form === 'object' ? form : {}) as Partial<
    z.input<typeof receiptSchema>
  >;
  const hash = typeof given.modelHash === 'string' ? given.modelHash : '';
  const model = hash ? modelOf(hash) : undefined;
  if (hash && !model) errors.modelHash ??= 'This workshop has no such model.';
  if (model && given.variant && !model.variants.some((v) => v.id === given.variant))
    errors.variant ??= `${model.name} has no such variant.`;
  if (!read.success) return { errors };
  const receipt = read.data;
  if (model) {
    if (receipt.tasks.some((t) => !model.places.includes(t.slot)))
      errors.tasks ??= `${model.name} has no such part.`;
    const open = model.shortList.filter((f) => !receipt.before[f as keyof Receipt['before']]);
    if (open.length)
      errors.before ??= `${open.length} of ${model.shortList.length} functions have no answer yet.`;
  }
  if (receipt.promisedAt !== null && receipt.promisedAt < now)
    errors.promisedAt ??= 'The promised time is in the past.';
  return Object.keys(errors).length ? { errors } : { receipt, errors };
}
