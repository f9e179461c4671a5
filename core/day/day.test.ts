import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { flag } from '../log/state';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { type Block, blocksOf } from './blocks';
import type { DayAsked } from './asked';
import { meanOfDrawn } from './chances';
import { type DayPlan, dayPlan, shownOf } from './day-plan';
import { switchS } from './day-problem';
import { assigned, type DayPerson, skills } from './people';

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
/** So many people who do everything. */
const all = (count: number): DayPerson[] =>
  Array.from({ length: count }, (_, k) => ({ id: `p${k}`, name: `P${k}`, skills }));
const day = (people: number, jobs: { id: string; promisedIn?: number; blocks: Block[] }[]): DayAsked => ({
  now: 1_000_000_000,
  people: all(people),
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
    if (running.filter((o) => o.by === 'hands').length > people.length)
      out.push(`too many hands at ${b.startS}`);
    const same = running.filter(
      (o) => o.station !== undefined && o.station === b.station && o.endS > o.startS,
    );
    if (b.station && b.endS > b.startS && same.length > 1) out.push(`${b.station} twice at ${b.startS}`);
    if (b.by === 'hands' && b.endS > b.startS) {
      const person = people.find((p) => p.id === b.person);
      if (!person) out.push(`${b.id} is nobody's`);
      else if (b.skill && !person.skills.includes(b.skill)) out.push(`${b.id} is not what ${person.id} does`);
      const own = running.filter((o) => o.by === 'hands' && o.person === b.person && o.endS > o.startS);
      if (own.length > 1) out.push(`${b.person} twice at ${b.startS}`);
    }
  }
  return out;
}

describe('a device as blocks', () => {
  const whole = () => {
    const b = new Bench(index, plan).open();
    return { b, job: { id: 'j', state: b.state, route: plan, promisedAt: null, inHand: undefined } };
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
      { id: 'j', state: b.state, route: undefined, promisedAt: null, inHand: 'p0' },
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
  test('of a full bench only those that run are named, and the clock is obeyed on the way', () => {
    const waiting = Array.from({ length: 20 }, (_, k) => ({
      id: `w${k}`,
      promisedIn: 60 + k,
      blocks: [
        block(`w${k}`, 5),
        block(`w${k}`, 10, { by: 'itself', station: 'hot plate' }),
        block(`w${k}`, 15, { maxDelayS: 60 }),
      ],
    }));
    const running = ['a', 'b', 'c'].map((id) => ({ id, blocks: cold(id) }));
    let looks = 0;
    const got = dayPlan(day(1, [...waiting, ...running]), () => looks++ > 300);
    expect(got.clash!.toSorted()).toEqual(['a', 'b', 'c']);
    expect(got.blocks).toHaveLength(20 * 3 + 3 * 2);
    expect(faults(got)).toEqual([]);
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
    const asked = { ...day(1, [work('a'), work('b')]), away: [away('p0', 30, 90)] };
    const made = dayPlan(asked);
    expect(faults(made)).toEqual([]);
    for (const b of made.blocks) expect(b.endS <= 30 * minute || b.startS >= 90 * minute, b.id).toBe(true);
    expect(made.jobs).toHaveLength(2);
    expect(dayPlan(asked)).toEqual(made);
  });
  test('one of two leaves the other; the hands that are there are named', () => {
    const asked = { ...day(2, [work('a'), work('b')]), away: [away('p1', 0, 300)] };
    const made = dayPlan(asked);
    expect(new Set(made.blocks.map((b) => b.person))).toEqual(new Set(['p0']));
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
      ...(gone ? { away: [away('p0', 10, 100)] } : {}),
    });
    expect(dayPlan(asked(false)).jobs[0]!.chance).toBeGreaterThan(70);
    expect(dayPlan(asked(true)).jobs[0]!).toMatchObject({ chance: 0 });
    expect(dayPlan(asked(true)).jobs[0]!.lateS).toBeGreaterThan(60 * minute);
  });
  test('while everybody is gone nothing is in hand', () => {
    const asked = day(1, [{ id: 'a', blocks: [block('a', 20, { begun: true }), block('a', 20)] }]);
    const made = dayPlan({ ...asked, away: [away('p0', 0, 600)] });
    expect(made.blocks[0]!.startS).toBeGreaterThanOrEqual(600 * minute);
  });
});

