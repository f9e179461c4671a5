import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { dune2, indexed, mica9, replace, route } from '../testing/demo-models';
import { sealClaim } from './seal-claim';

const claimOf = (b: Bench) => sealClaim(b.index, b.state, b.log);

describe('what a claim rests on', () => {
  test('a cell job: the display’s seal laid anew and by whom, pressed as often as it was, tested by whom', () => {
    const b = new Bench(indexed(mica9), route(mica9)).open();
    expect(claimOf(b)).toBeUndefined();
    b.finish();
    const claim = claimOf(b)!;
    expect(claim.laid).toEqual([{ bond: 'seal', by: 'p1' }]);
    const presses = b.log.filter(
      ({ body }) => body.type === 'acted' && body.act === 'press' && body.target.endsWith(':start'),
    );
    expect(claim.pressed.times).toBe(presses.length);
    expect(claim.tested).toEqual({ by: 'p1', holds: true });
  });
  test('a reading of a tester gives under-pressure and hold, also where it failed', () => {
    const b = new Bench(indexed(mica9), route(mica9)).open().finish();
    const measured = {
      ...{ id: '00000000-0000-4000-8000-000000000009', setPa: 20_000, holdS: 20 },
      ...{ ratePaS: 0.1, errorPaS: 0.1, sccm: 0.01, limitPaS: 2 },
    };
    b.do({ type: 'leakTested', holds: false, measured });
    expect(claimOf(b)!.tested).toMatchObject({ holds: false, setPa: 20_000, holdS: 20 });
  });
  test('a back job says nothing about the display’s seal, which was never loosed', () => {
    const b = new Bench(indexed(dune2), route(dune2, replace('back-glass')))
      .open(replace('back-glass'))
      .finish();
    const claim = claimOf(b)!;
    expect(claim.laid.map((l) => l.bond)).toContain('back-glue');
    expect(claim.untouched).toContain('seal');
    expect(claim.laid.map((l) => l.bond)).not.toContain('seal');
  });
  test('a device that stands open claims nothing', () => {
    const b = new Bench(indexed(mica9), route(mica9)).open().finish();
    b.do({ type: 'pieceMoved', slot: 'display', pose: 'folded' });
    expect(claimOf(b)).toBeUndefined();
  });
});
