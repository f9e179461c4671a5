import { describe, expect, test } from 'vitest';
import { type BenchPerson, handsAtBenches } from './at-benches';

const now = Date.parse('2026-11-27T08:00Z');
const at = (hour: number) => now + (hour - 8) * 3_600_000;
const who = (id: string, role: BenchPerson['role'], bench: string): BenchPerson => ({
  id,
  name: id.toUpperCase(),
  role,
  bench,
});
const staff = [
  who('o', 'owner', 'counter'),
  who('l', 'lead', 'quay'),
  who('t', 'technician', 'ferry'),
  who('b', 'trainee', 'quay'),
];
const utc = { timeZone: 'UTC' };

describe('whose hands a day is planned for', () => {
  test('one pair for each bench: a trainee’s are the bench’s, an owner’s are not counted', () => {
    const { people, benchOf, away } = handsAtBenches(staff, utc, now, 1);
    expect(people).toEqual([
      { id: 'l', name: 'L', skills: ['chip work', 'bad cell'] },
      { id: 't', name: 'T', skills: ['chip work', 'bad cell'] },
    ]);
    expect(benchOf.get('b')).toBe('l');
    expect(benchOf.get('o')).toBeUndefined();
    expect(away).toEqual([]);
  });
  test('a trainee at a bench of their own counts, and does not do everything; an owner alone does it all', () => {
    const alone = handsAtBenches([who('b', 'trainee', 'quay')], utc, now, 1);
    expect(alone.people).toEqual([{ id: 'b', name: 'B', skills: [] }]);
    expect(
      handsAtBenches([who('b', 'trainee', 'quay')], { ...utc, skills: { b: ['chip work'] } }, now, 1)
        .people[0]!.skills,
    ).toEqual(['chip work']);
    expect(handsAtBenches([who('o', 'owner', '')], utc, now, 1).people).toMatchObject([{ id: 'o' }]);
  });
  test('of two who share a bench one is enough: away is when neither is there', () => {
    const shared = [who('t', 'technician', 'ferry'), who('u', 'technician', 'ferry')];
    const absences = [
      { person: 't', from: at(9), to: at(12) },
      { person: 'u', from: at(11), to: at(14) },
    ];
    const { people, away } = handsAtBenches(shared, { ...utc, absences }, now, 1);
    expect(people).toMatchObject([{ id: 't', name: 'T / U' }]);
    expect(away).toEqual([{ what: 't', fromS: 3 * 3600, toS: 4 * 3600 }]);
  });
  test('hours of one’s own go before the workshop’s; the pause of all is theirs, too', () => {
    const day = { from: '08:00', to: '18:00' };
    const hours = { week: Array(7).fill(day), pause: { from: '12:00', to: '12:30' } };
    const personHours = { t: Array(7).fill({ from: '10:00', to: '14:00' }) };
    const { away } = handsAtBenches(staff, { ...utc, hours, personHours }, now, 1);
    const hoursOf = (what: string) =>
      away.filter((a) => a.what === what).map((a) => [a.fromS / 3600 + 8, a.toS / 3600 + 8]);
    expect(hoursOf('l')).toEqual([
      [12, 12.5],
      [18, 32],
    ]);
    expect(hoursOf('t')).toEqual([
      [8, 10],
      [12, 12.5],
      [14, 32],
    ]);
  });
  test('an absence that is over, or far off, is none; two that touch are one', () => {
    const absences = [
      { person: 't', from: at(5), to: at(7) },
      { person: 't', from: at(9), to: at(10) },
      { person: 't', from: at(10), to: at(11) },
      { person: 't', from: at(90), to: at(91) },
    ];
    expect(handsAtBenches(staff, { ...utc, absences }, now, 1).away).toEqual([
      { what: 't', fromS: 3600, toS: 3 * 3600 },
    ]);
  });
});
