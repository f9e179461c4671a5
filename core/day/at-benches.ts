import type { Role } from '../vocabulary/roles';
import { type Absence, closedTimes, type Interval, type WorkHours } from './hours';
import { type Away, type DayPerson, type Skill, skills } from './people';

/** Somebody of the workshop, as far as the day is concerned. */
export interface BenchPerson {
  id: string;
  name: string;
  role: Role;
  /** Empty for who has none. */
  bench: string;
}
/** What the workshop has said of who is there when, and does what. */
export interface BenchSettings {
  hours?: WorkHours;
  /** Hours of one's own, by person; without them the workshop's. */
  personHours?: Readonly<Record<string, WorkHours['week']>>;
  absences?: readonly Absence[];
  /** What a person does of what not everybody does; without it by their role. */
  skills?: Readonly<Record<string, readonly Skill[]>>;
  timeZone?: string;
}
/** A trainee does neither alone until somebody says so (common practice). */
export const skillsOf = (
  { id, role }: Pick<BenchPerson, 'id' | 'role'>,
  of: BenchSettings['skills'],
): readonly Skill[] => of?.[id] ?? (role === 'trainee' ? [] : skills);

/** The times in which each of several is away. */
function whenAll(lists: readonly (readonly Interval[])[]): Interval[] {
  const times = [...new Set(lists.flat().flatMap(({ fromMs, toMs }) => [fromMs, toMs]))].sort(
    (a, b) => a - b,
  );
  const out: Interval[] = [];
  for (const [k, fromMs] of times.entries()) {
    const toMs = times[k + 1];
    if (toMs === undefined || !lists.every((l) => l.some((i) => i.fromMs <= fromMs && fromMs < i.toMs)))
      continue;
    if (out.at(-1)?.toMs === fromMs) out.at(-1)!.toMs = toMs;
    else out.push({ fromMs, toMs });
  }
  return out;
}
/**
 * Whose hands the day is planned for: each bench has one pair at a time, whoever of those who share it is there. A trainee has
 * one where nobody else does. And when nobody of a bench is there, s from now.
 * @param now ms
 * @param ahead days that are looked ahead
 */
export function handsAtBenches(
  people: readonly BenchPerson[],
  settings: BenchSettings,
  now: number,
  ahead: number,
): { people: DayPerson[]; away: Away[]; benchOf: ReadonlyMap<string, string> } {
  const { hours, personHours = {}, absences = [], timeZone } = settings;
  const until = now + ahead * 86_400_000;
  const awayOf = ({ id }: BenchPerson): Interval[] => {
    const week = personHours[id];
    const own = week ? { week, ...(hours?.pause ? { pause: hours.pause } : {}) } : hours;
    return whenAll([
      [
        ...closedTimes(own, timeZone, now, ahead),
        ...absences
          .filter((a) => a.person === id && a.to > now && a.from < until)
          .map((a) => ({ fromMs: Math.max(now, a.from), toMs: Math.min(until, a.to) })),
      ],
    ]);
  };
  const benches = new Map<string, BenchPerson[]>();
  for (const person of people)
    if (person.bench && person.role !== 'owner')
      benches.set(person.bench, [...(benches.get(person.bench) ?? []), person]);
  // an owner without anybody at a bench does it all
  if (!benches.size && people.length) benches.set('', [...people]);
  const groups = [...benches.values()].map((all) => {
    const skilled = all.filter((p) => p.role !== 'trainee');
    return skilled.length ? skilled : all;
  });
  const seconds = (ms: number) => Math.max(0, Math.round((ms - now) / 1000));
  return {
    people: groups.map((group) => ({
      id: group[0]!.id,
      name: group.map((p) => p.name).join(' / '),
      skills: skills.filter((s) => group.some((p) => skillsOf(p, settings.skills).includes(s))),
    })),
    away: groups.flatMap((group) =>
      whenAll(group.map(awayOf)).map(({ fromMs, toMs }) => ({
        ...{ what: group[0]!.id, fromS: seconds(fromMs), toS: seconds(toMs) },
      })),
    ),
    // a trainee at another's bench works with that pair of hands
    benchOf: new Map(
      [...benches.values()].flatMap((all, k) => all.map((p) => [p.id, groups[k]![0]!.id] as const)),
    ),
  };
}
