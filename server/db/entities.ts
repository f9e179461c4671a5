import type { Round } from '../../core/log/events';
import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { JobEvent } from '../../core/log/events';
import type { JobState } from '../../core/log/state';
import type { DeviceModel } from '../../core/model/schema';
import type { Route } from '../../core/steps/route';
import type { JobSummary } from '../../core/wire/job-line';
import type { Face } from '../../core/vocabulary/trade';
import type { Outcome } from '../../core/wire/outcome';
import {
  BackgroundTask,
  Badge,
  CalendarFeed,
  DayShown,
  Invite,
  ofShop,
  Person,
  goesWithPerson,
  personOf,
  Session,
  shopOf,
  SignInAttempt,
  Workshop,
} from './entities-of-shop';
import { SpareScrewRow, StencilEntity } from './entities-of-stock';

// The tables of models and jobs; those of the workshop and its people, and of what lies in drawers, stand beside them.

const jobOf = () =>
  p
    .manyToOne(Job)
    .joinColumns('shop_id', 'job_id')
    .nullable()
    .deleteRule('no action')
    .updateRule('no action');
export const DeviceModelRow = defineEntity({
  name: 'DeviceModelRow',
  tableName: 'device_model',
  filters: {
    shop: {
      name: 'shop',
      cond: ({ shop }: { shop: string }) => ({ $or: [{ shopId: null }, { shopId: shop }] }),
      default: true,
    },
  },
  indexes: [{ name: 'device_model_shop', properties: ['shopId'] }],
  properties: {
    hash: p.text().primary(),
    /** Of no shop: shipped with the app, and read by all. */
    shopId: p.uuid().nullable(),
    modelId: p.text(),
    name: p.text(),
    current: p.boolean().default(true),
    model: p.json<DeviceModel>(),
    /** The version that it was made from; empty where it came as a whole. */
    baseHash: p.text().default(''),
    madeAt: p.datetime().defaultRaw('now()'),
    madeBy: p.uuid().nullable(),
    shop: shopOf,
  },
});
export const RouteRow = defineEntity({
  name: 'RouteRow',
  tableName: 'route',
  filters: ofShop,
  properties: {
    shopId: p.uuid().primary(),
    hash: p.text().primary(),
    route: p.json<Route>(),
    shop: shopOf,
  },
});
export const Job = defineEntity({
  name: 'Job',
  tableName: 'job',
  filters: ofShop,
  uniques: [{ properties: ['shopId', 'number'] }],
  indexes: [
    { name: 'job_model', properties: ['modelHash'] },
    {
      name: 'job_open',
      expression: 'create index job_open on job (shop_id, promised_at) where ending is null',
    },
    { name: 'job_tag', expression: 'create index job_tag on job (shop_id, lower(tag))' },
    {
      name: 'job_of_model',
      expression: 'create index job_of_model on job (shop_id, model_hash, variant, opened_at desc)',
    },
  ],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    number: p.integer(),
    tag: p.text(),
    modelHash: p.text(),
    variant: p.text(),
    seq: p.integer(),
    stage: p.text(),
    summary: p.json<JobSummary>(),
    promisedAt: p.datetime().nullable(),
    ending: p.text().nullable(),
    openedAt: p.datetime().defaultRaw('now()'),
    updatedAt: p.datetime().defaultRaw('now()'),
    shop: shopOf,
    model: () =>
      p
        .manyToOne(DeviceModelRow)
        .joinColumns('model_hash')
        .nullable()
        .deleteRule('no action')
        .updateRule('no action'),
    secrets: () => p.oneToMany(JobPrivate).mappedBy('job'),
  },
});
export const JobEventRow = defineEntity({
  name: 'JobEventRow',
  tableName: 'job_event',
  filters: ofShop,
  indexes: [
    {
      name: 'job_event_fault',
      expression: `create index job_event_fault on job_event (shop_id, job_id, seq) where event->'body'->>'type' in ('symptomSet', 'tested', 'causeStated')`,
    },
    {
      name: 'job_event_note',
      expression: `create index job_event_note on job_event (shop_id, job_id, seq) where event->'body'->>'type' in ('noted', 'photographed') and event->'body'->>'thing' is not null`,
    },
    {
      name: 'job_event_retracted',
      expression: `create index job_event_retracted on job_event (shop_id, job_id, (event->'body'->>'event')) where event->'body'->>'type' = 'retracted'`,
    },
  ],
  properties: {
    shopId: p.uuid().primary(),
    jobId: p.uuid().primary(),
    seq: p.integer().primary(),
    event: p.json<JobEvent>(),
    recordedAt: p.datetime().defaultRaw('now()'),
    job: jobOf,
  },
});
export const JobCommand = defineEntity({
  name: 'JobCommand',
  tableName: 'job_command',
  filters: ofShop,
  indexes: [{ name: 'job_command_job', properties: ['shopId', 'jobId'] }],
  properties: {
    shopId: p.uuid().primary(),
    commandId: p.text().primary(),
    jobId: p.uuid(),
    outcome: p.json<Outcome>(),
    job: jobOf,
  },
});
export const JobSnapshot = defineEntity({
  name: 'JobSnapshot',
  tableName: 'job_snapshot',
  filters: ofShop,
  properties: {
    shopId: p.uuid().primary(),
    jobId: p.uuid().primary(),
    seq: p.integer().primary(),
    core: p.text(),
    state: p.json<JobState>(),
    job: jobOf,
  },
});
/** What can be erased of a job: names, a passcode, signatures. */
export const JobPrivate = defineEntity({
  name: 'JobPrivate',
  tableName: 'job_private',
  filters: ofShop,
  properties: {
    shopId: p.uuid().primary(),
    jobId: p.uuid().primary(),
    kind: p.text().primary(),
    value: p.text(),
    job: jobOf,
  },
});
export const Draft = defineEntity({
  name: 'Draft',
  tableName: 'draft',
  filters: ofShop,
  indexes: [{ name: 'draft_person', properties: ['shopId', 'personId'] }],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    personId: p.uuid(),
    body: p.json<Record<string, unknown>>(),
    updatedAt: p.datetime().defaultRaw('now()'),
    shop: shopOf,
    person: personOf,
  },
});
/** A photograph may come before its job is opened: the draft's id is the job's. */
export const Photo = defineEntity({
  name: 'Photo',
  tableName: 'photo',
  filters: ofShop,
  indexes: [
    { name: 'photo_job', properties: ['shopId', 'jobId'] },
    { name: 'photo_person', properties: ['shopId', 'personId'] },
  ],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    jobId: p.uuid(),
    personId: p.uuid(),
    jpeg: p.blob(),
    width: p.integer(),
    height: p.integer(),
    takenAt: p.datetime().defaultRaw('now()'),
    shop: shopOf,
    person: personOf,
  },
});
/** A photograph that lies under the map of a model, whichever of its versions. */
export const ModelPhoto = defineEntity({
  name: 'ModelPhoto',
  tableName: 'model_photo',
  filters: ofShop,
  indexes: [
    { name: 'model_photo_model', properties: ['shopId', 'modelId'] },
    { name: 'model_photo_person', properties: ['shopId', 'personId'] },
  ],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    modelId: p.text(),
    face: p.text().$type<Face>(),
    name: p.text(),
    jpeg: p.blob(),
    personId: p.uuid(),
    madeAt: p.datetime().defaultRaw('now()'),
    shop: shopOf,
    person: personOf,
  },
});
export const Part = defineEntity({
  name: 'Part',
  tableName: 'part',
  filters: ofShop,
  checks: [{ name: 'part_price_minor_check', expression: 'price_minor >= 0' }],
  indexes: [
    { name: 'part_job', properties: ['shopId', 'jobId'] },
    {
      name: 'part_place',
      expression:
        'create index part_place on part (shop_id, model_id, slot) where job_id is null and not gone',
    },
  ],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    name: p.text(),
    kind: p.text(),
    modelId: p.text(),
    slot: p.text(),
    provenance: p.text(),
    supplier: p.text().default(''),
    lot: p.text().default(''),
    serial: p.text().default(''),
    priceMinor: p.integer(),
    arrivesWith: p.json<string[]>().defaultRaw(`'[]'::jsonb`),
    released: p.text().default('not needed'),
    proof: p.text().default(''),
    jobId: p.uuid().nullable(),
    addedAt: p.datetime().defaultRaw('now()'),
    gone: p.boolean().default(false),
    shop: shopOf,
    job: jobOf,
  },
});
/** Identity data saved from a part, for the one that replaces it. */
export const IdentityData = defineEntity({
  name: 'IdentityData',
  tableName: 'identity_data',
  filters: ofShop,
  indexes: [{ name: 'identity_data_person', properties: ['shopId', 'personId'] }],
  properties: {
    shopId: p.uuid().primary(),
    jobId: p.uuid().primary(),
    digest: p.text().primary(),
    slot: p.text(),
    partModel: p.text(),
    serial: p.text(),
    hex: p.text(),
    personId: p.uuid(),
    readAt: p.datetime().defaultRaw('now()'),
    job: jobOf,
    person: personOf,
  },
});
/** What an instrument measured of a job: its curve, and what came of it. */
export const JobMeasurement = defineEntity({
  name: 'JobMeasurement',
  tableName: 'job_measurement',
  filters: ofShop,
  indexes: [
    { name: 'job_measurement_job', properties: ['shopId', 'jobId'] },
    { name: 'job_measurement_person', properties: ['shopId', 'personId'] },
  ],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    jobId: p.uuid(),
    kind: p.text(),
    unit: p.text(),
    instrument: p.text(),
    settings: p.json<Record<string, unknown>>(),
    samples: p.json<unknown[]>(),
    result: p.json<Record<string, unknown>>(),
    personId: p.uuid(),
    takenAt: p.datetime().defaultRaw('now()'),
    job: jobOf,
    person: personOf,
  },
});
/** A link by which a repaired phone opens its own page of checks: one round of one job, for a while. */
export const DevicePage = defineEntity({
  name: 'DevicePage',
  tableName: 'device_page',
  filters: ofShop,
  indexes: [
    { name: 'device_page_job', properties: ['shopId', 'jobId'] },
    { name: 'device_page_person', properties: ['shopId', 'personId'] },
  ],
  properties: {
    shopId: p.uuid().primary(),
    tokenHash: p.text().primary().unique(),
    jobId: p.uuid(),
    personId: p.uuid(),
    round: p.text().$type<Round>(),
    expiresAt: p.datetime(),
    /** The browser that opened it first, by a word of its own: no other writes. */
    holder: p.text().default(''),
    job: () =>
      p
        .manyToOne(Job)
        .joinColumns('shop_id', 'job_id')
        .nullable()
        .deleteRule('cascade')
        .updateRule('no action'),
    person: goesWithPerson,
  },
});
export type MeasurementRow = InferEntity<typeof JobMeasurement>;
export type JobRow = InferEntity<typeof Job>;
export type PartRow = InferEntity<typeof Part>;
export const entities = [
  JobMeasurement,
  DevicePage,
  Workshop,
  Person,
  Session,
  Invite,
  DeviceModelRow,
  RouteRow,
  Job,
  JobEventRow,
  JobCommand,
  JobSnapshot,
  JobPrivate,
  Draft,
  Photo,
  ModelPhoto,
  Part,
  SpareScrewRow,
  StencilEntity,
  IdentityData,
  SignInAttempt,
  BackgroundTask,
  Badge,
  CalendarFeed,
  DayShown,
];
