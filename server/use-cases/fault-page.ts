import type { FaultPage } from '../../core/wire/fault-page';
import { flag } from '../../core/log/state';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';
import { earlierJobs } from './device-history';
import { experienceOf } from '../db/experience';
import type { JobPage } from '../../core/wire/job-page';
export const faultPage = (who: Who, page: JobPage): Promise<FaultPage> =>
  inShop(who.shopId, async (em) => ({
    experience: await experienceOf(em),
    earlier: await earlierJobs(em, flag(page.state, 'tag') ?? '', page.id),
  }));