describe('drawn days', () => {
  test('are ready in the mean when the sum of the means says (the mean of a triangle is a third of its three points)', () => {
    const blocks = [block('a', 20), block('a', 30, { by: 'itself' }), block('a', 10)];
    const [job] = dayPlan(day(1, [{ id: 'a', blocks }])).jobs;
    const analyticS = blocks.reduce((s, b) => s + meanOfDrawn(b.takes), 0) + 2 * switchS;
    // two hundred days: the mean of them lies within two percent
    expect(Math.abs(job!.meanS / analyticS - 1)).toBeLessThan(0.02);
    expect(job!.meanS).toBeGreaterThan(job!.endS);
  });
  test('do not begin before the time that somebody wants', () => {
    const asked = day(1, [{ id: 'a', promisedIn: 70, blocks: [block('a', 20, { steps: ['s1'] })] }]);
    const chance = (more: object) => dayPlan({ ...asked, ...more }).jobs[0]!.chance;
    expect(chance({})).toBe(100);
    expect(chance({ pins: [{ job: 'a', step: 's1', atS: 60 * minute }] })).toBe(0);
  });
});
describe('who does what', () => {
  const apart = (one: DayPerson['skills'], other: DayPerson['skills']): DayPerson[] => [
    { id: 'p0', name: 'P0', skills: one },
    { id: 'p1', name: 'P1', skills: other },
  ];
  const chip = (id: string, minutes: number, more: Partial<Block> = {}) =>
    block(id, minutes, { skill: 'chip work', action: 'rework', ...more });
  test('chip work goes to who does it, and waits for them; all else to whoever is free', () => {
    const asked = {
      ...day(2, [
        { id: 'a', blocks: [chip('a', 30)] },
        { id: 'b', blocks: [chip('b', 30)] },
        { id: 'c', blocks: [block('c', 30)] },
      ]),
      people: apart([], ['chip work']),
    };
    const got = dayPlan(asked);
    expect(faults(got)).toEqual([]);
    const of = (job: string) => got.blocks.find((b) => b.job === job)!;
    expect([of('a').person, of('b').person, of('c').person]).toEqual(['p1', 'p1', 'p0']);
    expect(Math.max(of('a').startS, of('b').startS)).toBeGreaterThanOrEqual(30 * minute);
  });
  test('what nobody does is said, and planned as if somebody did', () => {
    const asked = { ...day(1, [{ id: 'a', blocks: [chip('a', 30)] }]), people: apart([], []).slice(0, 1) };
    expect(dayPlan(asked)).toMatchObject({ nobody: ['a'], blocks: [{ person: 'p0' }] });
    expect(dayPlan(day(1, [{ id: 'a', blocks: [chip('a', 30)] }])).nobody).toBeUndefined();
  });
  test('whoever is at a device stays at it, and is at no other', () => {
    const asked = day(2, [
      { id: 'a', blocks: [block('a', 30, { begun: true, who: 'p1' }), block('a', 10)] },
      { id: 'b', blocks: [block('b', 20)] },
    ]);
    const got = dayPlan(asked);
    expect(faults(got)).toEqual([]);
    expect(got.blocks.map((b) => b.person)).toEqual(['p1', 'p1', 'p0']);
  });
  test('hands that are counted and cannot be shared out are planned by person', () => {
    // any order of these three leaves one of them across two people, by counting alone
    const people = apart(['chip work'], []);
    expect(
      assigned(
        [
          { id: '1', job: 'x', startS: 0, endS: 6 },
          { id: '2', job: 'y', startS: 0, endS: 4, skill: 'chip work' },
          { id: '3', job: 'z', startS: 4, endS: 10 },
          { id: '4', job: 'w', startS: 6, endS: 9, skill: 'chip work' },
        ],
        people,
        [],
      ),
    ).toBeUndefined();
    expect(
      assigned([{ id: '1', job: 'x', startS: 0, endS: 6 }], people, [{ what: 'p1', fromS: 3, toS: 4 }]),
    ).toEqual(new Map([['1', 'p0']]));
  });
  test('whatever there is to do, by whoever is there: nobody does what they do not do, or two things, or anything while away', () => {
    const any = fc.record({
      able: fc.array(fc.boolean(), { minLength: 1, maxLength: 3 }),
      away: fc.array(
        fc.record({ k: fc.nat(2), from: fc.nat(90), minutes: fc.integer({ min: 5, max: 60 }) }),
        {
          maxLength: 2,
        },
      ),
      jobs: fc.array(
        fc.array(
          fc.record({ minutes: fc.integer({ min: 1, max: 30 }), chip: fc.boolean(), itself: fc.boolean() }),
          {
            minLength: 1,
            maxLength: 4,
          },
        ),
        { minLength: 1, maxLength: 5 },
      ),
    });
    fc.assert(
      fc.property(any, ({ able, away, jobs }) => {
        const people = able.map(
          (a, k): DayPerson => ({ id: `p${k}`, name: '', skills: a ? ['chip work'] : [] }),
        );
        // one away at a time
        const gone = away.slice(0, 1).map(({ k, from, minutes }) => ({
          what: `p${k % people.length}`,
          fromS: from * minute,
          toS: (from + minutes) * minute,
        }));
        const asked: DayAsked = {
          ...day(
            1,
            jobs.map((blocks, j) => ({
              id: `j${j}`,
              blocks: blocks.map((b) =>
                b.itself
                  ? block(`j${j}`, b.minutes, { by: 'itself' })
                  : b.chip && able.some(Boolean)
                    ? chip(`j${j}`, b.minutes)
                    : block(`j${j}`, b.minutes),
              ),
            })),
          ),
          ...{ people, away: gone },
        };
        const got = dayPlan(asked);
        expect(faults(got)).toEqual([]);
        for (const a of gone)
          for (const b of got.blocks)
            if (b.person === a.what && b.endS > b.startS)
              expect(b.endS <= a.fromS + 1e-6 || b.startS >= a.toS - 1e-6, b.id).toBe(true);
      }),
      { numRuns: 40, seed: 61 },
    );
  }, 60_000);
});

