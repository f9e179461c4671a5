import { describe, expect, test } from 'vitest';
import type { Body, JobEvent } from '../log/events';
import type { Measured } from '../log/measured';
import { isUsual, lastTimeOf, usualOf } from './elsewhere';

const id = '00000000-0000-4000-8000-000000000001';
const measured = (more: Partial<Measured>): Measured => ({
  ...{ id, kind: 'sound', verdict: 'works', figures: {} },
  ...more,
});
const log = (...of: { fn: string; measured: Measured }[]): JobEvent[] =>
  of.map(({ fn, measured: m }, k) => ({
    ...{ id: `e${k}`, seq: k + 1, v: 3, by: 'p', at: 1_700_000_000_000 + k, clockKnown: true },
    body: { type: 'checkMeasured', round: 'after', function: fn, measured: m } as unknown as Body,
  }));
const speaker = (level: number, more: Partial<Measured> = {}) => ({
  fn: 'loudspeaker',
  measured: measured({ figures: { level, floor: -60 }, ...more }),
});

describe('what other devices of a model measured', () => {
  const levels = [-30, -29, -28, -27, -26, -25, -24, -23, -22, -21, -20];
  test('eight of ten between two figures, with how many they were; how often something was tried is no measure', () => {
    expect(usualOf(levels.map((level) => log(speaker(level))))).toEqual([
      { function: 'loudspeaker', kind: 'sound', figure: 'level', devices: 11, low: -29, high: -21 },
    ]);
  });
  test('a figure is usual within the two, the two with them', () => {
    const usual = { low: -29, high: -21 };
    expect([-29.1, -29, -25, -21, -20.9].map((x) => isUsual(usual, x))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
  });
  test('fewer than five say nothing; what did not work is no measure; of one device its last counts', () => {
    const four = [1, 2, 3, 4].map((level) => log(speaker(level)));
    expect(usualOf(four)).toEqual([]);
    expect(usualOf([...four, log(speaker(5, { verdict: 'fails' }))])).toEqual([]);
    expect(usualOf([...four, log(speaker(-90), speaker(5))])).toMatchObject([
      { devices: 5, low: 1.4, high: 4.6 },
    ]);
  });
  test('a device that comes back is held against the newest job that measured it', () => {
    const jobs = [
      { number: 9, log: [] },
      {
        number: 7,
        log: log(speaker(-25), {
          fn: 'touch',
          measured: measured({ kind: 'touch', figures: { percent: 99 } }),
        }),
      },
      { number: 3, log: log(speaker(-20)) },
    ];
    expect(lastTimeOf(jobs)).toEqual({
      ...{ job: 7, at: 1_700_000_000_001 },
      figures: { loudspeaker: { level: -25, floor: -60 }, touch: { percent: 99 } },
    });
    expect(lastTimeOf([])).toBeUndefined();
  });
});
