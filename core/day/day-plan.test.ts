import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { block, day, faults, minute } from '../testing/days';
import { meanOfDrawn } from './chances';
import { dayPlan } from './day-plan';
import { switchS } from './day-problem';

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
test('of what is in hand only the block stays first: then what is urgent, and what is short before what is long', () => {
  const asked = day(1, [
    { id: 'hand', blocks: [block('hand', 5, { begun: true, who: 'p0' }), block('hand', 20)] },
    { id: 'long', blocks: [block('long', 40)] },
    { id: 'urgent', blocks: [block('urgent', 30)] },
    { id: 'short', blocks: [block('short', 9)] },
  ]);
  asked.jobs[2] = { ...asked.jobs[2]!, urgent: true };
  // with no time to look for better the rules alone say so
  for (const stop of [() => true, () => false]) {
    const got = dayPlan(asked, stop);
    expect(faults(got)).toEqual([]);
    const order = got.blocks.toSorted((a, b) => a.startS - b.startS).map((b) => b.job);
    expect(order).toEqual(['hand', 'urgent', 'short', 'hand', 'long']);
  }
});
