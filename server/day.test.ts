import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import type { Who } from '../core/wire/who';
import { makeWorld, openJob, type World } from './testing/world';
import { dayPlan } from '../core/day/day-plan';
import { dayOfShop, pinDay, promiseOf } from './use-cases/day';
import { lookingBack } from './use-cases/looking-back';
import { changeWorkshop, workshopPage } from './use-cases/workshop';

let world: World;
let tova: Who;
let first: string;
const now = Date.now();
const hour = 3_600_000;
/** The same person, with what the workshop has said since. */
const fresh = async (who: Who): Promise<Who> => ({ ...who, settings: (await workshopPage(who)).settings });
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  first = await openJob(world, tova, { promisedAt: now + hour });
}, 120_000);

const planAt = async (who: Who, at = now) => (await dayOfShop(who, at)).plan;

describe('the day of a workshop', () => {
  test('has every open device with what is left of its route, and none of another workshop', async () => {
    const plan = await planAt(tova);
    expect(plan.jobs.map((j) => j.id)).toEqual([first]);
    expect(plan.blocks.length).toBeGreaterThan(5);
    expect(plan.blocks.some((b) => b.station === 'hot-plate' && b.by === 'itself')).toBe(true);
    expect(plan.jobs[0]!.endS).toBeGreaterThan(20 * 60);
    expect((await planAt(world.other.get('owner')!)).jobs).toEqual([]);
  });
  test('is the same while nothing is new, and has what it was made from beside it', async () => {
    const { plan, asked } = await dayOfShop(tova, now);
    expect((await dayOfShop(tova, now + 1)).plan).toEqual(plan);
    expect(asked.jobs.map((j) => j.id)).toEqual([first]);
    expect(dayPlan({ ...asked, shown: [] }).jobs).toEqual(plan.jobs);
    expect(plan.people.map((p) => p.name).length).toBeGreaterThan(0);
  });
  test('keeps what somebody wants just then, for all benches, until it is let go; whoever may', async () => {
    const step = (await planAt(tova)).blocks.find((b) => b.job === first && b.by === 'hands')!.steps[0]!;
    const pins = [{ job: first, step, at: now + hour }];
    const own = async () => (await dayOfShop(await fresh(tova), now)).plan.blocks.filter((b) => b.pinned);
    expect(await pinDay(tova, { do: 'pin', pins }, now)).toMatchObject({ ok: true });
    expect(await own()).toMatchObject([{ job: first }]);
    for (const [ask, status] of [
      [{ do: 'pin', pins: [{ ...pins[0], at: now - 1 }] }, 400],
      [{ do: 'pin', pins: [{ ...pins[0], job: randomUUID() }] }, 409],
      [{ do: 'pin', pins: [] }, 400],
      [{ do: 'pin', pins: [{ ...pins[0], at: Number.NaN }] }, 400],
      ['nonsense', 400],
    ] as const)
      expect(await pinDay(tova, ask, now)).toMatchObject({ ok: false, status });
    expect(await pinDay(world.own.get('trainee')!, { do: 'pin', pins }, now)).toMatchObject({ status: 403 });
    expect(await pinDay(world.other.get('owner')!, { do: 'pin', pins }, now)).toMatchObject({ status: 409 });
    expect(await own()).toHaveLength(1);
    expect(await pinDay(tova, { do: 'let go', job: first }, now)).toMatchObject({ ok: true });
    expect(await own()).toEqual([]);
  });
  test('follows who does what, whose hours, and what warms up', async () => {
    const ines = world.own.get('owner')!;
    const day = async () => (await dayOfShop(await fresh(ines), now)).asked;
    const { people } = await day();
    const { id } = people[0]!;
    const say = (ask: object) => changeWorkshop(ines, ask);
    expect(await say({ do: 'skills', person: id, skills: [] })).toMatchObject({ ok: true });
    expect(await say({ do: 'own hours', person: id, week: Array(7).fill(null) })).toMatchObject({ ok: true });
    expect(await say({ do: 'warm', station: 'hot-plate', minutes: 10 })).toMatchObject({ ok: true });
    const after = await day();
    expect(after.people.find((p) => p.id === id)!.skills).toEqual([]);
    expect(after.away!.some((a) => a.what === id && a.toS - a.fromS > 20 * 3600)).toBe(true);
    expect(after.warmS).toEqual({ 'hot-plate': 600 });
    for (const bad of [
      { do: 'skills', person: id, skills: ['flying'] },
      { do: 'own hours', person: id, week: [null] },
      { do: 'warm', station: 'hot-plate', minutes: -1 },
    ])
      expect(await say(bad)).toMatchObject({ ok: false });
    await say({ do: 'skills', person: id, skills: ['chip work', 'bad cell'] });
    await say({ do: 'own hours', person: id, week: null });
    await say({ do: 'warm', station: 'hot-plate', minutes: 0 });
    expect((await day()).people).toEqual(people);
  });
  test('looks back at a month: true times and promises, of this workshop alone', async () => {
    const done = await lookingBack(tova, now, 0);
    expect(done).toMatchObject({ jobs: 0, kinds: [], promises: { promised: 0 } });
    expect(new Date(done.from).getUTCDate()).toBeGreaterThan(0);
    expect((await lookingBack(tova, now, 1)).from).toBeLessThan(done.from);
  });
  test('says of a device that is offered when it is ready, how surely, and whom it makes late', async () => {
    const offered = await openJob(world, tova, { promisedAt: now + 8 * hour }, false);
    const takes = { job: offered, low: 1200, likely: 2400, high: 4800, wait: 300 };
    const free = (await promiseOf(tova, { ...takes, by: now + 6 * hour }, now))!;
    expect(free.pushed).toEqual([]);
    expect(free.chance).toBeGreaterThan(90);
    expect(free.readyAt - now).toBeGreaterThan(40 * 60_000);
    expect(free.slots.length).toBeGreaterThan(1);
    expect(free.slots[0]!.readyAt).toBeGreaterThanOrEqual(free.readyAt - 60_000);
    // at the counter nothing is received yet
    const { job: _, ...counter } = takes;
    expect((await promiseOf(tova, { ...counter, by: now + 6 * hour }, now))!.chance).toBeGreaterThan(90);
    // it cannot be ready before its own minutes are over
    expect((await promiseOf(tova, { ...takes, by: now + 20 * 60_000 }, now))!.chance).toBe(0);
    expect(await promiseOf(tova, { ...takes, job: randomUUID() }, now)).toBeUndefined();
    expect(await promiseOf(world.other.get('owner')!, takes, now)).toBeUndefined();
  });
});
