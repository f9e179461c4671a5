import { describe, expect, test } from 'vitest';
import { flag } from '../log/state';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { type Block, blocksOf } from './blocks';

const index = indexed(mica9);
const plan = route(mica9);

describe('a device as blocks', () => {
  const whole = () => {
    const b = new Bench(index, plan).open();
    return { b, job: { id: 'j', state: b.state, route: plan, promisedAt: null, inHand: undefined } };
  };
  test('of all that its route takes: no minute of hands, and no wait, is lost', () => {
    const { job, b } = whole();
    const blocks = blocksOf(job, b.at);
    const handsS = plan.steps.reduce((s, x) => s + x.handsS.likely, 0);
    const waitS = plan.steps.reduce((s, x) => s + x.waitS + (x.restS ?? 0), 0);
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
