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
import { methodsOf } from '../../core/methods/methods';
import type { Who } from '../../core/wire/who';
import type { JobPage } from '../../core/wire/job-page';
import type { Signature } from '../use-cases/signatures';
import { pdfDocument } from './document';

/** Quote and agreement on paper: what is done, for how much, what the owner will notice and has agreed to. */
export function offerPdf(who: Who, page: JobPage, signatures: Record<string, Signature>): Promise<Buffer> {
  const { state } = page;
  const index = indexModel(page.model);
  const { money, dayAndClock } = formatsOf(who.settings);
  const d = pdfDocument(`Offer, job ${page.number}`, who.shopName);
  const promisedAt = flag(state, 'promisedAt');
  const quote = flag(state, 'quote');
  d.title(`Offer and agreement, job ${page.number}`);
  d.line(who.shopName);
  d.line(
    `${index.model.maker} ${index.model.name}, ${flag(state, 'tag') ?? ''}${page.owner ? `, ${page.owner}` : ''}; received ${dayAndClock(page.openedAt)}`,
  );
  d.heading('What is to be done');
  const tasks = Object.entries(state.task).map(([slot, action]) => ({ slot, action }) as Task);
  for (const task of tasks) d.line(`${cap(taskName[task.action])} the ${thingName(index, task.slot)}.`);
  if (!tasks.length) d.line('Nothing has been chosen yet.');
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
    d.line(
      `Eight of ten such repairs cost ${money(quote.p10Minor)} to ${money(quote.p90Minor)}; half of them up to ${money(quote.p50Minor)}.`,
    );
    if (quote.taxPercent) d.line(taxText(quote.taxPercent, quote.taxName ?? '', quote.p50Minor, money));
    if (quote.limitMinor !== null) d.line(`Not above ${money(quote.limitMinor)} without asking.`);
    d.line(`Our advice: ${adviceName[quote.advice].toLowerCase()}.`);
  } else d.line('No price has been recorded yet.');
  if (promisedAt)
    d.line(
      `Promised for ${dayAndClock(promisedAt)}${flag(state, 'promisedAs') ? ` (${flag(state, 'promisedAs')})` : ''}.`,
    );
  d.heading('What you should know, and have agreed to');
  const consents = consentsFor(
    index,
    state,
    page.route?.input.methods ?? methodsOf(who.settings.methods),
  ).filter((c) => !c.optional || state.consent[c.id]);
  const price = quote ? `The price: ${money(quote.p10Minor)} to ${money(quote.p90Minor)}.` : undefined;
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
  if (!consents.length) d.line(`Nothing beside: ${consentName(index, 'price')} as above.`);
  const signed = Object.values(signatures).filter((s) => s.strokes.length);
  for (const s of signed) {
    d.line(`Signed: ${s.name}`, 'bold');
    d.strokes(s.strokes, `Signature of ${s.name}`);
  }
  if (!signed.length) d.line('Signature: ______________________________');
  return d.end();
}
