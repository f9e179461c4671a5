import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { flag } from '../log/state';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { type Block, blocksOf } from './blocks';
import { type DayAsked, type DayPlan, dayPlan, switchS } from './day-plan';

const index = indexed(mica9);
const plan = route(mica9);
const minute = 60;
const block = (job: string, minutes: number, more: Partial<Block> = {}): Block => ({
  job,
  by: 'hands',
  phase: 'Strip',
  action: 'unscrew',
  steps: [],
  takes: { low: minutes * minute * 0.7, likely: minutes * minute, high: minutes * minute * 1.6 },
  ...more,
});
const day = (people: number, jobs: { id: string; promisedIn?: number; blocks: Block[] }[]): DayAsked => ({
  now: 1_000_000_000,
  people,
  jobs: jobs.map(({ id, promisedIn, blocks }) => ({
    id,
    promisedAt: promisedIn === undefined ? null : 1_000_000_000 + promisedIn * minute * 1000,
    blocks,
  })),
});
/** What is wrong with a plan, by the definition alone. */
function faults({ blocks, people }: DayPlan): string[] {
  const out: string[] = [];
  const ofJob = new Map<string, typeof blocks>();
  for (const b of blocks) ofJob.set(b.job, [...(ofJob.get(b.job) ?? []), b]);
  for (const [job, own] of ofJob)
    own.forEach((b, k) => {
      const before = own[k - 1];
      if (before && b.startS < before.endS - 1e-6) out.push(`${job} ${k} before ${k - 1}`);
      if (b.byS !== undefined && b.startS > b.byS + 1e-6) out.push(`${job} ${k} too late`);
    });
  for (const b of blocks) {
    const running = blocks.filter((o) => o.startS <= b.startS && o.endS > b.startS);
    if (running.filter((o) => o.by === 'hands').length > people) out.push(`too many hands at ${b.startS}`);
    const same = running.filter(
      (o) => o.station !== undefined && o.station === b.station && o.endS > o.startS,
    );
    if (b.station && b.endS > b.startS && same.length > 1) out.push(`${b.station} twice at ${b.startS}`);
    if (b.by === 'hands' && b.endS > b.startS && b.hands === undefined) out.push(`${b.id} is nobody's`);
  }
  return out;
}

describe('a device as blocks', () => {
  const whole = () => {
    const b = new Bench(index, plan).open();
    return { b, job: { id: 'j', state: b.state, route: plan, promisedAt: null, inHand: false } };
  };
  test('of all that its route takes: no minute of hands, and no wait, is lost', () => {
    const { job, b } = whole();
    const blocks = blocksOf(job, b.at);
    const handsS = plan.steps.reduce((s, x) => s + x.handsS.likely, 0);
    const waitS = plan.steps.reduce((s, x) => s + x.waitS, 0);
    const sum = (by: Block['by']) =>
      blocks.filter((x) => x.by === by).reduce((s, x) => s + x.takes.likely, 0);
    expect(sum('itself') + sum('hands') - blocks.at(-1)!.takes.likely).toBeCloseTo(handsS + waitS, 6);
    // what is over at once is waited for; a soak is left alone
    expect(sum('itself')).toBe(plan.steps.filter((x) => x.waitS >= 120).reduce((s, x) => s + x.waitS, 0));
    expect(blocks.length).toBeLessThan(16);
    expect(new Set(blocks.flatMap((x) => x.steps))).toEqual(new Set(plan.steps.map((x) => x.id)));
    // the soak is followed by opening, within its window
    const soak = blocks.findIndex((x) => x.by === 'itself' && x.action === 'heat');
    expect(blocks[soak]).toMatchObject({ station: 'hot-plate' });
    expect(blocks[soak + 1]!.maxDelayS).toBeGreaterThan(30);
  });
  test('on the plate what is left is the rest of the soak, which has begun', () => {
    const { b, job } = whole();
    for (let k = 0; k < 50 && !flag(b.state, 'heat'); k++) b.next();
    const begunAt = b.at;
    const [first, second] = blocksOf({ ...job, state: b.state }, begunAt + 30_000);
    expect(first).toMatchObject({ by: 'itself', action: 'heat', begun: true });
    const earlier = blocksOf({ ...job, state: b.state }, begunAt)[0]!;
    expect(earlier.takes.likely - first!.takes.likely).toBe(30);
    expect(second).toMatchObject({ by: 'hands' });
    expect(second).not.toHaveProperty('begun');
  });
  test('without a route its minutes are guessed, and said to be', () => {
    const { b } = whole();
    const blocks = blocksOf(
      { id: 'j', state: b.state, route: undefined, promisedAt: null, inHand: true },
      b.at,
    );
    expect(blocks[0]).toMatchObject({ guessed: true, action: 'plan' });
    expect(blocks).toHaveLength(2);
  });
});

