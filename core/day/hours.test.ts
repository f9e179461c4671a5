import { describe, expect, test } from 'vitest';
import { closedTimes, momentOf, openingSchema, type WorkHours, workHoursSchema } from './hours';

const utc = (text: string) => Date.parse(`${text}Z`);
const day = { from: '09:00', to: '17:30' };
const week: WorkHours['week'] = [day, day, day, day, day, null, null];
const inUtc = (list: readonly { fromMs: number; toMs: number }[]) =>
  list.map(({ fromMs, toMs }) => [fromMs, toMs].map((ms) => new Date(ms).toISOString().slice(5, 16)));

describe('when a workshop is open', () => {
  test('before it opens, after it closes, over the weekend; Monday is the first of the week', () => {
    // Friday 27 November 2026
    const now = utc('2026-11-27T08:00');
    expect(inUtc(closedTimes({ week }, 'UTC', now, 3))).toEqual([
      ['11-27T08:00', '11-27T09:00'],
      ['11-27T17:30', '11-30T08:00'],
    ]);
    expect(inUtc(closedTimes({ week, pause: { from: '12:00', to: '12:30' } }, 'UTC', now, 1))).toEqual([
      ['11-27T08:00', '11-27T09:00'],
      ['11-27T12:00', '11-27T12:30'],
      ['11-27T17:30', '11-28T08:00'],
    ]);
  });
  test('where nobody said so nothing is closed; where it never opens everything is', () => {
    const now = utc('2026-11-27T08:00');
    expect(closedTimes(undefined, 'UTC', now, 3)).toEqual([]);
    const never = { week: week.map(() => null) };
    expect(inUtc(closedTimes(never, 'UTC', now, 1))).toEqual([['11-27T08:00', '11-28T08:00']]);
  });
  test('by the clock of its own zone, over the change of clocks as well', () => {
    // Oslo: +1 h until 29 March 2026 02:00, then +2 h; back on 25 October 2026 03:00 (IANA tz database)
    const at = (date: string, time: string) =>
      new Date(momentOf(date, time, 'Europe/Oslo')).toISOString().slice(0, 16);
    expect(at('2026-03-28', '09:00')).toBe('2026-03-28T08:00');
    expect(at('2026-03-29', '09:00')).toBe('2026-03-29T07:00');
    expect(at('2026-10-25', '09:00')).toBe('2026-10-25T08:00');
    expect(at('2026-10-25', '24:00')).toBe('2026-10-25T23:00');
    // 02:30 is left out in spring, and comes twice in autumn: within an hour of both
    expect(at('2026-03-29', '02:30')).toMatch(/^2026-03-29T0[01]:30$/);
    expect(at('2026-10-25', '02:30')).toMatch(/^2026-10-25T0[01]:30$/);
  });
  test('what is no time, or ends before it begins, is refused', () => {
    for (const bad of [
      { from: '9', to: '10:00' },
      { from: '10:00', to: '09:00' },
      { from: '25:00', to: '26:00' },
    ])
      expect(openingSchema.safeParse(bad).success, JSON.stringify(bad)).toBe(false);
    expect(workHoursSchema.safeParse({ week: week.slice(1) }).success).toBe(false);
    expect(workHoursSchema.safeParse({ week, pause: day }).success).toBe(true);
  });
});
