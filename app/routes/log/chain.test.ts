import { expect, test } from 'vitest';
import { Bench } from '../../../core/testing/bench';
import { indexed, sprigModel, route } from '../../../core/testing/demo-models';
import { chainTo } from './chain';

test('a chain takes back the latest first and stops before the entry that is to stand; every link can be taken in that order', () => {
  const b = new Bench(indexed(sprigModel), route(sprigModel)).open();
  for (let k = 0; k < 6; k++) b.next();
  const [keep, ...later] = b.log.slice(-5);
  const chain = chainTo(b.state, keep!.id);
  expect(chain).toEqual(later.map((e) => e.id).toReversed());
  for (const event of chain) expect(b.do({ type: 'retracted', event }).refused).toBeUndefined();
  expect(b.state.trail.at(-1)!.event).toBe(keep!.id);
  expect(chainTo(b.state, keep!.id)).toEqual([]);
  // an entry that has been taken back is no point to go back to
  expect(chainTo(b.state, later[0]!.id)).toEqual([]);
});
