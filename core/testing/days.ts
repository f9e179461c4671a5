import type { DayAsked } from '../day/asked';
import type { Block } from '../day/blocks';
import type { DayPlan } from '../day/day-plan';
import { type DayPerson, skills } from '../day/people';

export const minute = 60;
/** So many minutes of hands at a device. */
export const block = (job: string, minutes: number, more: Partial<Block> = {}): Block => ({
  job,
  by: 'hands',
  phase: 'Strip',
  action: 'unscrew',
  steps: [],
  takes: { low: minutes * minute * 0.7, likely: minutes * minute, high: minutes * minute * 1.6 },
  ...more,
});
/** So many people who do everything. */
export const all = (count: number): DayPerson[] =>
  Array.from({ length: count }, (_, k) => ({ id: `p${k}`, name: `P${k}`, skills }));
/** A day of so many people; promises in minutes from now. */
export const day = (
  people: number,
  jobs: { id: string; promisedIn?: number; blocks: Block[] }[],
): DayAsked => ({
  now: 1_000_000_000,
  people: all(people),
  jobs: jobs.map(({ id, promisedIn, blocks }) => ({
    id,
    promisedAt: promisedIn === undefined ? null : 1_000_000_000 + promisedIn * minute * 1000,
    blocks,
  })),
});
/** What is wrong with a plan, by the definition alone. */
export function faults({ blocks, people }: DayPlan): string[] {
  const out: string[] = [];
  const ofJob = new Map<string, typeof blocks>();
  for (const b of blocks) ofJob.set(b.job, [...(ofJob.get(b.job) ?? []), b]);
  for (const [job, own] of ofJob)
    own.forEach((b, k) => {
      const before = own[k - 1];
      if (before && b.startS < before.endS - 1e-6) out.push(`${job} ${k} before ${k - 1}`);
      if (b.byS !== undefined && b.startS > b.byS + 1e-6) out.push(`${job} ${k} too late`);
    });
  for (const b of blocks) {
    const running = blocks.filter((o) => o.startS <= b.startS && o.endS > b.startS);
    if (running.filter((o) => o.by === 'hands').length > people.length)
      out.push(`too many hands at ${b.startS}`);
    const same = running.filter(
      (o) => o.station !== undefined && o.station === b.station && o.endS > o.startS,
    );
    if (b.station && b.endS > b.startS && same.length > 1) out.push(`${b.station} twice at ${b.startS}`);
    if (b.by === 'hands' && b.endS > b.startS) {
      const person = people.find((p) => p.id === b.person);
      if (!person) out.push(`${b.id} is nobody's`);
      else if (b.skill && !person.skills.includes(b.skill)) out.push(`${b.id} is not what ${person.id} does`);
      const own = running.filter((o) => o.by === 'hands' && o.person === b.person && o.endS > o.startS);
      if (own.length > 1) out.push(`${b.person} twice at ${b.startS}`);
    }
  }
  return out;
}
