import type { EarlierJob } from '../../core/wire/earlier-job';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Mark } from '../../core/log/events';
import { flag } from '../../core/log/state';
import { draftsWithTag } from '../db/drafts';
import { loadState } from '../db/job-log';
import { ownersOf } from '../db/job-private';
import { jobsWithTag } from '../db/jobs';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';

export async function earlierJobs(em: EntityManager, tag: string, notThis: string): Promise<EarlierJob[]> {
  const wanted = tag.trim();
  if (wanted.length < 3) return [];
  const rows = (await jobsWithTag(em, wanted)).filter((job) => job.id !== notThis).slice(0, 5);
  const owners = await ownersOf(
    em,
    rows.map((job) => job.id),
  );
  return Promise.all(
    rows.map(async (inferEntityFromProperties) => {
      const state = await loadState(em, inferEntityFromProperties.id);
      return {
        id: inferEntityFromProperties.id,
        number: inferEntityFromProperties.number,
        modelHash: inferEntityFromProperties.modelHash,
        variant: inferEntityFromProperties.variant,
        stage: inferEntityFromProperties.stage,
        ending: inferEntityFromProperties.ending ?? null,
        openedAt: inferEntityFromProperties.openedAt.getTime(),
        tasks: inferEntityFromProperties.summary.tasks ?? [],
        owner: owners.get(inferEntityFromProperties.id) ?? null,
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
    return {
      earlier: await earlierJobs(em, tag, draftId),
      others: await draftsWithTag(em, tag.trim(), draftId),
    };
  });
}