describe('a day', () => {
  test('the one that is promised sooner comes first, and nobody is late', () => {
    const asked = day(1, [
      { id: 'later', promisedIn: 200, blocks: [block('later', 40)] },
      { id: 'soon', promisedIn: 45, blocks: [block('soon', 40)] },
    ]);
    const got = dayPlan(asked);
    expect(faults(got)).toEqual([]);
    expect(got).toMatchObject({ optimal: true, leastLateS: 0 });
    expect(got.blocks.find((b) => b.job === 'soon')!.startS).toBe(0);
    expect(got.jobs.map((j) => j.lateS)).toEqual([0, 0]);
    // the one that is tight is kept on fewer days than the one that is not
    const [later, soon] = got.jobs;
    expect(later!.chance!).toBeGreaterThan(95);
    expect(soon!.chance!).toBeLessThan(70);
    expect(soon!.chance!).toBeGreaterThan(10);
  });
  test('while one is on the plate another is worked at, and the plate is come back to in time', () => {
    const asked = day(1, [
      {
        id: 'cell',
        blocks: [
          block('cell', 1),
          block('cell', 5, { by: 'itself', station: 'plate', action: 'heat' }),
          block('cell', 8, { maxDelayS: 120 }),
        ],
      },
      {
        id: 'camera',
        blocks: [block('camera', 3), block('camera', 20, { by: 'itself' }), block('camera', 5)],
      },
    ]);
    const got = dayPlan(asked);
    expect(faults(got)).toEqual([]);
    const opening = got.blocks.find((b) => b.maxDelayS !== undefined)!;
    expect(opening.byS).toBeGreaterThanOrEqual(opening.startS);
    // hands alone take 17 minutes and five goings
    const hands = got.blocks.filter((b) => b.by === 'hands').reduce((s, b) => s + b.endS - b.startS, 0);
    expect(hands).toBe((1 + 8 + 3 + 5) * minute + 4 * switchS);
    expect(Math.max(...got.jobs.map((j) => j.endS))).toBeLessThan(hands + 20 * minute);
  });
  test('what has begun stays where it is; of more in hand than there are people the sooner promised does', () => {
    const asked = day(1, [
      { id: 'a', promisedIn: 300, blocks: [block('a', 30, { begun: true })] },
      { id: 'b', promisedIn: 100, blocks: [block('b', 30, { begun: true })] },
      {
        id: 'c',
        blocks: [
          block('c', 4, { by: 'itself', begun: true, station: 'plate' }),
          block('c', 5, { maxDelayS: 60 * 60 }),
        ],
      },
    ]);
    const got = dayPlan(asked);
    expect(faults(got)).toEqual([]);
    expect(got.blocks.find((b) => b.job === 'b')!.startS).toBe(0);
    expect(got.blocks.find((b) => b.job === 'a')!.startS).toBeGreaterThan(0);
    expect(got.blocks.find((b) => b.job === 'c')!.startS).toBe(0);
  });
  test('late is late by as little as can be, and says by how much no plan avoids', () => {
    const got = dayPlan(
      day(1, [
        { id: 'a', promisedIn: 10, blocks: [block('a', 30)] },
        { id: 'b', promisedIn: -60, blocks: [block('b', 10)] },
      ]),
    );
    expect(got.optimal).toBe(true);
    // b first: it is late by 71 min, a by 32; a first: a by 21, b by 102
    expect(got.leastLateS).toBe((71 + 32) * minute);
    expect(got.jobs.map((j) => j.lateS)).toEqual([32 * minute, 71 * minute]);
    expect(got.jobs[1]!.chance).toBe(0);
  });
  const cold = (id: string) => [block(id, 1, { by: 'itself', begun: true }), block(id, 5, { maxDelayS: 30 })];
  test('a device that goes cold does not wait for what is in hand: whoever is at that leaves it', () => {
    const got = dayPlan(
      day(1, [
        { id: 'a', blocks: [block('a', 30, { begun: true })] },
        { id: 'b', blocks: cold('b') },
      ]),
    );
    expect(faults(got)).toEqual([]);
    expect(got.blocks.find((x) => x.job === 'b' && x.by === 'hands')!.startS).toBeLessThanOrEqual(90);
    expect(got.blocks.find((x) => x.job === 'a')!.startS).toBeGreaterThan(0);
  });
  test('what cannot be kept together is named, and the rest is planned', () => {
    const got = dayPlan(
      day(1, [
        { id: 'a', blocks: cold('a') },
        { id: 'b', blocks: cold('b') },
        { id: 'c', promisedIn: 60, blocks: [block('c', 5)] },
      ]),
    );
    expect(got.clash!.toSorted()).toEqual(['a', 'b']);
    expect(faults(got)).toEqual([]);
    expect(got.blocks).toHaveLength(5);
    expect(got.jobs.find((j) => j.id === 'c')!.lateS).toBe(0);
  });
  test('a bad cell does not wait where promises leave the choice; they come before it', () => {
    const asked = day(1, [
      { id: 'long', promisedIn: 500, blocks: [block('long', 60)] },
      { id: 'quick', promisedIn: 500, blocks: [block('quick', 10)] },
      { id: 'tight', promisedIn: 31, blocks: [block('tight', 30)] },
    ]);
    const first = (urgent: boolean) =>
      dayPlan({ ...asked, jobs: asked.jobs.map((j) => ({ ...j, urgent: urgent && j.id === 'long' })) })
        .blocks.toSorted((a, b) => a.startS - b.startS)
        .map((b) => b.job);
    expect(first(false)).toEqual(['tight', 'quick', 'long']);
    expect(first(true)).toEqual(['tight', 'long', 'quick']);
  });
  test('an empty bench has an empty plan', () => {
    expect(dayPlan(day(2, []))).toMatchObject({ blocks: [], jobs: [], optimal: true });
  });
  test('whatever there is, a plan keeps hands, stations, orders and greatest delays, and is the same again', () => {
    const any = fc.record({
      people: fc.integer({ min: 1, max: 3 }),
      jobs: fc.array(
        fc.record({
          promisedIn: fc.option(fc.integer({ min: -30, max: 240 }), { nil: undefined }),
          blocks: fc.array(
            fc.record({
              minutes: fc.integer({ min: 1, max: 40 }),
              itself: fc.boolean(),
              station: fc.constantFrom(undefined, 'plate', 'press'),
            }),
            { minLength: 1, maxLength: 5 },
          ),
        }),
        { minLength: 1, maxLength: 6 },
      ),
    });
    fc.assert(
      fc.property(any, ({ people, jobs }) => {
        const asked = day(
          people,
          jobs.map(({ promisedIn, blocks }, k) => ({
            id: `j${k}`,
            ...(promisedIn === undefined ? {} : { promisedIn }),
            blocks: blocks.map((b, i) =>
              block(`j${k}`, b.minutes, {
                by: b.itself ? 'itself' : 'hands',
                ...(b.station ? { station: b.station } : {}),
                ...(!b.itself && blocks[i - 1]?.itself ? { maxDelayS: 180 } : {}),
              }),
            ),
          })),
        );
        const got = dayPlan(asked);
        expect(faults(got)).toEqual([]);
        expect(dayPlan(asked)).toEqual(got);
      }),
      { numRuns: 30, seed: 16 },
    );
  }, 60_000);
});

