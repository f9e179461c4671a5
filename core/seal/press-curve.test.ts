import { describe, expect, test } from 'vitest';
import { pressedBy } from './press-curve';

/** Readings each tenth of a second, by a force over time. */
const curve = (seconds: number, force: (t: number) => number) =>
  Array.from({ length: seconds * 10 + 1 }, (_, n) => ({ tS: n / 10, forceN: force(n / 10) }));
const rises = (t: number) => Math.min(1, t / 3);

describe('what a press did by its gauge', () => {
  test('held: within a tenth of what was set, for as long as was wished', () => {
    const pressed = pressedBy(
      curve(34, (t) => 735 * rises(t) + Math.sin(t * 7) * 10),
      735,
      30,
    );
    expect(pressed.verdict).toBe('held');
    expect(pressed.heldS).toBeGreaterThan(30);
    expect(pressed.heldS).toBeLessThan(32);
    expect(pressed.meanN).toBeCloseTo(735, -1);
  });
  test('too short, too weak, too strong', () => {
    expect(
      pressedBy(
        curve(20, (t) => 735 * rises(t)),
        735,
        30,
      ),
    ).toMatchObject({ verdict: 'too short' });
    expect(
      pressedBy(
        curve(40, () => 500),
        735,
        30,
      ),
    ).toMatchObject({ verdict: 'too weak', heldS: 0, meanN: 0 });
    expect(
      pressedBy(
        curve(40, () => 900),
        735,
        30,
      ),
    ).toMatchObject({ verdict: 'too strong', peakN: 900 });
    expect(pressedBy([], 735, 30)).toEqual({ peakN: 0, meanN: 0, heldS: 0, verdict: 'too weak' });
  });
  test('one that slips, and one whose readings have a gap, did not hold in one go', () => {
    const slips = curve(40, (t) => (t > 18 && t < 19 ? 300 : 735));
    expect(pressedBy(slips, 735, 30)).toMatchObject({ verdict: 'too short', heldS: 21 });
    const gap = curve(40, () => 735).filter(({ tS }) => tS < 15 || tS > 17);
    expect(pressedBy(gap, 735, 30).verdict).toBe('too short');
  });
});
