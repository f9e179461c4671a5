import { expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9 } from '../testing/demo-models';
import { faultOf } from './fault';

const index = indexed(mica9);
/** The chances of the causes of a dark screen, with a display job so many days ago. */
function chances(daysAgo: number | undefined): Record<string, number> {
  const b = new Bench(index, undefined).open({ tasks: [] });
  b.do({ type: 'symptomSet', symptom: 'no-picture', on: true });
  const earlier = daysAgo === undefined ? [] : [{ touched: ['display', 'K-panel', 'K-sensor'], daysAgo }];
  const fault = faultOf(index, b.state, 6000, undefined, earlier.length ? ['here before'] : [], earlier)!;
  return Object.fromEntries(fault.problem.causes.map((c) => [c.id, c.prior]));
}

test('a display job of the same day: the connector comes before a bad panel (common practice)', () => {
  const today = chances(0);
  expect(today['panel-contact']).toBeGreaterThan(today['panel-bad']!);
});
test('the longer ago, the less it weighs; and never less than without any earlier job', () => {
  const [today, week, season, never] = [0, 7, 120, undefined].map((d) => chances(d)['panel-contact']!);
  expect(today).toBeGreaterThan(week!);
  expect(week).toBeGreaterThan(season!);
  expect(season).toBeGreaterThan(never!);
});
