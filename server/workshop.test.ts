import { beforeAll, describe, expect, test } from 'vitest';
import { allStations } from '../core/methods/catalogue';
import { asOwner } from './db/orm';
import { makeWorld, openJob, type World } from './testing/world';
import type { Who } from '../core/wire/who';
import { jobPage } from './use-cases/job-page';
import { adoptRoute } from './use-cases/plan-route';
import { changeWorkshop, workshopPage } from './use-cases/workshop';
import { randomUUID } from 'node:crypto';

let world: World;
let owner: Who;
let lead: Who;
let tova: Who;
beforeAll(async () => {
  world = await makeWorld();
  owner = world.own.get('owner')!;
  lead = world.own.get('lead')!;
  tova = world.own.get('technician')!;
}, 120_000);
/** The person as the next request would find them. */
const fresh = async (who: Who): Promise<Who> => ({ ...who, settings: (await workshopPage(who)).settings });

test('the bench has a name in the network; what is none is refused', async () => {
  const ines = world.own.get('owner')!;
  expect(await changeWorkshop(ines, { do: 'bench name', benchName: ' Bench.Lan ' })).toMatchObject({
    ok: true,
  });
  expect((await workshopPage(ines)).settings.benchName).toBe('bench.lan');
  for (const bad of ['https://bench', 'bench:4310', '-bench', 'a b', 'bench..lan'])
    expect(await changeWorkshop(ines, { do: 'bench name', benchName: bad }), bad).toMatchObject({
      ok: false,
    });
  expect(await changeWorkshop(ines, { do: 'bench name', benchName: '' })).toMatchObject({ ok: true });
  expect(
    await changeWorkshop(world.own.get('technician')!, { do: 'bench name', benchName: 'x' }),
  ).toMatchObject({ ok: false });
});
describe('the heat sources', () => {
  test('are set and measured by a lead too; a route is planned with them, and what was measured is forgotten again', async () => {
    const offK = { low: -2, likely: -1, high: 0 };
    const contactM2KW = { low: 0.003, likely: 0.0035, high: 0.004 };
    const heat = { do: 'heat', station: 'hot-plate', setC: 76 };
    expect(await changeWorkshop(tova, heat)).toMatchObject({ ok: false, status: 403 });
    expect(await changeWorkshop(lead, { ...heat, fitted: { contactM2KW, offK, readings: 3 } })).toMatchObject(
      {
        ok: true,
      },
    );
    for (const bad of [{ setC: 400 }, { setC: 'hot' }, { station: 'leak-tester' }, { fitted: { offK: 1 } }])
      expect(await changeWorkshop(lead, { ...heat, ...bad })).toMatchObject({ ok: false, status: 400 });
    // set anew it keeps what was measured
    expect(await changeWorkshop(lead, { ...heat, setC: 78 })).toMatchObject({ ok: true });
    expect((await workshopPage(owner)).settings.heat).toMatchObject({
      'hot-plate': { setC: 78, contactM2KW, offK, readings: 3, fittedAt: expect.any(Number) },
    });
    const who = await fresh(lead);
    const job = await openJob(world, who);
    const soak = (await jobPage(who, job))!.route!.steps.find((s) => s.action === 'heat')!.soak!;
    expect(soak).toMatchObject({ setC: 78, bond: 'seal' });
    expect(await changeWorkshop(lead, { ...heat, forget: true })).toMatchObject({ ok: true });
    expect((await workshopPage(owner)).settings.heat).toEqual({ 'hot-plate': { setC: 76 } });
  });
});
describe('the workshop’s settings', () => {
  test('an owner changes everything, a lead the methods, nobody else anything', async () => {
    const method = { do: 'method', row: 'screws', option: 'new' };
    expect(await changeWorkshop(tova, method)).toMatchObject({ ok: false, status: 403 });
    expect(await changeWorkshop(lead, method)).toMatchObject({ ok: true });
    for (const ask of [
      { do: 'rate', hourlyRateMinor: 5000 },
      { do: 'station', station: 'hot-plate', owned: false },
      { do: 'role', person: tova.personId, role: 'lead' },
    ])
      expect(await changeWorkshop(lead, ask)).toMatchObject({ ok: false, status: 403 });
    expect((await workshopPage(owner)).settings).toMatchObject({
      methods: { screws: 'new' },
      hourlyRateMinor: 6000,
    });
  });
  test('two people who change different things at the same moment both keep theirs', async () => {
    await Promise.all([
      changeWorkshop(owner, { do: 'rate', hourlyRateMinor: 6250 }),
      changeWorkshop(lead, { do: 'method', row: 'leak-test', option: 'never' }),
      changeWorkshop(owner, { do: 'station', station: 'opening-press', owned: true }),
    ]);
    const { settings } = await workshopPage(owner);
    expect(settings).toMatchObject({
      hourlyRateMinor: 6250,
      methods: { screws: 'new', 'leak-test': 'never' },
    });
    expect(settings.stations).toContain('opening-press');
    expect(settings.stations.every((s) => allStations.includes(s))).toBe(true);
  });
  test('what is wrong is said at its field, and nothing is changed', async () => {
    const before = await workshopPage(owner);
    expect(await changeWorkshop(owner, { do: 'waits', solventFlashS: 10, coolingS: 90 })).toMatchObject({
      ok: false,
      status: 400,
      errors: {
        solventFlashS: expect.stringContaining('At least 60 s'),
        coolingS: expect.stringContaining('At least 120 s'),
      },
    });
    expect(await changeWorkshop(owner, { do: 'rate', hourlyRateMinor: null })).toMatchObject({
      errors: { hourlyRateMinor: expect.stringContaining('Give an amount of money') },
    });
    expect(await changeWorkshop(owner, { do: 'method', row: 'screws', option: 'glued' })).toMatchObject({
      errors: { option: expect.any(String) },
    });
    expect(await changeWorkshop(owner, { do: 'paint it' })).toMatchObject({ ok: false, status: 400 });
    expect(
      await changeWorkshop(owner, {
        do: 'add person',
        name: ' ',
        login: 'A B',
        role: 'king',
        bench: '',
      }),
    ).toMatchObject({
      errors: {
        name: 'Give a name.',
        login: expect.any(String),
        role: expect.any(String),
      },
    });
    expect(await workshopPage(owner)).toEqual(before);
  });
  test('place, tax and rounding are changed together; the currency stays once something is priced in it', async () => {
    const places = {
      do: 'places',
      currency: owner.settings.currency,
      country: 'IE',
      timeZone: 'Europe/Dublin',
      taxPercent: 23,
      taxName: 'VAT',
      taxIncluded: false,
      roundMinor: 5,
    };
    expect(await changeWorkshop(owner, places)).toMatchObject({ ok: true });
    expect((await workshopPage(owner)).settings).toMatchObject({
      country: 'IE',
      timeZone: 'Europe/Dublin',
      tax: { name: 'VAT', percent: 23, included: false },
      roundMinor: 5,
    });
    await openJob(world, tova);
    expect(await changeWorkshop(owner, { ...places, currency: 'JPY' })).toMatchObject({
      status: 409,
      errors: { currency: expect.stringContaining('the currency stays') },
    });
    expect(
      await changeWorkshop(owner, {
        ...places,
        currency: 'EURO',
        country: 'EU',
        timeZone: 'Moon/Sea_of_Rains',
        taxPercent: 51,
        roundMinor: 3,
      }),
    ).toMatchObject({
      status: 400,
      errors: {
        currency: expect.stringContaining('three letters'),
        country: expect.stringContaining('two letters'),
        timeZone: expect.stringContaining('Europe/Dublin'),
        taxPercent: 'At most 50 %.',
        roundMinor: expect.any(String),
      },
    });
    expect(await changeWorkshop(owner, { ...places, taxPercent: 0 })).toMatchObject({ ok: true });
    expect((await workshopPage(owner)).settings.tax).toBeUndefined();
  });
  test('a person is added without a password; a login that is taken is said; the last owner stays one', async () => {
    const login = `sanna-${randomUUID().slice(0, 8)}`;
    const ask = {
      do: 'add person',
      name: 'Sanna',
      login,
      role: 'technician',
      bench: 'Window',
    };
    expect(await changeWorkshop(owner, ask)).toMatchObject({ ok: true });
    expect(await changeWorkshop(owner, ask)).toMatchObject({
      ok: false,
      status: 409,
      errors: { login: expect.stringContaining('taken') },
    });
    const [row] = await asOwner((orm) =>
      orm.em
        .getConnection()
        .execute<{ password_hash: string }[]>(`select password_hash from resolve_login(?)`, [login]),
    );
    expect(row!.password_hash).toBe('');
    expect(await changeWorkshop(owner, { do: 'role', person: owner.personId, role: 'lead' })).toMatchObject({
      ok: false,
      errors: { role: 'A workshop keeps at least one owner.' },
    });
    // somebody of another workshop is nobody here
    expect(
      await changeWorkshop(owner, { do: 'role', person: world.other.get('lead')!.personId, role: 'trainee' }),
    ).toMatchObject({ ok: false, errors: { person: expect.any(String) } });
  });
  test('routes planned from then on follow the methods; a job that is open keeps its own', async () => {
    await changeWorkshop(owner, { do: 'method', row: 'leak-test', option: 'always' });
    const job = await openJob(world, await fresh(tova));
    const has = async (id: string) =>
      (await jobPage(tova, id))!.route!.steps.some((s) => s.action === 'leak test');
    expect(await has(job)).toBe(true);
    await changeWorkshop(owner, { do: 'method', row: 'leak-test', option: 'never' });
    expect(await has(job)).toBe(true);
    await adoptRoute(await fresh(tova), job, randomUUID());
    expect(await has(job)).toBe(true);
    expect(await has(await openJob(world, await fresh(tova)))).toBe(false);
    // and a job's own wish stands before the house's
    await adoptRoute(await fresh(tova), job, randomUUID(), { methods: { 'leak-test': 'never' } });
    expect(await has(job)).toBe(false);
  });
});
