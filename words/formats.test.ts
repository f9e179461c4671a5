import { describe, expect, test } from 'vitest';
import { formatsOf, minorDigits } from './formats';

const plain = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, ' ').replaceAll('’', "'");

describe('money', () => {
  // ISO 4217, list one: minor units of the yen 0, of the Kuwaiti dinar 3, of the euro 2
  test('has as many digits behind its mark as its currency', () => {
    expect(['JPY', 'KWD', 'EUR'].map(minorDigits)).toEqual([0, 3, 2]);
    expect(plain(formatsOf({ currency: 'JPY', country: 'JP' }).money(1250))).toBe('¥1,250');
    expect(plain(formatsOf({ currency: 'KWD', country: 'KW' }).money(1250))).toMatch(/1\.250/);
  });
  // Unicode CLDR, patterns of these locales
  test.each([
    ['GB', 'GBP', '£1,234.50'],
    ['DE', 'EUR', '1.234,50 €'],
    ['FR', 'EUR', '1 234,50 €'],
    ['CH', 'CHF', "CHF 1'234.50"],
    ['US', 'USD', '$1,234.50'],
    ['SE', 'SEK', '1 234,50 kr'],
  ])('in %s as %s is written there', (country, currency, text) => {
    expect(plain(formatsOf({ currency, country }).money(123_450))).toBe(text);
  });
  test('stands in a field without letters and groups, with the country’s mark', () => {
    expect(formatsOf({ currency: 'EUR', country: 'DE' }).typedAmount(123_450)).toBe('1234,50');
    expect(formatsOf({ currency: 'JPY', country: 'JP' }).typedAmount(1250)).toBe('1250');
  });
});
describe('times', () => {
  // 29 November 2026, 12:05 UTC
  const noon = Date.UTC(2026, 10, 29, 12, 5);
  test('are the workshop’s, wherever the browser or the server stands', () => {
    expect(formatsOf({ currency: 'EUR', timeZone: 'Asia/Tokyo' }).clock(noon)).toBe('21:05');
    expect(formatsOf({ currency: 'EUR', timeZone: 'Pacific/Kiritimati' }).isoDay(noon)).toBe('2026-11-30');
  });
  test('have a clock of twelve or twenty-four hours, and day and month in the country’s order', () => {
    const us = formatsOf({ currency: 'USD', country: 'US', timeZone: 'America/New_York' });
    expect(us.dayAndClock(noon)).toBe('Sun, Nov 29 7:05 am');
    expect(us.clock(noon + 5.5 * 3_600_000)).toBe('12:35 pm');
    expect(us.clock(noon - 7 * 3_600_000)).toBe('12:05 am');
    expect(formatsOf({ currency: 'EUR', country: 'DE', timeZone: 'Europe/Berlin' }).dayAndClock(noon)).toBe(
      'Sun, 29 Nov 13:05',
    );
  });
  test('today ends at the workshop’s midnight, also where clocks change in that night', () => {
    const { soon, soonShort } = formatsOf({ currency: 'EUR', timeZone: 'Europe/Dublin' });
    // summer time ended on 25 October 2026 at 1:00 UTC
    const eve = Date.UTC(2026, 9, 24, 22, 30);
    expect([soon(eve, eve), soon(eve + 3_600_000, eve), soonShort(eve + 3_600_000, eve)]).toEqual([
      '23:30',
      'tomorrow 00:30',
      'Sun',
    ]);
    expect(soon(eve + 24 * 3_600_000, eve)).toBe('tomorrow 22:30');
  });
  test('that no calendar has are said to be unknown', () => {
    const { clock, day } = formatsOf({ currency: 'EUR' });
    expect([clock(Number.NaN), day(9e15)]).toEqual(['–', 'at an unknown time']);
  });
});
