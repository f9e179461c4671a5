import { describe, expect, test } from 'vitest';
import { isGate } from './events';
import { unaccounted } from '../rules/balance';
import { nextStep } from '../rules/step-of-event';
import { Bench } from '../testing/bench';
import { index, plan } from '../testing/courses';
import { indexed, route, sprigModel } from '../testing/demo-models';

describe('by identity, not by count', () => {
  test('one screw lost and one stray found do not cancel', () => {
    const bench = new Bench(index, plan).open();
    for (let k = 0; k < 12; k++) bench.next();
    bench.do({ type: 'lost', piece: 'B1#1' });
    bench.do({ type: 'strayFound', stray: 'stray 1', note: 'a screw' });
    bench.do({ type: 'strayRemoved', stray: 'stray 1', note: 'out' });
    bench.finish();
    const rules = bench.do({ type: 'deviceClosed' }).findings.map((f) => f.rule);
    expect(rules).toContain('piece adrift');
    expect(unaccounted(bench.state, index)).toContain('B1#1');
  });
  test('a screw that flies off while it comes out is not asked for again, and stays adrift', () => {
    const bench = new Bench(index, plan).open();
    const step = plan.steps.find((s) => s.action === 'unscrew')!;
    while (nextStep(plan, bench.state, index)!.step !== step) bench.next();
    const [flown, ...rest] = step.targets;
    bench.do({ type: 'lost', piece: `${flown}#1` });
    expect(nextStep(plan, bench.state, index)).toEqual({ step, left: rest });
    for (const _ of rest) bench.next();
    expect(nextStep(plan, bench.state, index)!.step).not.toBe(step);
    expect(bench.state.place[`${flown}#1`]).toBe('adrift');
  });
  test('the right number of screws with one in another’s hole does not balance', () => {
    const bench = new Bench(index, plan).open();
    for (const f of ['B1', 'C1']) bench.do({ type: 'screwOut', fastener: f, piece: `${f}#1` });
    bench.do({ type: 'screwIn', fastener: 'B1', piece: 'C1#1' });
    bench.do({ type: 'screwIn', fastener: 'C1', piece: 'B1#1' });
    expect(unaccounted(bench.state, index)).toEqual(['B1#1', 'C1#1']);
    expect(Object.values(bench.state.question).map((q) => q?.rule)).toContain('screw of another hole');
  });
});

test('the list of what can be refused and of what cannot be taken back name real events', () => {
  const log = new Bench(indexed(sprigModel), route(sprigModel)).open().finish().log;
  expect(log.filter((e) => isGate(e.body)).every((e) => e.decidedAt !== undefined)).toBe(true);
  expect(log.filter((e) => !isGate(e.body)).every((e) => e.decidedAt === undefined)).toBe(true);
});
