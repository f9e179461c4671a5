import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { block, day, faults, minute } from '../testing/days';
import type { Block } from './blocks';
import type { DayAsked } from './asked';
import { dayPlan } from './day-plan';
import { assigned, type DayPerson } from './people';

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
