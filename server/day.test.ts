import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Who } from '../core/wire/who';
import { endWorld, makeWorld, openJob, type World } from './testing/world';
import { dayOfShop, promiseOf } from './use-cases/day';

let world: World;
let tova: Who;
let first: string;
const now = Date.now();
const hour = 3_600_000;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  first = await openJob(world, tova, { promisedAt: now + hour });
}, 120_000);
afterAll(endWorld);

describe('the day of a workshop', () => {
  test('has every open device with what is left of its route, and none of another workshop', async () => {
    const plan = await dayOfShop(tova, now);
    expect(plan.jobs.map((j) => j.id)).toEqual([first]);
    expect(plan.blocks.length).toBeGreaterThan(5);
    expect(plan.blocks.some((b) => b.station === 'hot-plate' && b.by === 'itself')).toBe(true);
    expect(plan.jobs[0]!.endS).toBeGreaterThan(20 * 60);
    expect((await dayOfShop(world.other.get('owner')!, now)).jobs).toEqual([]);
  });
  test('is the same while nothing is new, and another with more hands', async () => {
    const plan = await dayOfShop(tova, now);
    expect(await dayOfShop(tova, now + 1)).toEqual(plan);
    expect((await dayOfShop(tova, now, { people: plan.people + 1 })).people).toBe(plan.people + 1);
    // the plate is not there for an hour: it is warmed later, and today's plan stays what it is
    const away = { what: 'hot-plate', from: now, to: now + hour };
    const warmed = (of: typeof plan) => of.blocks.find((b) => b.station === 'hot-plate')!.startS;
    expect(warmed(plan)).toBeLessThan(3600);
    expect(warmed(await dayOfShop(tova, now, { away }))).toBeGreaterThanOrEqual(3600 - 30);
    expect((await dayOfShop(tova, now)).people).toBe(plan.people);
  });
  test('says of a device that is offered when it is ready, how surely, and whom it makes late', async () => {
    const offered = await openJob(world, tova, { promisedAt: now + 8 * hour }, false);
    const takes = { job: offered, low: 1200, likely: 2400, high: 4800, wait: 300 };
    const free = (await promiseOf(tova, { ...takes, by: now + 6 * hour }, now))!;
    expect(free.pushed).toEqual([]);
    expect(free.chance).toBeGreaterThan(90);
    expect(free.readyAt - now).toBeGreaterThan(40 * 60_000);
    // it cannot be ready before its own minutes are over
    expect((await promiseOf(tova, { ...takes, by: now + 20 * 60_000 }, now))!.chance).toBe(0);
    expect(await promiseOf(tova, { ...takes, job: randomUUID() }, now)).toBeUndefined();
    expect(await promiseOf(world.other.get('owner')!, takes, now)).toBeUndefined();
  });
});
