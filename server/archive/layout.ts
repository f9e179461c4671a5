import { z } from 'zod';
import { countries, currencies, roundings, timeZones } from '../../forms/places-fields';
import { hourlyRateMinor, warrantyMonths, waitFields } from '../../forms/workshop-fields';
import { allStations } from '../../core/methods/catalogue';
import { methodIds } from '../../core/methods/methods';

/*
 * All that a workshop has, as one ZIP of open formats that any other program can read, and another installation of this one
 * takes in: docs/formats/archive.md.
 */

/** What a file of it may be called; nothing leaves the folder that it is unpacked into. */
const uuid = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';
export const names = {
  fixed: [
    'README.txt',
    'workshop.json',
    'jobs.jsonl',
    'events.jsonl',
    'routes.jsonl',
    'identity.jsonl',
    'measurements.jsonl',
    'people.csv',
    'stock.csv',
    'spares.csv',
    'stencils.csv',
    'model-photographs.csv',
    'schema/job.schema.json',
    'schema/event.schema.json',
    'schema/model.schema.json',
  ],
  model: /^models\/[0-9a-f]{16,64}\.json$/,
  photo: new RegExp(`^photographs/${uuid}/${uuid}\\.jpg$`),
  modelPhoto: new RegExp(`^model-photographs/${uuid}\\.jpg$`),
  report: /^reports\/job-\d{1,9}\.pdf$/,
};
export const isName = (name: string): boolean =>
  names.fixed.includes(name) ||
  [names.model, names.photo, names.modelPhoto, names.report].some((pattern) => pattern.test(name));
/** All of it unpacked, bytes: two gigabytes are some ten thousand jobs with photographs. */
export const mostBytes = 2_000_000_000;
export const mostFiles = 500_000;

const places = z.object({
  currency: z.string().refine((c) => currencies.includes(c)),
  country: z
    .string()
    .refine((c) => countries.includes(c))
    .optional(),
  timeZone: z
    .string()
    .refine((zone) => timeZones.includes(zone))
    .optional(),
  tax: z
    .object({ name: z.string().max(20), percent: z.number().min(0).max(50), included: z.boolean() })
    .optional(),
  roundMinor: z.literal(roundings).optional(),
});
/** How a workshop works: what it chose, without who it is. */
const settingsSchema = places.extend({
  hourlyRateMinor,
  waits: waitFields,
  methods: z.partialRecord(z.enum(methodIds), z.string().max(40)),
  stations: z.array(z.enum(allStations as [string, ...string[]])).max(60),
  warrantyMonths: warrantyMonths.optional(),
  practiceModels: z.boolean().optional(),
});
export const workshopSchema = z.object({
  format: z.literal('snavek.archive'),
  version: z.literal(1),
  madeAt: z.iso.datetime(),
  name: z.string().max(60),
  settings: settingsSchema,
  counts: z.object({ jobs: z.int().min(0), events: z.int().min(0), photographs: z.int().min(0) }),
});
/** One job; what happened to it are its events. */
export const jobSchema = z.object({
  id: z.uuid(),
  number: z.int().min(1),
  tag: z.string().max(200),
  model: z.string().regex(/^[0-9a-f]{16,64}$/),
  variant: z.string().max(100),
  receivedAt: z.iso.datetime(),
  changedAt: z.iso.datetime(),
  owner: z.string().max(200).nullable(),
  /** Strokes and names as they were given, by the id that the log names. */
  signatures: z.record(z.uuid(), z.unknown()),
});
export const identitySchema = z.object({
  job: z.uuid(),
  digest: z.string().max(100),
  slot: z.string().max(100),
  partModel: z.string().max(200),
  serial: z.string().max(200),
  hex: z.string().max(200_000),
  person: z.uuid(),
  readAt: z.iso.datetime(),
});
export const measurementSchema = z.object({
  job: z.uuid(),
  id: z.uuid(),
  kind: z.string().max(40),
  unit: z.string().max(20),
  instrument: z.string().max(200),
  settings: z.record(z.string(), z.unknown()),
  samples: z.array(z.unknown()).max(1_000_000),
  result: z.record(z.string(), z.unknown()),
  person: z.uuid(),
  takenAt: z.iso.datetime(),
});
export const peopleColumns = ['id', 'name', 'login', 'role', 'bench', 'left'] as const;
export const stockColumns = [
  ...['id', 'name', 'model', 'slot', 'kind', 'provenance', 'supplier', 'lot', 'serial', 'price_minor'],
  ...['arrives_with', 'released', 'proof', 'job', 'gone'],
] as const;
export const modelPhotoColumns = ['id', 'model', 'face', 'name', 'person'] as const;
export const spareColumns = ['drive', 'thread', 'length_mm', 'head_mm', 'count', 'note'] as const;
