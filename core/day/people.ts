/** What not everybody at a bench does: work under the microscope, and a cell that is swollen or leaks, alone. */
export const skills = ['chip work', 'bad cell'] as const;
export type Skill = (typeof skills)[number];

/** Somebody with hands, as the day is planned for. */
export interface DayPerson {
  id: string;
  name: string;
  skills: readonly Skill[];
}
/** s from now */
export interface Interval {
  fromS: number;
  toS: number;
}
/** Who or what is not there for a time: a person or a station, by its id. */
export interface Away extends Interval {
  what: string;
}
/** Hands that are asked for: when, what for, and by whom alone where somebody is at it already. */
export interface HandsAsked {
  id: string;
  job: string;
  startS: number;
  endS: number;
  skill?: Skill;
  who?: string;
}

export const isAble = ({ skills: own }: DayPerson, skill: Skill | undefined): boolean =>
  skill === undefined || own.includes(skill);
const overlaps = (a: Interval, b: { startS: number; endS: number }) => a.fromS < b.endS && a.toS > b.startS;
/** Attempts before it is given up: a day has some fifty blocks. */
const mostTries = 4000;
const blink = 1e-6;

/**
 * Whose hands do what, nobody at two things at once, or away, or at what they do not do: whoever was at the device before
 * stays with it, else whoever has been free the longest; by trying, as far as it goes.
 * @returns the person of each, by its id; undefined where there is no way, or none was found
 */
export function assigned(
  asked: readonly HandsAsked[],
  people: readonly DayPerson[],
  away: readonly Away[],
): Map<string, string> | undefined {
  const order = asked.toSorted(
    (a, b) => a.startS - b.startS || Number(b.who !== undefined) - Number(a.who !== undefined),
  );
  const free = new Map(people.map((p) => [p.id, { at: 0, job: '' }]));
  const out = new Map<string, string>();
  let tries = 0;
  const place = (k: number): boolean => {
    const block = order[k];
    if (!block) return true;
    if (++tries > mostTries) return false;
    const may = people
      .filter(
        (p) =>
          (block.who === undefined || block.who === p.id) &&
          isAble(p, block.skill) &&
          free.get(p.id)!.at <= block.startS + blink &&
          !away.some((a) => a.what === p.id && overlaps(a, block)),
      )
      .sort((a, b) => {
        const [one, other] = [free.get(a.id)!, free.get(b.id)!];
        return (
          Number(other.job === block.job) - Number(one.job === block.job) ||
          // who does less is kept busy first: the others are needed for what they alone do
          a.skills.length - b.skills.length ||
          one.at - other.at
        );
      });
    for (const person of may) {
      const before = free.get(person.id)!;
      free.set(person.id, { at: block.endS, job: block.job });
      out.set(block.id, person.id);
      if (place(k + 1)) return true;
      free.set(person.id, before);
      out.delete(block.id);
    }
    return false;
  };
  return place(0) ? out : undefined;
}
