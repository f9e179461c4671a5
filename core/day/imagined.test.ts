import { describe, expect, test } from 'vitest';
import { type DayAsked, stepOf } from './asked';
import { type Block, offeredBlocks, usualHands } from './blocks';
import { dayPlan } from './day-plan';
import { switchS } from './day-problem';
import { type DayPerson, skills } from './people';
import { freeSlots } from './slots';
import { differences, imagine, imaginedJob } from './what-if';

const minute = 60;
const now = 1_800_000_000_000;
const block = (job: string, minutes: number): Block => ({
  ...{ job, by: 'hands', phase: 'Strip', action: 'unscrew', steps: [`${job}1`] },
  takes: { low: minutes * minute, likely: minutes * minute, high: minutes * minute },
});
const person = (id: string): DayPerson => ({ id, name: id, skills });
const asked: DayAsked = {
  now,
  people: [person('p0'), person('p1')],
  away: [{ what: 'p1', fromS: 600, toS: 1200 }],
  jobs: ['a', 'b', 'c'].map((id) => ({ id, promisedAt: now + 90 * minute * 1000, blocks: [block(id, 40)] })),
};

describe('a day as it is imagined', () => {
  test('with fewer people: whoever is away among those who are not there is nobody', () => {
    const one = imagine(asked, { people: 1 });
    expect(one.people.map((p) => p.id)).toEqual(['p0']);
    expect(one.away).toEqual([]);
    const four = imagine(asked, { people: 4 });
    expect(four.people).toHaveLength(4);
    expect(four.people[3]!.skills).toEqual(skills);
    expect(four.away).toEqual(asked.away);
  });
  test('with somebody away for an hour, from now where it began before', () => {
    const away = { what: 'p0', from: now - 1000, to: now + 3_600_000 };
    expect(imagine(asked, { away }).away).toContainEqual({ what: 'p0', fromS: 0, toS: 3600 });
    expect(imagine(asked, { away: { ...away, to: now - 1 } }).away).toEqual(asked.away);
  });
  test('with a block somewhere else, in place of where it was wanted before', () => {
    const pins = [
      { job: 'a', step: 'a1', atS: 100 },
      { job: 'b', step: 'b1', atS: 5000 },
    ];
    const moved = imagine({ ...asked, pins }, { pins: [{ job: 'a', step: 'a1', at: now + 900_000 }] });
    expect(moved.pins).toEqual([pins[1], { job: 'a', step: 'a1', atS: 900 }]);
    expect(dayPlan(moved).blocks.find((b) => b.job === 'a')!.startS).toBe(900);
  });
  test('with one device more, and what that makes of the others', () => {
    const hands = { low: 600, likely: 1200, high: 1800 };
    const more = imagine(asked, { more: { promisedAt: now + 30 * minute * 1000, hands } });
    const [today, other] = [dayPlan(asked), dayPlan(more)];
    expect(other.jobs.find((j) => j.id === imaginedJob)!.lateS).toBe(0);
    const moved = differences(today, other);
    expect(moved.length).toBeGreaterThan(0);
    expect(moved.every((d) => d.job !== imaginedJob && d.byS > 0)).toBe(true);
    expect(differences(today, today)).toEqual([]);
    // the same moment, told half a minute later, is no difference
    const later = {
      now: today.now + 30_000,
      jobs: today.jobs.map((j) => ({ ...j, endS: j.endS - 30 })),
    };
    expect(differences(today, later)).toEqual([]);
  });
  test('today’s stays what it is', () => {
    const before = structuredClone(asked);
    imagine(asked, { people: 1, pins: [{ job: 'a', step: 'a1', at: now + 1 }] });
    expect(asked).toEqual(before);
  });
});

describe('what is free for one device more', () => {
  const job = { id: 'new', blocks: [block('new', 20)] };
  test('comes in order, and moves nobody', () => {
    const plan = dayPlan(asked);
    const slots = freeSlots(asked, plan, job);
    expect(slots.length).toBeGreaterThan(2);
    expect(slots.map((s) => s.readyAt)).toEqual(slots.map((s) => s.readyAt).toSorted((a, b) => a - b));
    for (const { startAt, readyAt } of slots) {
      expect(readyAt - startAt).toBe(21 * minute * 1000);
      // of two pairs of hands no more than one is needed elsewhere just then
      const busy = plan.blocks.filter(
        (b) => now + b.startS * 1000 < readyAt && now + b.endS * 1000 > startAt,
      ).length;
      expect(busy).toBeLessThan(2);
    }
  });
  test('is found beside devices whose minutes are only usual ones, and that wait in between', () => {
    const usual = offeredBlocks('u', usualHands, 900);
    const among = { ...asked, jobs: [...asked.jobs, { id: 'u', promisedAt: null, blocks: usual }] };
    const plan = dayPlan(among);
    expect(freeSlots(among, plan, job).length).toBeGreaterThan(2);
    // two blocks of one device are two
    expect(new Set(usual.map((b) => stepOf(b))).size).toBe(usual.length);
  });
  test('is found also where some go cold whatever is done, or whoever is at one device has to leave it', () => {
    const hot = (id: string, minutes: number): Block[] => [
      { ...block(id, minutes), by: 'itself', begun: true, station: `plate ${id}` },
      { ...block(id, 30), steps: [`${id}2`], maxDelayS: 60 },
    ];
    const bench = (blocks: Block[][]): DayAsked => ({
      ...{ now, people: [person('p0')] },
      jobs: blocks.map((own) => ({ id: own[0]!.job, promisedAt: null, blocks: own })),
    });
    const cold = bench([hot('a', 5), hot('b', 5)]);
    expect(dayPlan(cold).clash).toHaveLength(2);
    const left = bench([[{ ...block('c', 40), begun: true }], hot('d', 1)]);
    expect(dayPlan(left).blocks.find((b) => b.job === 'c')!.startS).toBeGreaterThan(0);
    for (const among of [cold, left]) {
      const plan = dayPlan(among);
      const last = Math.max(...plan.blocks.map((b) => b.endS));
      expect(freeSlots(among, plan, job)[0]!.startAt).toBe(now + last * 1000);
    }
  });
  test('may be promised for when nine of ten days are over: by the triangle’s own distribution (closed form)', () => {
    const [low, likely, high] = [600, 1200, 3600];
    const spread = { id: 'new', blocks: [{ ...block('new', 20), takes: { low, likely, high } }] };
    const empty = { ...asked, jobs: [], away: [] };
    const [slot] = freeSlots(empty, dayPlan(empty), spread);
    expect((slot!.readyAt - now) / 1000).toBe(likely + switchS);
    const nineOfTen = high - Math.sqrt(0.1 * (high - low) * (high - likely));
    // of two hundred days: within two standard errors of such a quantile
    expect(Math.abs((slot!.surelyAt - now) / 1000 - switchS - nineOfTen)).toBeLessThan(200);
    // promised so, the day itself says that it is kept
    const told = dayPlan({ ...empty, jobs: [{ ...spread, promisedAt: slot!.surelyAt }] });
    expect(told.jobs[0]!.chance).toBeGreaterThanOrEqual(90);
  });
  test('is at once on an empty bench', () => {
    const empty = { ...asked, jobs: [], away: [] };
    expect(freeSlots(empty, dayPlan(empty), job)[0]!.startAt).toBe(now);
  });
});
