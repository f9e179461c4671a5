import type { KeptPin } from '../../core/day/what-if';
import { defineEntity, p, UnderscoreNamingStrategy } from '@mikro-orm/core';
import { roles } from '../../core/vocabulary/roles';
import { type TaskKind, taskStates } from '../../core/wire/background';
import type { ShopSettings } from '../../core/wire/who';

/**
 * The tables, and the truth about them: a test migrates an empty database and has it compared with these. What the
 * database alone can say (row-level security, roles, functions) stands in the migrations.
 *
 * Every row of a workshop has its shop first in the key. What it refers to it refers to within its shop, so that the
 * relations share that column; they are there to be joined by and for their foreign keys, and rows are written by their ids.
 */

/** Constraints are named as PostgreSQL itself would name them. */
export class PostgresNames extends UnderscoreNamingStrategy {
  override indexName(
    table: string,
    columns: string[],
    type: 'primary' | 'foreign' | 'unique' | 'index' | 'sequence' | 'check',
  ): string {
    const end = {
      primary: 'pkey',
      foreign: 'fkey',
      unique: 'key',
      index: 'idx',
      sequence: 'seq',
      check: 'check',
    };
    return type === 'primary' ? `${table}_pkey` : `${table}_${columns.join('_')}_${end[type]}`;
  }
}

/** What a session sees is its workshop's: the first lock; row-level security is the second. */
export const ofShop = {
  shop: { name: 'shop', cond: ({ shop }: { shop: string }) => ({ shopId: shop }), default: true },
};
export const shopOf = () =>
  p.manyToOne(Workshop).joinColumns('shop_id').nullable().deleteRule('no action').updateRule('no action');
export const personOf = () =>
  p
    .manyToOne(Person)
    .joinColumns('shop_id', 'person_id')
    .nullable()
    .deleteRule('no action')
    .updateRule('no action');

/** What goes when its person does. */
export const goesWithPerson = () =>
  p
    .manyToOne(Person)
    .joinColumns('shop_id', 'person_id')
    .nullable()
    .deleteRule('cascade')
    .updateRule('no action');

export const Workshop = defineEntity({
  name: 'Workshop',
  tableName: 'workshop',
  filters: { shop: { name: 'shop', cond: ({ shop }: { shop: string }) => ({ id: shop }), default: true } },
  properties: {
    id: p.uuid().primary(),
    name: p.text(),
    settings: p.json<ShopSettings>(),
    demo: p.boolean().default(false),
    createdAt: p.datetime().defaultRaw('now()'),
  },
});
export const Person = defineEntity({
  name: 'Person',
  tableName: 'person',
  filters: ofShop,
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    login: p.text().unique(),
    name: p.text(),
    role: p.enum([...roles]),
    bench: p.text().default(''),
    /** Empty as long as nobody has chosen a password: then nobody signs in with it. */
    passwordHash: p.text().hidden(),
    /** What the person types after the badge, or to unlock a bench; empty where none was chosen. */
    pinHash: p.text().default('').hidden(),
    /** Since when the person is no longer here; the record keeps the name. */
    leftAt: p.datetime().nullable(),
    shop: shopOf,
  },
});
export const Session = defineEntity({
  name: 'Session',
  tableName: 'session',
  filters: ofShop,
  indexes: [{ name: 'session_person', properties: ['shopId', 'personId'] }],
  properties: {
    shopId: p.uuid().primary(),
    tokenHash: p.text().primary().unique(),
    personId: p.uuid(),
    expiresAt: p.datetime(),
    openedAt: p.datetime().defaultRaw('now()'),
    /** What the browser called itself when it signed in. */
    browser: p.text().default(''),
    /** The bench is locked: who it was is known, and nothing but what runs is shown. */
    locked: p.boolean().default(false),
    person: goesWithPerson,
  },
});
/** A link by which a person sets the password of their own: it serves once, and not for long. */
export const Invite = defineEntity({
  name: 'Invite',
  tableName: 'invite',
  filters: ofShop,
  indexes: [{ name: 'invite_person', properties: ['shopId', 'personId'] }],
  properties: {
    shopId: p.uuid().primary(),
    tokenHash: p.text().primary().unique(),
    personId: p.uuid(),
    expiresAt: p.datetime(),
    person: goesWithPerson,
  },
});
/** The secret address of the workshop's calendar: its digest alone. */
export const CalendarFeed = defineEntity({
  name: 'CalendarFeed',
  tableName: 'calendar_feed',
  filters: ofShop,
  properties: {
    shopId: p.uuid().primary(),
    tokenHash: p.text().unique(),
    madeAt: p.datetime().defaultRaw('now()'),
    shop: shopOf,
  },
});
/** What the plan of the day said last of the next quarter of an hour: the plan after it keeps to that where it can. */
export const DayShown = defineEntity({
  name: 'DayShown',
  tableName: 'day_shown',
  filters: ofShop,
  properties: {
    shopId: p.uuid().primary(),
    blocks: p.json<KeptPin[]>(),
    shownAt: p.datetime(),
    shop: shopOf,
  },
});
/** Tries to sign in, counted by the package that limits them. */
export const SignInAttempt = defineEntity({
  name: 'SignInAttempt',
  tableName: 'sign_in_attempt',
  properties: {
    key: p.string().primary(),
    points: p.integer().default(0),
    expire: p.bigint().nullable(),
  },
});
/** A badge of paper: whoever scans it at a bench of the workshop is that person from then on. One for each. */
export const Badge = defineEntity({
  name: 'Badge',
  tableName: 'badge',
  filters: ofShop,
  properties: {
    shopId: p.uuid().primary(),
    personId: p.uuid().primary(),
    tokenHash: p.text().unique(),
    person: goesWithPerson,
  },
});
export const BackgroundTask = defineEntity({
  name: 'BackgroundTask',
  tableName: 'background_task',
  filters: ofShop,
  indexes: [{ name: 'background_task_kind', properties: ['shopId', 'kind', 'createdAt'] }],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    kind: p.text().$type<TaskKind>(),
    /** Who asked for it; nobody where it was due by itself. */
    personId: p.uuid().nullable(),
    state: p.enum([...taskStates]).default('waiting'),
    /** Whoever asked wants it ended. */
    stop: p.boolean().default(false),
    /** 0 to 1. */
    progress: p.float().default(0),
    said: p.text().default(''),
    /** Name of the file that came of it, in the folder of its kind. */
    file: p.text().nullable(),
    createdAt: p.datetime().defaultRaw('now()'),
    endedAt: p.datetime().nullable(),
    shop: shopOf,
    person: personOf,
  },
});