describe('what somebody wants just then', () => {
  const two = (more: object = {}) => ({
    ...day(1, [
      { id: 'a', blocks: [block('a', 20, { steps: ['s1', 's2'] })] },
      { id: 'b', blocks: [block('b', 20, { steps: ['t1'] })] },
    ]),
    ...more,
  });
  test('begins just then, and all else is planned round it', () => {
    const got = dayPlan(two({ pins: [{ job: 'a', step: 's2', atS: 45 * minute }] }));
    expect(faults(got)).toEqual([]);
    expect(got.blocks.find((b) => b.job === 'a')).toMatchObject({ startS: 45 * minute, pinned: true });
    expect(got.blocks.find((b) => b.job === 'b')!.startS).toBe(0);
    expect(got.unpinned).toBeUndefined();
  });
  test('that cannot be is said, and the day is planned without it', () => {
    const got = dayPlan(
      two({
        pins: [
          { job: 'a', step: 's1', atS: 30 * minute },
          { job: 'b', step: 't1', atS: 31 * minute },
        ],
      }),
    );
    expect(got.unpinned).toBe(true);
    expect(faults(got)).toEqual([]);
    expect(got.blocks.some((b) => b.pinned)).toBe(false);
  });
  test('of a step that is done or of no device is nothing', () => {
    const pins = [
      { job: 'a', step: 'done', atS: 999 },
      { job: 'gone', step: 's1', atS: 999 },
    ];
    expect(dayPlan(two({ pins })).blocks).toEqual(dayPlan(two()).blocks);
  });
});

