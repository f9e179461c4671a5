import type { ModelChoice } from '../../core/wire/model-choice';
import { draftBody, keepDraft } from '../db/drafts';
import { isJob } from '../db/jobs';
import { currentModels } from '../db/models';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';
import type { DraftBody } from '../../forms/receipt-fields';

/** What the Receive screen starts with: the models, and the draft as it was last kept. */
export async function receivePage(
  who: Who,
  draftId: string,
): Promise<{ models: ModelChoice[]; draft: DraftBody; opened: boolean }> {
  return inShop(who.shopId, async (em) => {
    const models = (await currentModels(em)).map(({ hash, practice, model }) => ({
      hash,
      practice,
      name: model.name,
      maker: model.maker,
      variants: model.variants.map(({ id, name }) => ({ id, name })),
      shortList: [...model.shortList],
      outline: model.outline,
      parts: model.slots.map(({ id, name, kind }) => ({ id, name, kind })),
    }));
    return { models, draft: (await draftBody(em, draftId)) ?? {}, opened: await isJob(em, draftId) };
  });
}
/** Keeps what has been filled in so far. */
export async function saveDraft(who: Who, draftId: string, body: DraftBody): Promise<void> {
  await inShop(who.shopId, async (em) => {
    // what comes late, when the device has been received already, is in its log
    if (!(await isJob(em, draftId))) await keepDraft(em, draftId, who.personId, body);
  });
}
