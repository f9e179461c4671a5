import { describe, expect, test } from 'vitest';
import { block, day, faults, minute } from '../testing/days';
import type { Block } from './blocks';
import { type DayPlan, dayPlan, shownOf } from './day-plan';

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
    expect(got.unpinned).toBe('cannot');
    expect(faults(got)).toEqual([]);
    expect(got.blocks.some((b) => b.pinned)).toBe(false);
  });
  test('is kept also where there is no time to look for a better day: round what runs and has to be come back to', () => {
    const warm = (id: string): Block[] => [
      block(id, 1, { steps: ['w1'] }),
      block(id, 5, { by: 'itself', station: 'hot-plate', steps: ['w2'] }),
      block(id, 7, { maxDelayS: 80, steps: ['w3'] }),
      block(id, 8, { steps: ['w4'] }),
      block(id, 4, { steps: ['w5'] }),
    ];
    const hot: Block[] = [
      block('hot', 0, { by: 'itself', station: 'hot-plate', begun: true, steps: ['w2'] }),
      ...warm('hot').slice(2),
    ];
    const inHand: Block[] = [block('hand', 5, { begun: true, who: 'p1' }), block('hand', 8)];
    const long: Block[] = [
      block('long', 12, { steps: ['l1'] }),
      block('long', 6, { by: 'itself' }),
      block('long', 12, { steps: ['l2'] }),
      block('long', 4, { steps: ['l3'] }),
    ];
    const jobs = [
      ...['a', 'b', 'c', 'd', 'e', 'f'].map((id) => ({ id, promisedIn: 65, blocks: warm(id) })),
      { id: 'hot', blocks: hot },
      { id: 'hand', blocks: inHand },
      { id: 'long', blocks: long },
    ];
    const overAtOnce = () => true;
    const today = dayPlan(day(2, jobs), overAtOnce);
    expect(faults(today)).toEqual([]);
    for (const { id, step } of [
      { id: 'long', step: 'l3' },
      { id: 'long', step: 'l2' },
      { id: 'c', step: 'w3' },
      { id: 'f', step: 'w1' },
    ]) {
      const own = today.blocks.filter((b) => b.job === id);
      const planned = own.find((b) =>
        b.id.endsWith(` ${jobs.find((j) => j.id === id)!.blocks.findIndex((b) => b.steps[0] === step)}`),
      )!;
      for (const later of [0, 5, 25, 40]) {
        const atS = Math.ceil(planned.startS / (5 * minute) + later) * 5 * minute;
        const got = dayPlan({ ...day(2, jobs), pins: [{ job: id, step, atS }] }, overAtOnce);
        expect(got.unpinned, `${id} ${step} ${later}`).toBeUndefined();
        expect(got.blocks.find((b) => b.id === planned.id)).toMatchObject({ startS: atS, pinned: true });
        expect(faults(got)).toEqual([]);
      }
    }
  });
  test('that was not found in the time that there was is said so, and not that it cannot be', () => {
    const own = (id: string) => [block(id, 10, { steps: ['s1'] }), block(id, 4, { steps: ['s2'] })];
    const asked = {
      ...day(1, [
        { id: 'a', blocks: own('a') },
        { id: 'b', blocks: own('b') },
      ]),
      // by every rule a comes first, and then b is too late
      pins: [
        { job: 'a', step: 's2', atS: 40 * minute },
        { job: 'b', step: 's2', atS: 12 * minute },
      ],
    };
    expect(dayPlan(asked, () => true).unpinned).toBe('not found');
    const found = dayPlan(asked);
    expect(found.unpinned).toBeUndefined();
    expect(faults(found)).toEqual([]);
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
