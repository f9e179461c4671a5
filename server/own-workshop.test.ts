import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Changed } from '../core/wire/changed';
import type { Who } from '../core/wire/who';
import { attempts } from './auth/attempts';
import { isSetUpCode, setUpCode } from './auth/set-up-code';
import { whoAsks } from './auth/session';
import { Invite, Workshop } from './db/entities-of-shop';
import { inShop, shopOf } from './db/orm';
import { addWorkshop } from './db/workshop';
import { namesOf } from './db/people';
import { receivePage } from './use-cases/drafts';
import {
  acceptInvite,
  changeOwnPassword,
  invitation,
  ownSessions,
  signOutElsewhere,
} from './use-cases/people';
import { backUpNow, backupFile, backupFiles, backupTasks } from './use-cases/backups';
import { benchPage } from './use-cases/bench-page';
import { foundWorkshop, setUpOpen } from './use-cases/set-up';
import { signIn } from './use-cases/sign-in';
import { changeWorkshop, workshopPage } from './use-cases/workshop';
import { endQueue } from './tasks/queue';
import { ownDatabase } from './testing/own-database';
import { tools } from '../scripts/tools.mjs';

/** There must be no workshop in it. */
let database: Awaited<ReturnType<typeof ownDatabase>>;
beforeAll(async () => {
  tools();
  database = await ownDatabase();
}, 120_000);
afterAll(async () => {
  await endQueue();
  await database.end();
});

const request = (cookie = '', browser = 'bench browser/1.0') =>
  new Request('http://localhost/', { headers: { cookie, 'user-agent': browser } });
const given = (more: object = {}) => ({
  code: setUpCode(),
  shop: 'Lantern Street Repairs',
  currency: 'sek',
  country: 'se',
  timeZone: 'Europe/Stockholm',
  taxPercent: 25,
  taxIncluded: false,
  hourlyRateMinor: 75_000,
  stations: ['hot-plate'],
  name: 'Odda',
  login: 'odda',
  password: 'four lanterns by the harbour',
  ...more,
});
const cookieOf = (done: { ok: boolean; cookie?: string }) => done.cookie!.split(';')[0]!;
const whoOf = async (cookie: string): Promise<Who> => (await whoAsks(cookie))!;
let owner: Who;
let cookie: string;

describe('the first start', () => {
  test('asks for the code that stands beside the data, and for what it cannot guess', async () => {
    expect(await setUpOpen()).toBe(true);
    expect(setUpCode()).toMatch(/^([A-Z2-9]{4}-){3}[A-Z2-9]{4}$/);
    expect(setUpCode()).toBe(setUpCode());
    expect(isSetUpCode(` ${setUpCode().toLowerCase().replaceAll('-', ' ')} `)).toBe(true);
    expect(isSetUpCode('')).toBe(false);
    const wrong = await foundWorkshop(
      given({ currency: 'XYZ1', password: 'short', login: 'O D', stations: ['forge'] }),
      'here',
      request(),
    );
    expect(wrong).toMatchObject({
      ok: false,
      status: 400,
      errors: {
        currency: expect.stringContaining('three letters'),
        password: expect.stringContaining('At least 10'),
        login: expect.any(String),
        stations: expect.any(String),
      },
    });
    for (const password of ['x'.repeat(10_000), 'password123', 'odda odda odda', 'aaaaaaaaaaaa'])
      expect(await foundWorkshop(given({ password }), 'here', request())).toMatchObject({
        errors: { password: expect.any(String) },
      });
  });
  test('a code that is guessed is refused, and after some there is no guessing from there', async () => {
    for (let k = 0; k < 20; k++)
      expect(
        await foundWorkshop(given({ code: `AAAA-BBBB-CCCC-DD${10 + k}` }), 'stranger', request()),
      ).toMatchObject({
        status: 403,
        errors: { code: expect.stringContaining('not the code') },
      });
    expect(await foundWorkshop(given(), 'stranger', request())).toMatchObject({ status: 429 });
    expect(await setUpOpen()).toBe(true);
  });
  test('of two who found it at the same time one does; then the page and the code are gone', async () => {
    const both = await Promise.all([
      foundWorkshop(given(), 'here', request()),
      foundWorkshop(given({ shop: 'Another' }), 'there', request()),
    ]);
    expect(both.filter((done) => done.ok)).toHaveLength(1);
    expect(both.find((done) => !done.ok)).toMatchObject({ status: 410 });
    cookie = cookieOf(both.find((done) => done.ok)!);
    owner = await whoOf(cookie);
    expect(owner).toMatchObject({
      role: 'owner',
      demo: false,
      settings: {
        currency: 'SEK',
        country: 'SE',
        timeZone: 'Europe/Stockholm',
        tax: { name: 'VAT', percent: 25, included: false },
        hourlyRateMinor: 75_000,
        stations: ['hot-plate'],
      },
    });
    expect(await setUpOpen()).toBe(false);
    expect(existsSync(join(database.folder, 'set-up-code'))).toBe(false);
    expect(await foundWorkshop(given(), 'here', request())).toMatchObject({ status: 410 });
  });
  test('its owner saves it and takes it away; nobody else does, and no other file of the folder', async () => {
    expect(await backupFiles(owner)).toEqual([]);
    expect(await backUpNow(owner)).toMatchObject({ ok: true });
    // asked twice it is made once
    expect(await backUpNow(owner)).toMatchObject({ ok: true });
    await expect
      .poll(async () => (await backupTasks(owner)).map((task) => task.state), { timeout: 60_000 })
      .toEqual(['done']);
    expect((await backupTasks(owner))[0]!.said).toContain('0 jobs');
    const [file] = (await backupFiles(owner))!;
    expect(file!.bytes).toBeGreaterThan(10_000);
    const taken = await backupFile(owner, file!.name);
    expect((await taken!.arrayBuffer()).byteLength).toBe(file!.bytes);
    for (const name of ['../app-secret', 'app-secret', `${file!.name}.part`])
      expect(await backupFile(owner, name)).toBeUndefined();
    const lead = { ...owner, role: 'lead' as const };
    expect(await backupFiles(lead)).toBeUndefined();
    expect(await backupTasks(lead)).toEqual([]);
    expect(await backUpNow(lead)).toMatchObject({ ok: false, status: 403 });
    expect(await backupFile(lead, file!.name)).toBeUndefined();
    // the owner of one workshop of several does not get the others'
    const another = await inShop(randomUUID(), async (em) => {
      await addWorkshop(em, { id: shopOf(em), name: 'Another', settings: owner.settings, demo: false });
      return shopOf(em);
    });
    expect(await backupFiles(owner)).toBeUndefined();
    await inShop(another, (em) => em.nativeDelete(Workshop, {}));
    expect(await backupFiles(owner)).toHaveLength(1);
  });
  test('the practice models are offered when they are wanted, and marked', async () => {
    const models = async () => (await receivePage(owner, randomUUID())).models;
    expect(await models()).toEqual([]);
    expect((await benchPage(owner, Date.now())).first).toEqual({
      people: false,
      stock: false,
      models: false,
    });
    expect(await changeWorkshop(owner, { do: 'practice', offered: true })).toMatchObject({ ok: true });
    const offered = await models();
    expect(offered).toHaveLength(7);
    expect(offered.every((m) => m.practice)).toBe(true);
    expect((await benchPage(owner, Date.now())).first).toMatchObject({ models: true });
  });
});

