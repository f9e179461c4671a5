import { describe, expect, test } from 'vitest';
import type { Body } from '../log/events';
import { isOn } from '../log/view';
import { Bench } from '../testing/bench';
import { atlas, dune3, indexed, route } from '../testing/demo-models';
import { instruct } from '../progress/instruct';
import { doneNow, nextStepOf } from './next';
import { plugsAfterTrial, plugsToTry } from '../progress/rework-trial';
import { reworkPlan, type ReworkStepId } from './work-plan';
import { padsOf } from './pads';

const slot = 'id-chip';
const chip = dune3.chips!.find((c) => c.slot === slot)!;
const plan = reworkPlan({
  ...{ kind: 'identity chip', school: '280', underfill: true, stencil: true, practice: false },
});
const tasks = [{ slot, action: 'rework' as const }];

/** A job at the chip of a Dune 3, worked along its route until the rework bench is asked for. */
function atTheBench(): Bench {
  const bench = new Bench(indexed(dune3), route(dune3, { tasks })).open({ tasks });
  for (let press = 0; press < 200; press++) {
    const now = instruct(bench.context, bench.state, { at: bench.at, clockKnown: true });
    if (now.kind === 'do' && now.step.action === 'rework') return bench;
    bench.next();
  }
  throw new Error('the route never comes to the rework bench');
}
const begin = (bench: Bench): Bench => {
  bench.do({
    ...{ type: 'reworkBegun', slot, kind: 'identity chip', school: '280', practice: false, stencil: 's' },
    chip: chip.id,
  });
  return bench;
};
const stepped = (step: ReworkStepId): Body => ({ type: 'reworkStepped', slot, step });
const nextOf = ({ state, index }: Bench): ReworkStepId | undefined =>
  nextStepOf(
    plan,
    doneNow(state.rework[slot]!.done, {
      live: isOn(state, index.cellConnector!),
      dataSettled: state.data[slot] !== undefined,
    }),
  )?.id;
const good = (
  side: 'after' | 'balls',
  but: Record<string, 'oxidised' | 'bridged' | 'lifted'> = {},
): Body => ({
  ...{ type: 'padsSeen', slot, side },
  pads: { ...Object.fromEntries(padsOf(chip.pattern).map((pad) => [pad, 'good'])), ...but },
});
/** Does what is next, until a step is next. */
function until(bench: Bench, step: ReworkStepId): Bench {
  for (let k = 0; nextOf(bench) !== step; k++) {
    const next = nextOf(bench)!;
    if (k > 60 || next === undefined) throw new Error(`${step} never comes, ${next} does`);
    if (next === 'look at pads') bench.do(good('after'));
    if (next === 'look at balls') bench.do(good('balls'));
    if (next === 'save data') bench.do({ type: 'dataRead', slot });
    else if (next === 'cell off' || next === 'off again') {
      for (const connector of plugsAfterTrial(bench.index, bench.state))
        bench.do({ type: 'connectorOff', connector });
      bench.do(stepped(next));
    } else if (next === 'plug in') {
      for (const connector of plugsToTry(bench.index, bench.state, slot))
        bench.do({ type: 'connectorOn', connector, trial: slot });
      bench.do(stepped(next));
    } else if (next === 'try it') bench.do({ type: 'reworkTried', slot, outcome: 'works' });
    else bench.do(stepped(next));
  }
  return bench;
}

