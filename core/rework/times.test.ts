import { describe, expect, test } from 'vitest';
import { reworkSeconds } from './times';
import { reworkKinds } from './work-plan';

const chip = { underfill: false, pattern: ['1111', '1001', '1111'] };
const by = { school: '300', stencil: true } as const;

describe('how long work under the microscope takes', () => {
  test('low, likely and high stand in their order for each kind; a chip takes from a quarter of an hour to an hour and a half', () => {
    for (const kind of reworkKinds) {
      const { low, likely, high } = reworkSeconds(kind, chip, by);
      expect(low).toBeGreaterThan(60);
      expect(likely).toBeGreaterThan(low);
      expect(high).toBeGreaterThan(likely);
    }
    // common practice: half an hour is a good one
    const moved = reworkSeconds('identity chip', chip, by);
    expect(moved.likely / 60).toBeGreaterThan(15);
    expect(moved.likely / 60).toBeLessThan(40);
    expect(moved.high / 60).toBeLessThan(90);
  });
  test('underfill takes longer; balls set one by one take longer the more there are', () => {
    const of = (more: object, how = by as { school: '300'; stencil: boolean }) =>
      reworkSeconds('identity chip', { ...chip, ...more }, how).likely;
    // away before, and new underfill afterwards
    expect(of({ underfill: true }) - of({})).toBe(240 + 60);
    const loose = { ...by, stencil: false };
    // ten balls and a hundred, three seconds each
    expect(of({ pattern: ['1'.repeat(100)] }, loose) - of({}, loose)).toBe(270);
    expect(of({ pattern: ['1'.repeat(100)] })).toBe(of({}));
  });
});
