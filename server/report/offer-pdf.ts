import * as wording from '../../words/answers/offer-pdf';
import { consentName, consentText } from '../../words/consents';
import { adviceName, taxText } from '../../words/offer';
import { taskName } from '../../words/steps';
import { cap, thingName } from '../../words/things';
import { formatsOf } from '../../words/formats';
import { agreedBy, consentsFor } from '../../core/consents/consents';
import type { Task } from '../../core/log/events';
import { flag } from '../../core/log/state';
import { payFactor } from '../../core/quote/tax';
import { indexModel } from '../../core/model/index-model';
import { indexOfJob } from '../../core/record/model-of-job';
import { methodsOf } from '../../core/methods/methods';
import type { Who } from '../../core/wire/who';
import type { JobPage } from '../../core/wire/job-page';
import type { Signature } from '../use-cases/signatures';
import { pdfDocument } from './document';

/** Quote and agreement on paper: what is done, for how much, what the owner will notice and has agreed to. */
export function offerPdf(who: Who, page: JobPage, signatures: Record<string, Signature>): Promise<Buffer> {
  const { state } = page;
  const index = indexOfJob(indexModel(page.model), page.state);
  const { money, dayAndClock } = formatsOf(who.settings);
  const d = pdfDocument(`Offer, job ${page.number}`, who.shopName);
  const promisedAt = flag(state, 'promisedAt');
  const quote = flag(state, 'quote');
  d.title(wording.offerAndAgreement(page.number));
  d.line(who.shopName);
  d.line(
    `${index.model.maker} ${index.model.name}, ${flag(state, 'tag') ?? ''}${page.owner ? `, ${page.owner}` : ''}; received ${dayAndClock(page.openedAt)}`,
  );
  d.heading(wording.toBeDone);
  const tasks = Object.entries(state.task).map(([slot, action]) => ({ slot, action }) as Task);
  for (const task of tasks)
    d.line(wording.actOnPart(cap(taskName[task.action]), thingName(index, task.slot)));
  if (!tasks.length) d.line(wording.nothingChosen);
  const columns = [54, 200, 310, 430];
  const parts = Object.entries(state.part);
  if (parts.length) {
    d.heading('Parts');
    d.row(['part', 'where from', 'serial or lot', 'price'], columns, 'bold');
    for (const [slot, p] of parts)
      d.row(
        [
          thingName(index, slot),
          p.provenance,
          p.serial || p.lot || '–',
          money(p.priceMinor * payFactor(who.settings.tax)),
        ],
        columns,
      );
  }
  d.heading('Price');
  if (quote) {
    d.line(wording.priceSpread(money(quote.p10Minor), money(quote.p90Minor), money(quote.p50Minor)));
    if (quote.taxPercent) d.line(taxText(quote.taxPercent, quote.taxName ?? '', quote.p50Minor, money));
    if (quote.limitMinor !== null) d.line(wording.priceLimit(money(quote.limitMinor)));
    d.line(wording.advice(adviceName[quote.advice].toLowerCase()));
  } else d.line(wording.noPrice);
  if (promisedAt) d.line(wording.promisedFor(dayAndClock(promisedAt), flag(state, 'promisedAs')));
  d.heading(wording.agreedTo);
  const consents = consentsFor(
    index,
    state,
    page.route?.input.methods ?? methodsOf(who.settings.methods),
  ).filter((c) => !c.optional || state.consent[c.id]);
  const price = quote ? wording.priceAgreed(money(quote.p10Minor), money(quote.p90Minor)) : undefined;
  for (const consent of consents)
    d.row(
      [
        consentText(index, consent, price),
        agreedBy(state, page.signers, consent.id)
          ? `agreed: ${agreedBy(state, page.signers, consent.id)}`
          : 'open',
      ],
      [54, 420],
    );
  if (!consents.length) d.line(wording.nothingBeside(consentName(index, 'price')));
  const signed = Object.values(signatures).filter((s) => s.strokes.length);
  for (const s of signed) {
    d.line(`Signed: ${s.name}`, 'bold');
    d.strokes(s.strokes, wording.signatureOf(s.name));
  }
  if (!signed.length) d.line('Signature: ______________________________');
  return d.end();
}
