import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { JobState } from '../../core/job/state';
import type { JobEvent } from '../../core/job/events';
import type { DeviceModel } from '../../core/model/schema';
import type { Route } from '../../core/route/types';
import type { JobSummary, Outcome, ShopSettings } from '../types';

/** Every row of a workshop has its shop first in the key; row-level security keeps it there. */
export const Workshop = defineEntity({
  name: 'Workshop',
  tableName: 'workshop',
  properties: {
    id: p.uuid().primary(),
    name: p.text(),
    settings: p.json<ShopSettings>(),
    demo: p.boolean().default(false),
  },
});
export const Person = defineEntity({
  name: 'Person',
  tableName: 'person',
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    login: p.text(),
    name: p.text(),
    role: p.text(),
    bench: p.text(),
    passwordHash: p.text().lazy(),
  },
});
export const Session = defineEntity({
  name: 'Session',
  tableName: 'session',
  properties: {
    shopId: p.uuid().primary(),
    tokenHash: p.text().primary(),
    personId: p.uuid(),
    expiresAt: p.datetime(),
  },
});
export const DeviceModelRow = defineEntity({
  name: 'DeviceModelRow',
  tableName: 'device_model',
  properties: {
    hash: p.text().primary(),
    shopId: p.uuid().nullable(),
    modelId: p.text(),
    name: p.text(),
    current: p.boolean(),
    model: p.json<DeviceModel>(),
  },
});
export const RouteRow = defineEntity({
  name: 'RouteRow',
  tableName: 'route',
  properties: { shopId: p.uuid().primary(), hash: p.text().primary(), route: p.json<Route>() },
});
export const Job = defineEntity({
  name: 'Job',
  tableName: 'job',
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
    openedAt: p.datetime(),
    updatedAt: p.datetime(),
  },
});
export const JobEventRow = defineEntity({
  name: 'JobEventRow',
  tableName: 'job_event',
  properties: {
    shopId: p.uuid().primary(),
    jobId: p.uuid().primary(),
    seq: p.integer().primary(),
    event: p.json<JobEvent>(),
    recordedAt: p.datetime(),
  },
});
export const JobCommand = defineEntity({
  name: 'JobCommand',
  tableName: 'job_command',
  properties: {
    shopId: p.uuid().primary(),
    commandId: p.text().primary(),
    jobId: p.uuid(),
    outcome: p.json<Outcome>(),
  },
});
export const JobSnapshot = defineEntity({
  name: 'JobSnapshot',
  tableName: 'job_snapshot',
  properties: {
    shopId: p.uuid().primary(),
    jobId: p.uuid().primary(),
    seq: p.integer().primary(),
    core: p.text(),
    state: p.json<JobState>(),
  },
});
export const JobPrivate = defineEntity({
  name: 'JobPrivate',
  tableName: 'job_private',
  properties: {
    shopId: p.uuid().primary(),
    jobId: p.uuid().primary(),
    kind: p.text().primary(),
    value: p.text(),
  },
});
export const Draft = defineEntity({
  name: 'Draft',
  tableName: 'draft',
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    personId: p.uuid(),
    body: p.json<Record<string, unknown>>(),
    updatedAt: p.datetime(),
  },
});
export const Photo = defineEntity({
  name: 'Photo',
  tableName: 'photo',
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    jobId: p.uuid(),
    personId: p.uuid(),
    jpeg: p.blob().lazy(),
    width: p.integer(),
    height: p.integer(),
    takenAt: p.datetime(),
  },
});
export const Part = defineEntity({
  name: 'Part',
  tableName: 'part',
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    name: p.text(),
    kind: p.text(),
    modelId: p.text(),
    slot: p.text(),
    provenance: p.text(),
    supplier: p.text(),
    lot: p.text(),
    serial: p.text(),
    priceMinor: p.integer(),
    arrivesWith: p.json<string[]>(),
    released: p.text(),
    proof: p.text(),
    jobId: p.uuid().nullable(),
    addedAt: p.datetime(),
    gone: p.boolean(),
  },
});
export type JobRow = InferEntity<typeof Job>;
export const entities = [
  Workshop,
  Person,
  Session,
  DeviceModelRow,
  RouteRow,
  Job,
  JobEventRow,
  JobCommand,
  JobSnapshot,
  JobPrivate,
  Draft,
  Photo,
  Part,
];
