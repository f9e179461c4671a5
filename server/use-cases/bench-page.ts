import type { EntityManager } from '@mikro-orm/postgresql';
import type { FirstSteps } from '../../core/wire/first-steps';
import { anyJob } from '../db/jobs';
import { currentModels } from '../db/models';
import { peopleOf } from '../db/people';
import { anyPart } from '../db/stock';
import { draftsOf } from '../db/drafts';
import type { DraftLine } from '../../core/wire/job-line';
import { openJobs } from '../db/jobs';
import type { JobLine } from '../../core/wire/job-line';
import { inShop } from '../db/orm';
import { backupTrouble } from './backups';
import type { Who } from '../../core/wire/who';

/** The open devices, on every screen. */
export const openJobsFor = (who: Who): Promise<JobLine[]> => inShop(who.shopId, openJobs);
/** What the Bench shows beside the open devices, which stand on every screen. */
export interface BenchPage {
  /** Devices that somebody has begun to receive and not finished, the latest first. */
  drafts: DraftLine[];
  /** What is wrong with the daily backup. */
  backup: string | undefined;
  /** What a new workshop has done of its first steps; undefined once a device has been received. */
  first: FirstSteps | undefined;
}
export const benchPage = (who: Who, now: number): Promise<BenchPage> =>
  inShop(who.shopId, async (em) => ({
    backup: await backupTrouble(em, who.settings, now),
    drafts: await draftsOf(em, who.personId),
    first: who.role === 'owner' ? await firstSteps(em) : undefined,
  }));
async function firstSteps(em: EntityManager): Promise<FirstSteps | undefined> {
  if (await anyJob(em)) return undefined;
  return {
    people: (await peopleOf(em)).length > 1,
    stock: await anyPart(em),
    models: (await currentModels(em)).length > 0,
  };
}
