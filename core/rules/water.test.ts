import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { dune2, dune3, indexed, mica9, replace, route } from '../testing/demo-models';
import { instruct } from '../progress/instruct';
import type { BodyOf } from '../log/events';
import { leakNow, unprovedBy, waterOf } from './water';

const now = (b: Bench) => instruct(b.context, b.state, { at: b.at, clockKnown: true });
const curveOf = {
  ...{ id: '00000000-0000-4000-8000-000000000009', setPa: 20_000, holdS: 20 },
  ...{ ratePaS: 0.1, errorPaS: 0.1, sccm: 0.01, limitPaS: 2 },
};
/** A bench whose leak tester has come to the end of its hold. */
function atTheReading(): Bench {
  const b = new Bench(indexed(mica9), route(mica9)).open();
  for (let k = 0; k < 500; k++) {
    const i = now(b);
    if (i.kind === 'waiting' && i.step.action === 'leak test') {
      b.at = i.until;
      return b;
    }
    b.next();
  }
  throw new Error('no leak test');
}

describe('a leak test', () => {
  test('that fails is in the log with its reading, and nothing is claimed about water', () => {
    const b = atTheReading();
    b.do({ type: 'leakTested', holds: false, lost: { value: 1.8, unit: 'kPa' } });
    expect(b.state.flag.leak).toMatchObject({ holds: false, lost: { value: 1.8, unit: 'kPa' } });
    expect(waterOf(b.index, b.state)).toBe('leaks');
    b.finish();
    const end = b.do({ type: 'jobClosed', ending: 'handed over', note: '' });
    expect(end.refused).toMatchObject({ code: 'interlock', findings: [{ rule: 'leak not told' }] });
    expect(
      b.do(
        { type: 'jobClosed', ending: 'handed over', note: '' },
        { override: { rules: ['leak not told'], reason: 'the owner knows, does without' } },
      ).refused,
    ).toBeUndefined();
    expect(waterOf(b.index, b.state)).toBe('leaks');
  });
  test('that holds is proof only with a figure, by a tester that had found its reference leak, and not by a stand-in', () => {
    const said = (more: Partial<BodyOf<'leakTested'>>) => {
      const b = atTheReading();
      b.do({ type: 'leakTested', holds: true, ...more });
      return [waterOf(b.index, b.state), unprovedBy(leakNow(b.state)!)];
    };
    const lost = { value: 0.1, unit: 'kPa' as const };
    const b = atTheReading();
    expect(waterOf(b.index, b.state)).toBe('sealed, not leak tested');
    // the pedal says no more than that it holds
    b.next();
    expect(b.log.at(-1)!.body).toEqual({ type: 'leakTested', holds: true });
    expect(waterOf(b.index, b.state)).toBe('sealed, test held');
    expect(said({ proved: true })).toEqual(['sealed, test held', 'no figure']);
    expect(said({ lost })).toEqual(['sealed, test held', 'own test overdue']);
    expect(said({ lost, proved: false })).toEqual(['sealed, test held', 'own test overdue']);
    expect(said({ lost, proved: true, simulated: true })).toEqual(['sealed, test held', 'simulated']);
    expect(said({ lost, proved: true })).toEqual(['sealed, leak tested', undefined]);
    expect(said({ measured: curveOf, proved: true })).toEqual(['sealed, leak tested', undefined]);
  });
  test('that held without a figure is news again once it has one', () => {
    const b = atTheReading();
    b.next();
    const lost = { value: 0.1, unit: 'kPa' as const };
    expect(b.do({ type: 'leakTested', holds: true }).events).toEqual([]);
    expect(b.do({ type: 'leakTested', holds: true, lost, proved: true }).events).toHaveLength(1);
    expect(waterOf(b.index, b.state)).toBe('sealed, leak tested');
    expect(b.do({ type: 'leakTested', holds: true, lost, proved: true }).events).toEqual([]);
  });
  test('that fails is the next instruction until it holds, is planned for, or the device is opened', () => {
    const failed = () => {
      const b = atTheReading();
      b.do({ type: 'leakTested', holds: false, lost: { value: 1.8, unit: 'kPa' } });
      return b;
    };
    const b = failed();
    expect(now(b)).toMatchObject({ kind: 'leaks', leak: { holds: false, lost: { value: 1.8 } } });
    const shown = now(b);
    if (shown.kind !== 'leaks') throw new Error('no leak');
    expect(shown.then.kind).not.toBe('leaks');
    b.do({ type: 'leakTested', holds: true });
    expect(now(b).kind).not.toBe('leaks');
    const again = failed();
    again.adopt(route(mica9, { ...again.route!.input, standing: again.standing() }));
    expect(now(again).kind).not.toBe('leaks');
    const open = failed();
    open.do({ type: 'pieceMoved', slot: 'display', pose: 'folded' });
    expect(now(open).kind).not.toBe('leaks');
  });
  test('says nothing any more once the device has been opened and closed again', () => {
    const b = atTheReading();
    b.do({ type: 'leakTested', holds: true });
    b.do({ type: 'pieceMoved', slot: 'display', pose: 'folded' });
    expect(waterOf(b.index, b.state)).toBe('open');
    b.do({ type: 'deviceClosed' }, { override: { rules: [], reason: '' } });
    expect(waterOf(b.index, b.state)).not.toBe('sealed, leak tested');
  });
});

test('a back that was glued anew is not "closed without a new seal": the display’s was never touched', () => {
  const b = new Bench(indexed(dune2), route(dune2, replace('back-glass')))
    .open(replace('back-glass'))
    .finish();
  expect(b.state.bond.seal).toBeUndefined();
  expect(waterOf(b.index, b.state)).toBe('sealed, not leak tested');
});

test('a second seal is opened, cleaned, laid and pressed like the first, and leak tested', () => {
  // a new display has been off its plugs: both seals are pressed on the bare frame, then the closed device
  const r = route(dune3, replace('back', 'display'));
  const of = (action: string) => r.steps.filter((s) => s.action === action);
  expect(of('gap').map((s) => s.targets[0])).toContain('back-seal');
  const cut = of('release').find((s) => s.targets[0] === 'back-seal')!;
  expect(cut.cautions).toEqual(expect.arrayContaining(['depth', 'no-go-edges']));
  expect(of('clean rim').map((s) => s.targets[0])).toContain('back-seal');
  expect(of('press').map((s) => s.targets[0])).toEqual(
    expect.arrayContaining(['frame:start', 'back-seal:start', 'closed:start']),
  );
  expect(of('leak test')).toHaveLength(1);
  // with the display open on its flexes they are laid by hand
  const open = route(dune3, replace('back')).steps.filter((s) => s.action === 'press');
  expect(open.map((s) => s.targets[0])).toEqual(['closed:start']);
  const poked = route(dune3, { ...replace('back'), conditions: ['swollen'] });
  expect(poked.steps.find((s) => s.targets[0] === 'back-seal' && s.action === 'release')!.cautions).toContain(
    'swollen-poke',
  );
});
test('laid on a rim that was not cleaned, a second seal is a breach like the first', () => {
  const b = new Bench(indexed(dune3), undefined).open(replace('back'));
  b.do({ type: 'bondReleased', bond: 'back-seal', torn: false });
  expect(b.do({ type: 'bondRenewed', bond: 'back-seal' }).events[0]!.breach).toEqual([
    { rule: 'rim not clean', ids: ['back-seal'] },
  ]);
});
