import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { beforeAll, describe, expect, test } from 'vitest';
import type { Taken } from '../core/checks/taken';
import type { Body } from '../core/log/events';
import { indexed, mica9 } from '../core/testing/demo-models';
import type { DeviceAnswer, DevicePageData } from '../core/wire/device-page';
import type { Who } from '../core/wire/who';
import { inShop } from './db/orm';
import { photoCount, removePhotosOf } from './db/photos';
import { loadState } from './db/job-log';
import { checkMeasured, checkWord } from '../words/report';
import { reportData } from './report/report-data';
import { eventsOf, makeWorld, openJob, type World } from './testing/world';
import {
  closeDevicePage,
  deviceChecksOf,
  devicePage,
  openDevicePage,
  takeDeviceResult,
} from './use-cases/device-checks';
import { lessonsFor } from './use-cases/measured-elsewhere';
import { sendCommands } from './use-cases/send-commands';
import { photoOf } from './use-cases/photos';

let world: World;
let tova: Who;
let job: string;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  job = await openJob(world, tova, {}, false);
}, 120_000);

const holder = 'this phone, and no other';
const link = async (): Promise<string> => (await openDevicePage(tova, job))!.code!;
const send = (
  token: string,
  fn: string,
  taken: Taken | { kind: 'said'; result: string },
  more: object = {},
): Promise<DeviceAnswer> =>
  takeDeviceResult(token, { id: randomUUID(), holder, function: fn, taken, ...more }, 'phone');
const stateOf = () => inShop(tova.shopId, (em) => loadState(em, job));
const still: Taken = { kind: 'vibration', rms: 0.02, restRms: 0.02 };
const shakes: Taken = { kind: 'vibration', rms: 3.1, restRms: 0.02 };

describe('the link of a repaired phone', () => {
  test('opens what is due in this round, cheapest first, and nothing of the owner', async () => {
    const page = (await devicePage(await link(), 'phone')) as DevicePageData;
    expect(page.round).toBe('before');
    expect(page.checks.slice(0, 3)).toMatchObject([
      { function: 'power', kind: 'started' },
      { function: 'picture', kind: 'picture' },
      { function: 'touch', kind: 'touch' },
    ]);
    expect(page.checks.at(-1)!.kind).toBeUndefined();
    expect(Object.keys(page).sort()).toEqual(['checks', 'heightMm', 'model', 'round', 'widthMm']);
  });
  test('is no longer good when another is made, when it is taken back, and when it is wrong', async () => {
    const first = await link();
    const second = await link();
    expect(await devicePage(first, 'phone')).toBe('gone');
    expect(await devicePage(second.toLowerCase(), 'phone')).not.toBe('gone');
    await closeDevicePage(tova, job);
    expect(await devicePage(second, 'phone')).toBe('gone');
    expect(await send(second, 'power', { kind: 'started' })).toEqual({ ok: false, why: 'gone' });
    expect(await devicePage('AAAAAAAAAAAA', 'phone')).toBe('gone');
  });
  test('cannot be guessed: who tries too often waits', async () => {
    const good = await link();
    for (let k = 0; k < 20; k++) await devicePage(`WRONG${k}`, 'guesser');
    expect(await devicePage(good, 'guesser')).toBe('too many');
    expect(await devicePage(good, 'phone')).not.toBe('too many');
  });
  test('is of one workshop: another can neither make one for this job nor see what was measured', async () => {
    const other = world.other.get('owner')!;
    expect(await openDevicePage(other, job)).toBeUndefined();
    expect(await deviceChecksOf(other, job)).toEqual({ link: null, measured: [] });
  });
  test('is of one phone: the first that sends', async () => {
    const token = await link();
    expect(await send(token, 'power', { kind: 'started' })).toMatchObject({ ok: true });
    expect(
      await send(
        token,
        'battery',
        { kind: 'battery', percent: 50 },
        { holder: 'another phone in the drawer' },
      ),
    ).toEqual({
      ok: false,
      why: 'another phone',
    });
    expect((await deviceChecksOf(tova, job)).link).toMatchObject({ held: true, round: 'before' });
    expect((await deviceChecksOf(tova, job)).link).not.toHaveProperty('code');
  });
});