describe('the route and the rework bench are one plan', () => {
  test('no step of the route lifts, reads, frees or puts back what the bench does; the battery is out of the device', () => {
    const { steps } = route(dune3, { tasks });
    const at = steps.findIndex((s) => s.action === 'rework');
    expect(steps.filter((s) => s.targets.includes(slot)).map((s) => s.action)).toEqual(['rework']);
    expect(steps.some((s) => s.targets.includes('chip-glue'))).toBe(false);
    const out = steps.findIndex((s) => s.action === 'move' && s.targets.includes('cell') && s.pose === 'out');
    expect(out).toBeGreaterThanOrEqual(0);
    expect(out).toBeLessThan(at);
  });
  test('what the route has done the bench does not ask for again', () => {
    const bench = begin(atTheBench());
    expect(bench.state.rework[slot]!.done).toEqual([]);
    // the battery is off, its data are not read yet
    expect(nextOf(bench)).toBe('save data');
    bench.do({ type: 'dataRead', slot });
    expect(nextOf(bench)).toBe('insulate');
  });
  test('a chip that is replaced: underfill when the device has been tried and is off again, its bracket after that', () => {
    const { steps } = route(dune3, { tasks: [{ slot, action: 'replace' }] });
    const at = (action: string, target: string) =>
      steps.findIndex((s) => s.action === action && s.targets.includes(target));
    expect(at('fit', slot)).toBeLessThan(at('check', 'mid'));
    expect(at('renew', 'chip-glue')).toBeGreaterThan(at('check', 'mid'));
    expect(at('fit', 'chip-bracket')).toBeGreaterThan(at('renew', 'chip-glue'));
    const off = steps.findLastIndex((s, k) => s.action === 'disconnect' && k < at('renew', 'chip-glue'));
    expect(steps[off]!.targets).toContain('K-cell');
  });
  test('what the part costs times its chance of being lost is among the risks of the price', () => {
    const model = { ...atlas };
    const price = model.slots.find((s) => s.id === 'face-module')!.price;
    const r = route(model, { tasks: [{ slot: 'face-module', action: 'rework' }] });
    expect(r.risks).toContainEqual({ what: 'part lost at the rework', chance: 0.2, cost: price });
  });
});
describe('pads and balls that will not do lead back', () => {
  test('an oxidised pad: tin, wick and clean again, and look at it once more', () => {
    const bench = until(begin(atTheBench()), 'look at pads');
    bench.do(good('after', { A1: 'oxidised' }));
    bench.do(stepped('look at pads'));
    expect(nextOf(bench)).toBe('tin');
    expect(bench.state.pads[`${slot} after`]!.A1).toBeUndefined();
    expect(bench.state.pads[`${slot} after`]!.A2).toBe('good');
    expect(nextOf(until(bench, 'stencil'))).toBe('stencil');
  });
  test('a bridged ball: the balls are settled again before flux and chip', () => {
    const bench = until(begin(atTheBench()), 'look at balls');
    bench.do(good('balls', { A1: 'bridged' }));
    expect(bench.do(stepped('flux')).findings.map((f) => f.rule)).toContain('ball bridged or loose');
    bench.do(stepped('look at balls'));
    expect(nextOf(bench)).toBe('settle balls');
  });
});
describe('a trial', () => {
  test('one that fails is counted, and leads to unplugging and warming again, not to the closing check', () => {
    const bench = until(begin(atTheBench()), 'try it');
    expect(isOn(bench.state, 'K-cell')).toBe(true);
    bench.do({ type: 'reworkTried', slot, outcome: 'notice stays' });
    expect(bench.state.rework[slot]!.tries).toEqual(['notice stays']);
    expect(nextOf(bench)).toBe('cell off');
    for (const connector of plugsAfterTrial(bench.index, bench.state))
      bench.do({ type: 'connectorOff', connector });
    expect(nextOf(bench)).toBe('flux');
    until(bench, 'try it').do({ type: 'reworkTried', slot, outcome: 'works' });
    expect(bench.state.rework[slot]!.tries).toEqual(['notice stays', 'works']);
    expect(nextOf(bench)).toBe('off again');
    expect(nextOf(until(bench, 'underfill back'))).toBe('underfill back');
    // plugging in and off to try it was no step of the route
    expect(bench.log.filter((e) => e.body.type === 'connectorOn' && e.step !== undefined)).toEqual([]);
    expect(isOn(bench.state, 'K-cell')).toBe(false);
  });
  test('what is not plugged in is not tried', () => {
    const bench = until(begin(atTheBench()), 'plug in');
    expect(bench.do({ type: 'reworkTried', slot, outcome: 'works' }).already).toBe(true);
  });
});
describe('work that did not succeed', () => {
  const ended = (outcome: 'part lost' | 'given up' | 'notice stays') => {
    const bench = begin(atTheBench());
    bench.do({ type: 'reworkEnded', slot, outcome });
    return bench;
  };
  test.each(['part lost', 'given up', 'notice stays'] as const)(
    '%s: the route waits for the customer, and one press records nothing',
    (outcome) => {
      const bench = ended(outcome);
      const now = instruct(bench.context, bench.state, { at: bench.at, clockKnown: true });
      expect(now).toMatchObject({ kind: 'rework failed', slot, outcome });
      expect(bench.next()).toBeUndefined();
    },
  );
  test('with the notice, if the customer takes it so; nothing else lets the step be done', () => {
    const bench = ended('notice stays');
    const acted: Body = { type: 'acted', act: 'rework', target: slot };
    bench.do({ type: 'consentGiven', effect: `notice ${slot}`, by: 'owner' });
    expect(bench.do(acted).findings).toEqual([]);
    expect(
      ended('part lost')
        .do(acted)
        .findings.map((f) => f.rule),
    ).toContain('rework failed');
  });
});
