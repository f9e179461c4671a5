import * as wording from '../../words/answers/check-logs';
import { fold } from '../../core/log/evolve';
import { empty, flag } from '../../core/log/state';
import { indexOfJob } from '../../core/record/model-of-job';
import { stageOf } from '../../core/progress/stage';
import { allShops } from '../db/backup/shops';
import { Job } from '../db/entities';
import { eventsAfter } from '../db/job-log';
import { indexOf } from '../db/models';
import { inShop } from '../db/orm';
import { routeOf } from '../db/routes';

export interface LogFault {
  shop: string;
  job: number;
  what: string;
}
/** Whether every job's log, read from its beginning, comes to what the job's row says. */
export async function checkLogs(): Promise<{ jobs: number; events: number; faults: LogFault[] }> {
  const faults: LogFault[] = [];
  let [jobs, events] = [0, 0];
  for (const shop of await allShops())
    await inShop(shop, async (em) => {
      for (const job of await em.find(Job, {}, { orderBy: { number: 'asc' } })) {
        const log = await eventsAfter(em, job.id, 0);
        jobs++;
        events += log.length;
        const fault = (what: string) => faults.push({ shop, job: job.number, what });
        const gap = log.findIndex((event, i) => event.seq !== i + 1);
        if (gap >= 0) fault(`entry ${gap + 1} is missing`);
        if (log.length !== job.seq) fault(wording.entriesButRowSays(log.length, job.seq));
        if (gap >= 0) continue;
        const state = fold(empty(), log);
        const hash = flag(state, 'routeHash');
        const route = hash ? await routeOf(em, hash) : undefined;
        const index = indexOfJob(
          await indexOf(em, flag(state, 'modelHash') ?? job.modelHash, job.variant),
          state,
        );
        const stage = stageOf(state, index, route);
        if (stage !== job.stage) fault(`its log comes to ${stage}, its row says ${job.stage}`);
        if ((flag(state, 'ending') ?? null) !== job.ending) fault('its end is not as its row says');
      }
    });
  return { jobs, events, faults };
}
