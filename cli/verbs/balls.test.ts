import { describe, expect, test } from 'vitest';
import { run } from '../testing/run';

describe('balls and stencil', () => {
  test('say the ball of an aperture, and the stencils of a chip', () => {
    const aperture = { aperture: { shape: 'circle', sizeMm: 0.3 }, thicknessMm: 0.1, metalFraction: 0.5 };
    expect(JSON.parse(run(['balls'], JSON.stringify(aperture)).out).ballMm).toBeCloseTo(0.189, 3);
    const chip = { pitchMm: 0.35, pattern: ['11', '01'] };
    const asked = { chip, stencils: [{ id: 's', pitchMm: 0.35, pattern: ['111', '011'] }] };
    expect(JSON.parse(run(['stencil'], JSON.stringify(asked)).out)).toEqual({
      fits: [{ id: 's', rotation: 0, offset: [0, 0], exact: false }],
    });
  });
  test('name ragged rows, another character, a pitch of 0 and an aperture wider than the pitch', () => {
    const wrong = {
      chip: { pitchMm: 0.35, pattern: ['11', '0'] },
      stencils: [{ id: 's', pitchMm: 0.35, pattern: ['1'], apertureMm: 0.4 }],
    };
    expect(run(['stencil'], JSON.stringify(wrong)).err.trim().split('\n')).toEqual([
      'chip.pattern[1]: expected 2 characters, got 1',
      'stencils[0].apertureMm: expected less than the pitch 0.35, got 0.4',
    ]);
    const worse = { chip: { pitchMm: 0, pattern: ['1x'] }, stencils: [] };
    expect(run(['stencil'], JSON.stringify(worse)).err).toContain(
      'chip.pitchMm: expected a number > 0, got 0',
    );
    expect(run(['stencil'], JSON.stringify(worse)).err).toContain(
      'chip.pattern[0]: expected a row of 0 and 1',
    );
    expect(
      run(['balls'], '{"aperture":{"shape":"oval","sizeMm":1},"thicknessMm":1,"metalFraction":2}').code,
    ).toBe(2);
  });
});