describe('who is away', () => {
  const work = (id: string, promisedIn?: number) => ({
    id,
    ...(promisedIn === undefined ? {} : { promisedIn }),
    blocks: [block(id, 20), block(id, 20)],
  });
  const away = (what: string, from: number, to: number) => ({ what, fromS: from * minute, toS: to * minute });
  test('has no hands then: nothing is begun that is not over before, and all goes on after', () => {
    const asked = { ...day(1, [work('a'), work('b')]), away: [away('hands', 30, 90)] };
    const made = dayPlan(asked);
    expect(faults(made)).toEqual([]);
    for (const b of made.blocks) expect(b.endS <= 30 * minute || b.startS >= 90 * minute, b.id).toBe(true);
    expect(made.jobs).toHaveLength(2);
    expect(dayPlan(asked)).toEqual(made);
  });
  test('one of two leaves the other; the hands that are there are named', () => {
    const asked = { ...day(2, [work('a'), work('b')]), away: [away('hands', 0, 300)] };
    const made = dayPlan(asked);
    expect(new Set(made.blocks.map((b) => b.hands))).toEqual(new Set([0]));
    expect(Math.max(...made.blocks.map((b) => b.endS))).toBeGreaterThan(75 * minute);
  });
  test('a station that is away is waited for; one that holds two takes both at once', () => {
    const soak = (id: string) => ({
      id,
      blocks: [block(id, 10, { by: 'itself', station: 'hot-plate', action: 'heat' })],
    });
    const later = dayPlan({ ...day(2, [soak('a')]), away: [away('hot-plate', 0, 45)] });
    expect(later.blocks[0]!.startS).toBeGreaterThanOrEqual(45 * minute);
    const starts = (holds?: Record<string, number>) =>
      dayPlan({ ...day(2, [soak('a'), soak('b')]), ...(holds ? { holds } : {}) }).blocks.map((b) => b.startS);
    expect(Math.max(...starts())).toBeGreaterThanOrEqual(10 * minute);
    expect(starts({ 'hot-plate': 2 })).toEqual([0, 0]);
  });
  test('a promise within the pause is not kept, and its chance says so', () => {
    const asked = (gone: boolean) => ({
      ...day(1, [work('a', 60)]),
      ...(gone ? { away: [away('hands', 10, 100)] } : {}),
    });
    expect(dayPlan(asked(false)).jobs[0]!.chance).toBeGreaterThan(70);
    expect(dayPlan(asked(true)).jobs[0]!).toMatchObject({ chance: 0 });
    expect(dayPlan(asked(true)).jobs[0]!.lateS).toBeGreaterThan(60 * minute);
  });
  test('while everybody is gone nothing is in hand', () => {
    const asked = day(1, [{ id: 'a', blocks: [block('a', 20, { begun: true }), block('a', 20)] }]);
    const made = dayPlan({ ...asked, away: [away('hands', 0, 600)] });
    expect(made.blocks[0]!.startS).toBeGreaterThanOrEqual(600 * minute);
  });
});