describe('what was shown of the next quarter of an hour', () => {
  /** Two devices and one pair of hands: a first; then one comes that is promised so soon. */
  const shown = [{ job: 'a', step: 's1', atS: 60 }];
  const asked = (promisedIn: number | undefined) => ({
    ...day(1, [
      { id: 'a', promisedIn: 200, blocks: [block('a', 40, { steps: ['s1'] })] },
      {
        id: 'b',
        ...(promisedIn === undefined ? {} : { promisedIn }),
        blocks: [block('b', 10, { steps: ['t1'] })],
      },
    ]),
    shown,
  });
  const first = (plan: DayPlan) => plan.blocks.toSorted((x, y) => x.startS - y.startS)[0]!.job;
  test('stays where no promise is later for it', () => {
    // alone the shorter one would come first
    expect(first(dayPlan({ ...asked(180), shown: [] }))).toBe('b');
    const calm = dayPlan(asked(180));
    expect(first(calm)).toBe('a');
    expect(calm.moved).toBeUndefined();
    expect(faults(calm)).toEqual([]);
  });
  test('goes where a promise would be later for it, and why is said', () => {
    const moved = dayPlan(asked(15));
    expect(first(moved)).toBe('b');
    expect(moved.moved).toMatchObject({ jobs: ['a'], why: 'later' });
    expect((moved.moved as { byS: number }).byS).toBeGreaterThan(30 * minute);
  });
  test('that can no longer be is said to be so; where all is only later nothing is', () => {
    // the hands are there for the short one alone
    const away = [{ what: 'p0', fromS: 15 * minute, toS: 60 * minute }];
    expect(dayPlan({ ...asked(180), away }).moved).toEqual({ jobs: ['a'], why: 'cannot' });
    const late = dayPlan({
      ...asked(180),
      shown: [...shown, { job: 'b', step: 't1', atS: 50 * minute }],
      away: [{ what: 'p0', fromS: 0, toS: 30 * minute }],
    });
    expect(late.moved).toBeUndefined();
  });
  test('is what hands do next; what was shown and has not changed is planned alike', () => {
    const plan = dayPlan(asked(undefined));
    const again = shownOf(plan).map(({ at, ...pin }) => ({ ...pin, atS: (at - plan.now) / 1000 }));
    expect(again.length).toBeGreaterThan(0);
    expect(dayPlan({ ...asked(undefined), shown: again }).blocks).toEqual(plan.blocks);
  });
});

describe('a station that is cold', () => {
  const soaks = (begun: boolean) => ({
    ...day(1, [
      { id: 'a', blocks: [block('a', 5), block('a', 10, { by: 'itself', station: 'hot-plate' })] },
      ...(begun
        ? [{ id: 'b', blocks: [block('b', 3, { by: 'itself', station: 'hot-plate', begun: true })] }]
        : []),
    ]),
    warmS: { 'hot-plate': 20 * minute, press: 5 * minute },
  });
  test('is switched on so long before it is used, and nothing is done at it before', () => {
    const plan = dayPlan(soaks(false));
    expect(plan.blocks.find((b) => b.station)!.startS).toBe(20 * minute);
    expect(plan.warms).toEqual([{ station: 'hot-plate', startS: 0, endS: 20 * minute }]);
  });
  test('is warm where something runs at it', () => {
    const plan = dayPlan(soaks(true));
    expect(plan.blocks.find((b) => b.job === 'a' && b.station)!.startS).toBeLessThan(10 * minute);
    expect(plan.warms).toEqual([]);
  });
});
