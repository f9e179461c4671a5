import type { ReworkPage } from '../../core/wire/rework-page';
import type { Who } from '../../core/wire/who';
import { inShop } from '../db/orm';
import { reworkHistory } from '../db/rework-history';
import { stencilsOf } from '../db/stencils';

/** The workshop's stencils, and how such work ended here before. */
export const reworkPage = (who: Who): Promise<ReworkPage> =>
  inShop(who.shopId, async (em) => ({ stencils: await stencilsOf(em), past: await reworkHistory(em) }));