const add = async (login: string, role = 'technician'): Promise<string> => {
  const done = await changeWorkshop(owner, {
    do: 'add person',
    name: login.toUpperCase(),
    login,
    role,
    bench: '',
  });
  return tokenOf(done);
};
const tokenOf = (done: Changed): string => (done.ok ? done.link!.path.slice('/invite/'.length) : '');
const idOf = async (login: string) => (await workshopPage(owner)).people.find((p) => p.login === login)!.id;
const good = 'a wet rope on a dry quay';

describe('people', () => {
  test('come in by a link that serves once, and choose a password that only they know', async () => {
    const token = await add('pell');
    expect((await workshopPage(owner)).people).toMatchObject([
      { login: 'odda' },
      { login: 'pell', waits: true },
    ]);
    expect(await signIn('pell', '', 'here', request())).toMatchObject({ ok: false });
    expect(await invitation(token, 'here')).toEqual({
      shopName: expect.any(String),
      name: 'PELL',
      login: 'pell',
      again: false,
    });
    expect(await acceptInvite(token, 'pell pell pell', 'here', request())).toMatchObject({ status: 400 });
    const two = await Promise.all([
      acceptInvite(token, good, 'here', request()),
      acceptInvite(token, good, 'there', request()),
    ]);
    expect(two.map((done) => done.ok).toSorted()).toEqual([false, true]);
    expect(await acceptInvite(token, good, 'here', request())).toMatchObject({ status: 410 });
    expect(await invitation(token, 'here')).toBeUndefined();
    expect(await signIn('pell', good, 'here', request())).toMatchObject({ ok: true });
    expect((await workshopPage(owner)).people.find((p) => p.login === 'pell')).not.toHaveProperty('waits');
  });
  test('a link that is late, of before another, or with a changed letter serves nothing; guessing is limited', async () => {
    const first = await add('quin');
    const second = tokenOf(await changeWorkshop(owner, { do: 'new link', person: await idOf('quin') }));
    expect(await acceptInvite(first, good, 'here', request())).toMatchObject({ status: 410 });
    const changed = second.startsWith('A') ? `B${second.slice(1)}` : `A${second.slice(1)}`;
    expect(await acceptInvite(changed, good, 'here', request())).toMatchObject({ status: 410 });
    await inShop(owner.shopId, (em) =>
      em.nativeUpdate(Invite, {}, { expiresAt: new Date(Date.now() - 1000) }),
    );
    expect(await acceptInvite(second, good, 'here', request())).toMatchObject({ status: 410 });
    for (let k = 0; k < 20; k++) await invitation(`guess-${k}`, 'guesser');
    expect(await invitation('one more', 'guesser')).toBe('too many');
    expect(await acceptInvite('one more', good, 'guesser', request())).toMatchObject({ status: 429 });
    await (await attempts()).code.delete('guesser');
  });
  test('only an owner does any of it', async () => {
    const pell = await whoOf(cookieOf(await signIn('pell', good, 'here', request())));
    const id = await idOf('quin');
    for (const ask of [
      { do: 'add person', name: 'X', login: 'xx', role: 'owner', bench: '' },
      { do: 'new link', person: owner.personId },
      { do: 'leave', person: id },
      { do: 'role', person: pell.personId, role: 'owner' },
    ])
      expect(await changeWorkshop(pell, ask)).toMatchObject({ ok: false, status: 403 });
  });
  test('who has lost a password gets another by a link; what was signed in before is not any more', async () => {
    const before = cookieOf(await signIn('pell', good, 'here', request()));
    const token = tokenOf(await changeWorkshop(owner, { do: 'new link', person: await idOf('pell') }));
    expect(await invitation(token, 'here')).toMatchObject({ again: true });
    expect(await whoAsks(before)).toBeDefined();
    const done = await acceptInvite(token, 'nine geese over the slip', 'here', request());
    expect(done.ok).toBe(true);
    expect(await whoAsks(before)).toBeUndefined();
    expect(await signIn('pell', good, 'elsewhere', request())).toMatchObject({ ok: false });
  });
  test('change their own password with the one of today, and end their other sessions', async () => {
    const here = cookieOf(await signIn('pell', 'nine geese over the slip', 'here', request()));
    const away = cookieOf(
      await signIn('pell', 'nine geese over the slip', 'here', request('', 'pocket browser/1.0 (Mobile)')),
    );
    const pell = await whoOf(here);
    expect(await ownSessions(pell, request(here))).toMatchObject([
      { here: false, browser: 'pocket browser/1.0 (Mobile)' },
      { here: true },
      { here: false },
    ]);
    const change = (now: string, password: string) =>
      changeOwnPassword(pell, { now, password }, 'here', request(here));
    expect(await change('wrong', good)).toMatchObject({ status: 403, errors: { now: expect.any(String) } });
    expect(await change('nine geese over the slip', 'qwertyuiop')).toMatchObject({
      errors: { password: expect.stringContaining('Everybody') },
    });
    expect(await change('nine geese over the slip', good)).toMatchObject({ ok: true });
    expect(await whoAsks(away)).toBeUndefined();
    expect(await whoAsks(here)).toBeDefined();
    expect(await signOutElsewhere(pell, request(here))).toMatchObject({
      said: expect.stringContaining('no other'),
    });
  });
  test('leave: signed out at once, no way back in, the login free, the name in the record', async () => {
    const here = cookieOf(await signIn('pell', good, 'here', request()));
    const id = await idOf('pell');
    const token = tokenOf(await changeWorkshop(owner, { do: 'new link', person: id }));
    expect(await changeWorkshop(owner, { do: 'leave', person: id })).toMatchObject({ ok: true });
    expect(await whoAsks(here)).toBeUndefined();
    expect(await signIn('pell', good, 'here', request())).toMatchObject({ ok: false });
    expect(await acceptInvite(token, good, 'here', request())).toMatchObject({ status: 410 });
    expect((await workshopPage(owner)).people.map((p) => p.id)).not.toContain(id);
    expect((await inShop(owner.shopId, namesOf)).get(id)).toBe('PELL');
    expect(await add('pell')).not.toBe('');
    for (const ask of ['leave', 'new link'])
      expect(await changeWorkshop(owner, { do: ask, person: id })).toMatchObject({ ok: false });
    expect(await changeWorkshop(owner, { do: 'role', person: id, role: 'lead' })).toMatchObject({
      ok: false,
    });
  });
  test('the last owner stays: one who has not been in yet is none', async () => {
    const token = await add('runa', 'owner');
    const runa = await idOf('runa');
    expect(await changeWorkshop(owner, { do: 'leave', person: owner.personId })).toMatchObject({
      status: 409,
    });
    expect(await changeWorkshop(owner, { do: 'role', person: owner.personId, role: 'lead' })).toMatchObject({
      errors: { role: expect.stringContaining('at least one owner') },
    });
    const accepted = await acceptInvite(token, good, 'here', request());
    const other = await whoOf(cookieOf(accepted as { ok: true; cookie: string }));
    expect(other.personId).toBe(runa);
    expect(await changeWorkshop(other, { do: 'leave', person: owner.personId })).toMatchObject({ ok: true });
    expect(await whoAsks(cookie)).toBeUndefined();
    owner = other;
    expect(await changeWorkshop(owner, { do: 'role', person: runa, role: 'lead' })).toMatchObject({
      ok: false,
    });
  });
});
