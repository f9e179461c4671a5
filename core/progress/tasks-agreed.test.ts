import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, replace, route } from '../testing/demo-models';
import { instruct } from './instruct';

const index = indexed(mica9);
const now = (b: Bench) => instruct(b.context, b.state, { at: b.at, clockKnown: true });
const reach = () => {
  const tasks = [{ slot: 'camera', action: 'replace' as const }];
  return { tasks, b: new Bench(index, route(mica9, { tasks })).open({ tasks }) };
};

describe('a task that is agreed after the route was taken', () => {
  test('is not in it: nothing of it is done before the rest is planned again, and then the new part goes in', () => {
    const { tasks, b } = reach();
    for (let k = 0; k < 400 && b.next() && b.state.place['cell#1'] === 'slot/cell'; k++);
    b.do({ type: 'taskSet', slot: 'cell', action: 'replace' });
    expect(now(b)).toEqual({ kind: 'plan again', ids: [], tasks: [{ slot: 'cell', action: 'replace' }] });
    const both = { tasks: [...tasks, ...replace('cell').tasks] };
    b.adopt(route(mica9, { ...both, standing: b.standing() }));
    expect(now(b).kind).not.toBe('plan again');
    b.finish();
    expect(b.state.place['cell#2']).toBe('slot/cell');
  });
  test('counts after the last step, too: it is not finished', () => {
    const { b } = reach();
    b.finish();
    expect(now(b).kind).toBe('finished');
    b.do({ type: 'taskSet', slot: 'cell', action: 'replace' });
    expect(now(b)).toMatchObject({ kind: 'plan again', tasks: [{ slot: 'cell' }] });
  });
  test('what has been plugged anew is no task any more', () => {
    const tasks = [{ slot: 'camera', action: 'reseat' as const }];
    const b = new Bench(index, route(mica9, { tasks })).open({ tasks });
    b.finish();
    expect(now(b).kind).toBe('finished');
  });
});
