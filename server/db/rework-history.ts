import type { EntityManager } from '@mikro-orm/postgresql';
import { group } from 'd3-array';
import type { BodyOf, BodyType, JobEvent } from '../../core/log/events';
import type { ReworkPast } from '../../core/wire/rework-page';
import { JobEventRow } from './entities';
import { shopOf } from './orm';

const types: BodyType[] = ['reworkBegun', 'reworkHeatStarted', 'reworkEnded', 'retracted'];
/** As many of the latest entries are read. */
const mostEntries = 4000;

/** How work under the microscope ended in this workshop's jobs, and what it was set to; the latest first. Nothing is stored twice: the logs are the count. */
export async function reworkHistory(em: EntityManager): Promise<ReworkPast[]> {
  const rows = await em
    .createQueryBuilder(JobEventRow, 'e')
    .select(['e.jobId', 'e.seq', 'e.event'])
    .where({ shopId: shopOf(em), event: { body: { type: { $in: types } } } })
    .orderBy({ jobId: 'asc', seq: 'asc' })
    .limit(mostEntries)
    .execute<{ jobId: string; event: JobEvent }[]>('all');
  return [...group(rows, (row) => row.jobId).values()]
    .flatMap((own) => {
      const back = new Set(
        own.flatMap(({ event: { body } }) => (body.type === 'retracted' ? [body.event] : [])),
      );
      return pastOf(own.map((row) => row.event).filter((event) => !back.has(event.id)));
    })
    .sort((a, b) => b.at - a.at);
}
/** What one job shows: each work that has ended. */
function pastOf(events: readonly JobEvent[]): ReworkPast[] {
  const out: ReworkPast[] = [];
  const begun = new Map<string, BodyOf<'reworkBegun'>>();
  const heats = new Map<string, ReworkPast['heats']>();
  for (const { body, at } of events) {
    if (body.type === 'reworkBegun') {
      begun.set(body.slot, body);
      heats.set(body.slot, []);
    }
    if (body.type === 'reworkHeatStarted' && body.setC !== undefined && body.airPercent !== undefined)
      heats.get(body.slot)?.push({ step: body.step, setC: body.setC, airPercent: body.airPercent });
    const own = body.type === 'reworkEnded' ? begun.get(body.slot) : undefined;
    if (body.type === 'reworkEnded' && own)
      out.push({
        ...{ at, kind: own.kind, school: own.school, chip: own.chip ?? '', outcome: body.outcome },
        ...(body.lost ? { lost: body.lost } : {}),
        heats: heats.get(body.slot) ?? [],
      });
  }
  return out;
}
