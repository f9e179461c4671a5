import { randomUUID } from 'node:crypto';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { badgePattern, pin } from '../forms/hands-fields';
import type { Who } from '../core/wire/who';
import { loader as openJobsPage } from '../app/routes/bench/open-jobs-json';
import { loader as stockPage } from '../app/routes/stock/stock';
import { action as sendAction } from '../app/routes/work/commands';
import { attempts } from './auth/attempts';
import { openSession, sessionAsks } from './auth/session';
import { inShop } from './db/orm';
import { setPin } from './db/badges';
import { hashPassword } from './auth/password';
import { call, makeWorld, type World } from './testing/world';
import { choosePin, lockBench, makeBadge, takeOver } from './use-cases/hands';
import { changeWorkshop } from './use-cases/workshop';

let world: World;
let tova: Who;
let marek: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  marek = world.own.get('lead')!;
}, 120_000);
const from = `bench ${randomUUID()}`;
beforeEach(async () => {
  const record = await attempts();
  await Promise.all([
    record.code.delete(from),
    record.pin.delete(tova.personId),
    record.pin.delete(marek.personId),
  ]);
});

const withCookie = (cookie: string) => new Request('http://localhost/', { headers: { cookie } });
/** A bench at which somebody is signed in. */
async function bench(who: Who): Promise<Request> {
  const cookie = await openSession(who.shopId, who.personId, new Request('http://localhost/'));
  return withCookie(cookie.split(';')[0]!);
}
const at = (request: Request) => sessionAsks(request.headers.get('cookie'));
const asking = (who: Who): Who => ({
  ...who,
  settings: { ...who.settings, hands: { pin: true, lockMinutes: 5 } },
});

describe('a badge', () => {
  test('changes hands at a bench: another session, of whose badge it is; the one before is over', async () => {
    const badge = (await makeBadge(marek, tova.personId))!;
    expect(badge).toMatchObject({ name: tova.name, code: expect.stringMatching(badgePattern) });
    const here = await bench(marek);
    const done = await takeOver({ who: marek, locked: false }, { badge: badge.code }, from, here);
    expect(done).toMatchObject({ ok: true, name: tova.name, cookie: expect.any(String) });
    expect(await at(here)).toBeUndefined();
    const now = withCookie((done as { cookie: string }).cookie.split(';')[0]!);
    expect((await at(now))!.who.personId).toBe(tova.personId);
  });
  test('that was replaced, of another workshop, of nobody, or malformed is nobody’s; guessing is limited', async () => {
    const first = (await makeBadge(marek, tova.personId))!;
    await makeBadge(marek, tova.personId);
    const other = world.other.get('technician')!;
    const elsewhere = (await makeBadge(other, other.personId))!;
    const here = await bench(marek);
    for (const code of [first.code, elsewhere.code, `SB${'2'.repeat(20)}`])
      expect(await takeOver({ who: marek, locked: false }, { badge: code }, from, here)).toMatchObject({
        ok: false,
        status: 403,
      });
    for (const given of [
      {},
      { badge: 'tova' },
      { badge: `${first.code}2` },
      { badge: first.code, role: 'owner' },
    ])
      expect(await takeOver({ who: marek, locked: false }, given, from, here)).toMatchObject({ status: 400 });
    for (let k = 0; k < 20; k++)
      await takeOver({ who: marek, locked: false }, { badge: first.code }, from, here);
    expect(await takeOver({ who: marek, locked: false }, { badge: first.code }, from, here)).toMatchObject({
      status: 429,
    });
    expect(await makeBadge(marek, world.other.get('lead')!.personId)).toBeUndefined();
    expect(await changeWorkshop(marek, { do: 'badge', person: tova.personId })).toMatchObject({
      status: 403,
    });
  });
  test('wants a number after it where the workshop asks for that; wrong ones are limited', async () => {
    const badge = (await makeBadge(marek, tova.personId))!.code;
    const here = await bench(marek);
    const who = asking(marek);
    const attempt = (secret?: string) =>
      takeOver({ who, locked: false }, { badge, ...(secret === undefined ? {} : { secret }) }, from, here);
    expect(await attempt()).toEqual({ ok: false, status: 401, asks: tova.name });
    await inShop(tova.shopId, async (em) => setPin(em, tova.personId, await hashPassword('4711')));
    for (let k = 0; k < 6; k++) expect(await attempt('4712')).toMatchObject({ status: 403, asks: tova.name });
    expect(await attempt('4711')).toMatchObject({ status: 429 });
    // the password still serves
    expect(await attempt('a-long-password')).toMatchObject({ ok: true, name: tova.name });
  });
});

describe('a bench that locks', () => {
  test('shows what runs and takes nothing, until the same person comes back with a number or a password, or another with a badge', async () => {
    const here = await bench(tova);
    await lockBench(tova, here);
    expect(await at(here)).toMatchObject({ locked: true, who: { personId: tova.personId } });
    await inShop(tova.shopId, async (em) => setPin(em, tova.personId, await hashPassword('4711')));
    const locked = { who: tova, locked: true };
    expect(await takeOver(locked, { secret: '1199' }, from, here)).toMatchObject({ status: 403 });
    expect(await at(here)).toMatchObject({ locked: true });
    const back = await takeOver(locked, { secret: '4711' }, from, here);
    expect(back).toEqual({ ok: true, name: tova.name });
    expect(await at(here)).toMatchObject({ locked: false });
    // nobody comes in by a number alone where nothing is locked
    expect(await takeOver({ who: tova, locked: false }, { secret: '4711' }, from, here)).toMatchObject({
      status: 400,
    });
    await lockBench(tova, here);
    const badge = (await makeBadge(marek, marek.personId))!.code;
    expect(await takeOver(locked, { badge }, from, here)).toMatchObject({ ok: true, name: marek.name });
  });
  test('shows no page, takes no command and tells only which devices are open', async () => {
    const init = {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ commands: [] }),
    };
    expect(await call(sendAction as never, tova, '/commands', {}, init, 'locked')).toMatchObject({
      status: 401,
      body: { error: 'the bench is locked' },
    });
    expect(await call(stockPage as never, tova, '/stock?q=a', {}, {}, 'locked')).toMatchObject({
      status: 302,
      to: '/locked?to=%2Fstock%3Fq%3Da',
    });
    expect(await call(openJobsPage as never, tova, '/open-jobs', {}, {}, 'locked')).toMatchObject({
      status: 200,
    });
  });
});

describe('a number of one’s own', () => {
  test.each(['123', '123456789', '12a4', '1111', '1234', '9876', '2468'])('%s is refused', (text) => {
    expect(pin.safeParse(text).success).toBe(false);
  });
  test('is chosen with the password of today', async () => {
    expect(pin.safeParse('4711').success).toBe(true);
    expect(await choosePin(tova, { now: 'wrong', pin: '4711' }, from)).toMatchObject({ status: 403 });
    expect(await choosePin(tova, { now: 'a-long-password', pin: '12' }, from)).toMatchObject({
      errors: { pin: 'Four to eight digits.' },
    });
    expect(await choosePin(tova, { now: 'a-long-password', pin: '4711' }, from)).toMatchObject({ ok: true });
  });
});
