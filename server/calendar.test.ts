import { beforeAll, expect, test } from 'vitest';
import type { Who } from '../core/wire/who';
import { calendarAt, calendarState, changeCalendar } from './use-cases/calendar';
import { makeWorld, openJob, type World } from './testing/world';
import { openJobsFor } from './use-cases/bench-page';

let world: World;
let ines: Who;
beforeAll(async () => {
  world = await makeWorld();
  ines = world.own.get('owner')!;
}, 120_000);

const tokenOf = async (): Promise<string> => {
  const said = await changeCalendar(ines, { do: 'make' });
  return /calendar\/(.+)\.ics$/.exec((said as { path: string }).path)![1]!;
};
const at = (token: string) => calendarAt(token, 'https://bench.example');

test('the promises of open devices, at an address that nobody can guess and that ends with the next one', async () => {
  const tova = world.own.get('technician')!;
  await openJob(world, tova);
  const [job] = (await openJobsFor(tova)).filter((line) => line.promisedAt !== null);
  expect(await calendarState(ines)).toBeNull();
  const first = await tokenOf();
  expect(await calendarState(ines)).toBeGreaterThan(0);
  const text = (await at(first))!;
  // RFC 5545: lines end with CRLF and are folded at 75 octets; times in UTC
  const unfolded = text.replace(/\r\n[ \t]/g, '').split('\r\n');
  expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  expect(unfolded[0]).toBe('BEGIN:VCALENDAR');
  expect(unfolded).toContain('VERSION:2.0');
  expect(unfolded).toContain(`UID:${job!.id}@snavek`);
  const start = new Date(job!.promisedAt!).toISOString().replace(/[-:]|\.\d+/g, '');
  expect(unfolded).toContain(`DTSTART:${start}`);
  expect(text).toContain(job!.tag);
  // nothing of the owner
  expect(job!.owner === null || !text.includes(job!.owner)).toBe(true);
  const second = await tokenOf();
  expect(await at(first)).toBeUndefined();
  expect(await at(second)).toContain('BEGIN:VEVENT');
  await changeCalendar(ines, { do: 'end' });
  expect(await at(second)).toBeUndefined();
  expect(await calendarState(ines)).toBeNull();
});
test('nobody else’s devices stand in it, a guess is none, and a technician gives no address', async () => {
  const other = world.other.get('owner')!;
  const said = (await changeCalendar(other, { do: 'make' })) as { path: string };
  const token = /calendar\/(.+)\.ics$/.exec(said.path)![1]!;
  const theirs = await openJobsFor(other);
  const text = (await at(token))!;
  expect(text.match(/BEGIN:VEVENT/g)?.length ?? 0).toBe(theirs.filter((j) => j.promisedAt !== null).length);
  expect(await at(`${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`)).toBeUndefined();
  expect(await at('../../etc')).toBeUndefined();
  expect(await changeCalendar(world.own.get('technician')!, { do: 'make' })).toMatchObject({ status: 403 });
  expect(await changeCalendar(ines, { do: 'guess' })).toMatchObject({ status: 400 });
});
