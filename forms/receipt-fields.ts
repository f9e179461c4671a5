import * as common from '../words/answers/common';
import * as wording from '../words/answers/receipt-fields';
import { z } from 'zod';
import { symptomIds } from '../core/knowledge/symptoms';
import { markSchema, taskSchema } from '../core/log/event-schema';
import { checkResults, known } from '../core/log/events';
import { firstMoment, lastMoment } from '../core/log/plain-text';
import { functionIds } from '../core/vocabulary/trade';

const photoSchema = z.strictObject({ id: z.uuid(), mark: z.string().max(60).optional() });

const moment = z
  .number()
  .min(firstMoment, wording.timeOfThisCentury)
  .max(lastMoment, wording.timeOfThisCentury);
/** What is asked about the phone itself; each may be left open. */
const phoneFields = {
  system: z
    .string()
    .regex(/^(\d{1,3}(\.\d{1,3}){0,2})?$/, wording.giveVersion)
    .optional(),
  preRelease: z.boolean().optional(),
  charge: z
    .number({ error: wording.givePercent })
    .min(0, wording.percentRange)
    .max(100, wording.percentRange)
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
  modelHash: z.string({ error: wording.chooseModel }).min(1, wording.chooseModel),
  variant: z.string({ error: wording.chooseVariant }).min(1, wording.chooseVariant),
  tag: z
    .string({ error: wording.giveTag })
    .trim()
    .min(1, wording.giveTag)
    .max(60, common.atMostCharacters(60)),
  owner: z.string().max(80, common.atMostCharacters(80)).optional(),
  complaint: z
    .string({ error: wording.giveComplaint })
    .trim()
    .min(1, wording.giveComplaint)
    .max(4000, {
      error: (i) => wording.complaintTooLong(String(i.input).length),
    }),
  symptoms: draftSchema.shape.symptoms.unwrap().default([]),
  photos: draftSchema.shape.photos.unwrap().default([]),
  marks: z.array(markSchema).max(60).default([]),
  before: draftSchema.shape.before.unwrap().default({}),
  promisedAt: moment.nullable().default(null),
  ...phoneFields,
  promisedAs: z.string().max(60, common.atMostCharacters(60)).default(''),
  // what is to be done may still have to be found out
  tasks: z.array(taskSchema).max(20, wording.atMostTasks).default([]),
  passcode: z.string().max(60, common.atMostCharacters(60)).optional(),
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
  if (hash && !model) errors.modelHash ??= wording.noSuchModel;
  if (model && given.variant && !model.variants.some((v) => v.id === given.variant))
    errors.variant ??= wording.noSuchVariant(model.name);
  if (!read.success) return { errors };
  const receipt = read.data;
  if (model) {
    if (receipt.tasks.some((t) => !model.places.includes(t.slot)))
      errors.tasks ??= wording.noSuchPart(model.name);
    const open = model.shortList.filter((f) => !receipt.before[f as keyof Receipt['before']]);
    if (open.length) errors.before ??= wording.functionsWithoutAnswer(open.length, model.shortList.length);
  }
  if (receipt.promisedAt !== null && receipt.promisedAt < now) errors.promisedAt ??= wording.promiseIsPast;
  return Object.keys(errors).length ? { errors } : { receipt, errors };
}
