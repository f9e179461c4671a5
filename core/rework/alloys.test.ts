import { describe, expect, test } from 'vitest';
import { alloyOf, leadBismuthMeltsC, liquidAtEutectic, melted, tinningFor } from './alloys';

describe('what a joint melts at', () => {
  test('the eutectic of tin and bismuth, 42/58, melts at 138 to 139 C as a whole (published)', () => {
    const { bismuth, solidusC, liquidusC } = melted([{ alloy: 'low-melt', mm3: 1 }]);
    expect(bismuth).toBeCloseTo(0.58, 6);
    for (const c of [solidusC, liquidusC]) {
      expect(c).toBeGreaterThanOrEqual(138);
      expect(c).toBeLessThanOrEqual(139);
    }
  });
  test('factory solder alone melts at 217 to 220 C, tin-lead at 183 C (published)', () => {
    expect(melted([{ alloy: 'lead-free', mm3: 2 }])).toMatchObject({ solidusC: 217, liquidusC: 220 });
    expect(melted([{ alloy: 'tin-lead', mm3: 2 }])).toMatchObject({ solidusC: 183, liquidusC: 183 });
  });
  test('equal volumes of both, by hand: shares go by mass, the liquidus falls to 182 C', () => {
    // 8.56 x 0.58 / (8.56 + 7.38) = 0.3115 bismuth; 220 - 82 x 0.3115 / 0.58 = 175.96
    const { bismuth, liquidusC, solidusC } = melted([
      { alloy: 'lead-free', mm3: 1 },
      { alloy: 'low-melt', mm3: 1 },
    ]);
    expect(bismuth).toBeCloseTo(0.3115, 4);
    expect(liquidusC).toBeCloseTo(175.96, 1);
    // more bismuth than solid tin takes up (21 %): the first of it is liquid at the eutectic
    expect(solidusC).toBe(138);
  });
  test('lead and bismuth in one joint: part of it is liquid far below', () => {
    expect(
      melted([
        { alloy: 'tin-lead', mm3: 1 },
        { alloy: 'low-melt', mm3: 1 },
      ]).solidusC,
    ).toBe(leadBismuthMeltsC);
  });
  test('more low-melt never melts higher; a joint of nothing is a mistake', () => {
    let before = 221;
    for (const mm3 of [0, 0.1, 0.3, 1, 3, 30, 3000]) {
      const { liquidusC } = melted([
        { alloy: 'lead-free', mm3: 1 },
        { alloy: 'low-melt', mm3 },
      ]);
      expect(liquidusC).toBeLessThan(before);
      before = liquidusC;
    }
    expect(before).toBeCloseTo(138, 0);
    expect(() => melted([{ alloy: 'low-melt', mm3: 0 }])).toThrow(RangeError);
  });
  test('the lever rule just above the eutectic: 40 % bismuth is 51 % liquid (by hand)', () => {
    // (40 - 21) / (58 - 21)
    expect(liquidAtEutectic(0.4)).toBeCloseTo(0.5135, 4);
    expect(liquidAtEutectic(0.1)).toBe(0);
    expect(liquidAtEutectic(0.58)).toBe(1);
  });
});

describe('how often to tin and wick', () => {
  const pad = { onPadMm3: 0.008, of: 'lead-free', pasteMm3: 0.008, wickLeaves: 0.3 } as const;
  test('each round melts lower, until the wish is met', () => {
    const { rounds, reached } = tinningFor(pad, 150);
    expect(reached).toBe(true);
    expect(rounds.map((r) => Math.round(r.liquidusC))).toEqual([176, 152, 142]);
  });
  test('round two by hand: 30 % of both stay, and as much paste again', () => {
    const { rounds } = tinningFor(pad, 140);
    const [lead, low] = [
      0.3 * 0.008 * alloyOf('lead-free').densityGcm3,
      1.3 * 0.008 * alloyOf('low-melt').densityGcm3,
    ];
    expect(rounds[1]!.bismuth).toBeCloseTo((0.58 * low) / (lead + low), 9);
  });
  test('what six rounds do not reach is said to be out of reach', () => {
    expect(tinningFor({ ...pad, wickLeaves: 1, pasteMm3: 0.0005 }, 145)).toMatchObject({ reached: false });
    expect(tinningFor(pad, 137).rounds).toHaveLength(6);
  });
});
