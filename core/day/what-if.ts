import { z } from 'zod';
import type { ThreePoint } from '../quote/three-point';
import type { DayAsked } from './asked';
import { offeredBlocks } from './blocks';
import { skills } from './people';

const id = z.string().min(1).max(60);
const moment = z.number().int().min(1_500_000_000_000).max(4_100_000_000_000);
/** A block that is to begin just then, ms. */
export const pinSchema = z.strictObject({ job: z.uuid(), step: id, at: moment });
export type KeptPin = z.output<typeof pinSchema>;

/** What is imagined of a day: who is there, who or what is away, blocks somewhere else, one device more. */
export interface WhatIf {
  /** So many people; those beyond the ones that there are do everything. */
  people?: number;
  /** ms */
  away?: { what: string; from: number; to: number };
  pins?: readonly KeptPin[];
  /** One device more, promised by then, ms, or not at all; its hands, s. */
  more?: { promisedAt: number | null; hands: ThreePoint };
}
/** The id of the device that is not there. */
export const imaginedJob = 'imagined';

/** The same day as it is imagined; that of the workshop stays what it is. */
export function imagine(asked: DayAsked, { people, away, pins, more }: WhatIf): DayAsked {
  const seconds = (ms: number) => Math.max(0, Math.round((ms - asked.now) / 1000));
  const count = people ?? asked.people.length;
  const there = [
    ...asked.people.slice(0, count),
    ...Array.from({ length: Math.max(0, count - asked.people.length) }, (_, k) => ({
      ...{ id: `one more ${k + 1}`, name: '', skills },
    })),
  ];
  return {
    ...asked,
    people: there,
    away: [
      ...(asked.away ?? []).filter((a) => !asked.people.slice(count).some((p) => p.id === a.what)),
      ...(away && away.to > asked.now
        ? [{ what: away.what, fromS: seconds(away.from), toS: seconds(away.to) }]
        : []),
    ],
    pins: [
      ...(asked.pins ?? []).filter((p) => !pins?.some((q) => q.job === p.job)),
      ...(pins ?? []).map(({ job, step, at }) => ({ job, step, atS: seconds(at) })),
    ],
    jobs: more
      ? [
          ...asked.jobs,
          { id: imaginedJob, promisedAt: more.promisedAt, blocks: offeredBlocks(imaginedJob, more.hands, 0) },
        ]
      : asked.jobs,
  };
}
/** What is another than today: by how much each device is ready later, or sooner (below zero), s; by a minute or more. */
export const differences = (
  today: { jobs: readonly { id: string; endS: number }[]; now: number },
  other: { jobs: readonly { id: string; endS: number }[]; now: number },
): { job: string; byS: number }[] =>
  other.jobs.flatMap(({ id: job, endS }) => {
    const before = today.jobs.find((j) => j.id === job);
    const byS = before ? Math.round(endS - before.endS + (other.now - today.now) / 1000) : 0;
    return Math.abs(byS) >= 60 ? [{ job, byS }] : [];
  });