describe('what it sends', () => {
  test('is judged here, kept whole, and the answer of its check', async () => {
    const token = await link();
    const id = randomUUID();
    const answer = await send(token, 'vibration', shakes, { id });
    expect(answer).toEqual({
      ok: true,
      verdict: { verdict: 'works', figures: { shake: 3.1 } },
      counts: true,
    });
    const state = await stateOf();
    expect(state.check['before vibration']).toMatchObject({ result: 'works', by: tova.personId });
    expect(state.measured['before vibration']).toMatchObject({ id, verdict: 'works', kind: 'vibration' });
    expect((await deviceChecksOf(tova, job)).measured).toContainEqual({
      id,
      round: 'before',
      function: 'vibration',
      taken: shakes,
    });
    // and it stands in the report, with its figure
    const inReport = (await reportData(tova, job))!.checks.find((c) => c.function === 'vibration')!;
    expect(inReport.measured.before).toMatchObject({ id, figures: { shake: 3.1 } });
    expect(checkMeasured(checkWord('vibration', inReport.before), inReport.measured.before)).toBe(
      'works, 3.1 m/s²',
    );
    // sent again after a lost network it is the same
    const before = (await eventsOf(tova, job)).length;
    await send(token, 'vibration', shakes, { id });
    expect(await eventsOf(tova, job)).toHaveLength(before);
  });
  test('that contradicts what a person said stands beside it, and does not count by itself', async () => {
    const token = await link();
    await send(token, 'keys', { kind: 'said', result: 'works' });
    expect((await stateOf()).check['before keys']).toMatchObject({ result: 'works' });
    await send(token, 'battery', { kind: 'said', result: 'fails' });
    expect(await send(token, 'battery', { kind: 'battery', percent: 80 })).toMatchObject({
      ok: true,
      counts: false,
    });
    const state = await stateOf();
    expect(state.check['before battery']).toMatchObject({ result: 'fails' });
    expect(state.measured['before battery']).toMatchObject({ verdict: 'works' });
    // measured again by the phone itself it replaces its own answer
    expect(await send(token, 'vibration', still)).toMatchObject({
      counts: true,
      verdict: { because: 'still' },
    });
    expect((await stateOf()).check['before vibration']).toMatchObject({ result: 'fails' });
  });
  test('that is unclear is kept, and asks a person', async () => {
    const token = await link();
    expect(await send(token, 'charging', { kind: 'charging', charging: false })).toMatchObject({
      counts: false,
      verdict: { verdict: 'unclear', because: 'no current' },
    });
    // what was said at the counter stands
    expect((await stateOf()).check['before charging']).toMatchObject({ result: 'works' });
    await send(token, 'charging', { kind: 'said', result: 'untested' });
    expect((await stateOf()).check['before charging']).toMatchObject({ result: 'untested' });
  });
  test.each([
    ['not due', { function: 'wireless', taken: { kind: 'said', result: 'works' } }],
    ['not due', { function: 'touch', taken: shakes }],
    ['not understood', { function: 'vibration', taken: { ...shakes, rms: Number.NaN } }],
    ['not understood', { function: 'vibration', taken: { ...shakes, rms: 1e12 } }],
    ['not understood', { function: 'no such', taken: shakes }],
    ['not understood', { id: 'no id' }],
    ['not understood', { at: 0 }],
    [
      'not understood',
      { taken: { kind: 'microphones', inputs: Array(11).fill({ label: 'a', levelDbfs: 0, floorDbfs: 0 }) } },
    ],
  ])('is refused where it is %s', async (why, more) => {
    const token = await link();
    const before = (await stateOf()).seq;
    expect(await send(token, 'vibration', shakes, more)).toMatchObject({ ok: false, why });
    expect((await stateOf()).seq).toBe(before);
  });
  test('pictures of what was found are encoded anew and kept with the job, once; what is none is refused whole', async () => {
    const token = await link();
    const jpeg = (
      await sharp({ create: { width: 640, height: 480, channels: 3, background: '#888' } })
        .jpeg()
        .toBuffer()
    ).toString('base64');
    const camera = { label: '', sharpness: 0.8, brightness: 0.5, cast: 1.1, spots: 2, framesS: 30 };
    const taken: Taken = { kind: 'cameras', each: [camera] };
    const id = randomUUID();
    for (let k = 0; k < 2; k++) await send(token, 'cameras', taken, { id, pictures: [jpeg, jpeg] });
    const { pictures } = (await deviceChecksOf(tova, job)).measured.find((m) => m.id === id)!;
    expect(pictures).toHaveLength(2);
    expect((await sharp(await photoOf(tova, job, pictures![0]!)).metadata()).width).toBe(640);
    expect(await photoOf(world.other.get('owner')!, job, pictures![0]!)).toBeUndefined();
    const all = await inShop(tova.shopId, (em) => photoCount(em, job));
    expect(all).toBe(2);
    const before = (await stateOf()).seq;
    for (const bad of [[Buffer.from('<svg/>').toString('base64')], ['no base64!'], Array(9).fill(jpeg)])
      expect(await send(token, 'cameras', taken, { pictures: bad })).toMatchObject({
        ok: false,
        why: 'not understood',
      });
    expect((await stateOf()).seq).toBe(before);
    // with the owner's data they are erased, and no longer named
    await inShop(tova.shopId, (em) => removePhotosOf(em, job));
    expect((await deviceChecksOf(tova, job)).measured.find((m) => m.id === id)).not.toHaveProperty(
      'pictures',
    );
  });
  test('three cameras of one name are three', async () => {
    const token = await link();
    const camera = { label: 'camera', sharpness: 0.8, brightness: 0.5, cast: 1.1, spots: 0, framesS: 30 };
    expect(await send(token, 'cameras', { kind: 'cameras', each: [camera, camera, camera] })).toMatchObject({
      verdict: { verdict: 'unclear', because: 'by eye', figures: { cameras: 3 } },
    });
  });
});

describe('a function that fails after work', () => {
  test('is asked again alone, and what put it right is a lesson for the next', async () => {
    const next = await openJob(world, tova);
    const say = (body: Body) =>
      sendCommands(tova, [
        { ...{ id: randomUUID(), job: next, person: tova.personId, body }, at: Date.now(), clockKnown: true },
      ]);
    const [fn, other] = ['touch', 'picture'] as const;
    for (const one of [fn, other])
      await say({ type: 'checked', round: 'mid', function: one, result: one === fn ? 'fails' : 'works' });
    const index = indexed(mica9);
    const plug = index.model.connectors.find((c) => c.functions.includes(fn))!.id;
    expect(await lessonsFor(tova, next)).toEqual({});
    // the job that learns fails, too: only then is it asked for
    await say({ type: 'reseated', connector: plug });
    await say({ type: 'checked', round: 'mid', function: fn, result: 'works' });
    expect(await lessonsFor(tova, next)).toEqual({});
    await say({ type: 'checked', round: 'mid', function: fn, result: 'fails' });
    expect(await lessonsFor(tova, next)).toEqual({ contact: 1 });
    expect(await lessonsFor(world.other.get('owner')!, next)).toEqual({});
  });
});
