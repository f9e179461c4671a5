import type { EntityManager } from '@mikro-orm/postgresql';
import type { Mark } from '../../core/job/events';
import { flag } from '../../core/job/state';
import { loadState } from '../db/job-log';
import { inShop } from '../db/orm';
import type { Who } from '../types';

/** What this workshop knows of a device that has been here before, newest first. */
export interface EarlierJob {
  id: string;
  number: number;
  modelHash: string;
  variant: string;
  stage: string;
  ending: string | null;
  openedAt: number;
  tasks: string[];
  complaint: string;
  cause: string | null;
  owner: string | null;
  marks: Mark[];
  before: Record<string, string>;
  /** Slots and connectors that moved, and when it was last worked on, ms. */
  touched: string[];
  lastAt: number;
  /** Another back went in. */
  backReplaced: boolean;
}

export async function earlierJobs(em: EntityManager, tag: string, notThis: string): Promise<EarlierJob[]> {
  const wanted = tag.trim();
  if (wanted.length < 3) return [];
  const rows = await em.execute<
    {
      id: string;
      number: number;
      model_hash: string;
      variant: string;
      stage: string;
      ending: string | null;
      opened: string;
      tasks: string[] | null;
      owner: string | null;
    }[]
  >(
    `select j.id, j.number, j.model_hash, j.variant, j.stage, j.ending, extract(epoch from j.opened_at) * 1000 as opened, j.summary->'tasks' as tasks, (select value from job_private p where p.shop_id = j.shop_id and p.job_id = j.id and p.kind = 'owner') as owner
     from job j where lower(j.tag) = lower(?) and j.id <> ? order by j.number desc limit 5`,
    [wanted, notThis],
  );
  return Promise.all(
    rows.map(async (r) => {
      const state = await loadState(em, r.id);
      return {
        id: r.id,
        number: r.number,
        modelHash: r.model_hash,
        variant: r.variant,
        stage: r.stage,
        ending: r.ending,
        openedAt: Number(r.opened),
        tasks: r.tasks ?? [],
        owner: r.owner,
        complaint: flag(state, 'complaint') ?? '',
        cause: flag(state, 'cause')?.id ?? null,
        marks: Object.entries(state.mark).flatMap(([id, m]) => (m ? [{ id, ...m } as Mark] : [])),
        touched: Object.keys(state.touched),
        lastAt: state.lastAt,
        backReplaced: Object.keys(state.place).some((p) => p.startsWith('back') && !p.endsWith('#1')),
        before: Object.fromEntries(
          Object.entries(state.check)
            .filter(([k]) => k.startsWith('after '))
            .map(([k, c]) => [k.slice(6), c.result]),
        ),
      };
    }),
  );
}

/** Earlier jobs of a device, and other people's drafts with the same tag. */
export async function receivingNow(
  who: Who,
  tag: string,
  draftId: string,
): Promise<{ earlier: EarlierJob[]; others: { name: string; at: number }[] }> {
  return inShop(who.shopId, async (em) => {
    if (tag.trim().length < 3) return { earlier: [], others: [] };
    const others = await em.execute<{ name: string; at: string }[]>(
      `select p.name, extract(epoch from d.updated_at) * 1000 as at from draft d join person p on p.shop_id = d.shop_id and p.id = d.person_id where lower(d.body->>'tag') = lower(?) and d.id <> ? order by d.updated_at desc limit 3`,
      [tag.trim(), draftId],
    );
    return {
      earlier: await earlierJobs(em, tag, draftId),
      others: others.map((o) => ({ name: o.name, at: Number(o.at) })),
    };
  });
}
