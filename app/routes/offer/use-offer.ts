import { useMemo } from 'react';
import { consentsFor, slotsToReplace } from '../../../core/consents/consents';
import type { BodyOf, Task } from '../../../core/log/events';
import { flag } from '../../../core/log/state';
import { methodsOfRemedies, type Remedies } from '../../../core/pairing/effects';
import { type AdviceGiven, advise, type Priced } from '../../../core/quote/advice';
import { earliestReady } from '../../../core/quote/promise';
import { chanceWithin } from '../../../core/quote/quote';
import { payFactor, roundTo } from '../../../core/quote/tax';
import type { ShopSettings } from '../../../core/wire/who';
import { methodsOf } from '../../../core/methods/methods';
import type { OfferPage } from '../../../core/wire/offer-page';
import { useNow } from '../../job/ticker';
import { useJobFrame } from '../../ui/job-frame';
import type { QuoteAsked, QuotedOption } from '../../workers/quote.worker';
import { optionsOf } from './options';
import { type Figures, useFigures } from './use-figures';
import { useQuote } from './use-quote';

/** The seed of an offer's trials: the same job gives the same figures at every bench. */
const seedOf = (job: string) => Number.parseInt(job.slice(0, 8), 16) | 0;
const trials = 4000;

const quoteOf = (
  whole: QuotedOption,
  advice: AdviceGiven,
  figures: Figures,
  { roundMinor, tax }: ShopSettings,
): BodyOf<'quoted'> => ({
  type: 'quoted',
  p10Minor: roundTo(whole.distribution.p10, roundMinor),
  p50Minor: roundTo(whole.distribution.p50, roundMinor),
  p90Minor: roundTo(whole.distribution.p90, roundMinor),
  meanMinor: roundTo(whole.distribution.mean, roundMinor),
  ...(tax ? { taxPercent: tax.percent, taxName: tax.name } : {}),
  limitMinor: figures.limit,
  chance: figures.limit === null ? null : chanceWithin(whole.distribution, figures.limit),
  replacementMinor: figures.replacement,
  advice: advice.advice,
});

/** What the options come to: the whole, the advice, and the price that would be recorded. */
function priceOf(
  options: readonly (QuotedOption | { id: string })[],
  figures: Figures,
  settings: ShopSettings,
) {
  const priced = (quotedOption: QuotedOption): Priced => ({
    id: quotedOption.id,
    meanMinor: quotedOption.distribution.mean,
    p90Minor: quotedOption.distribution.p90,
    chance: figures.limit === null ? null : chanceWithin(quotedOption.distribution, figures.limit),
  });
  const known = options.filter((o): o is QuotedOption => 'distribution' in o);
  const whole = known.find((o) => o.id === 'whole');
  if (!whole) return { whole: undefined, advice: undefined, quote: undefined };
  const advice = advise(
    priced(whole),
    known.filter((o) => o.id.startsWith('only ')).map(priced),
    figures.replacement,
    figures.elsewhere === null ? [] : [{ name: 'elsewhere', priceMinor: figures.elsewhere }],
    figures.limit,
  );
  return { whole, advice, quote: quoteOf(whole, advice, figures, settings) };
}

/** The offer of a job: what it will cost and be, computed anew from what is chosen; and what of it is in the record. */
export function useOffer({ parts, waiting, benches }: OfferPage) {
  const frame = useJobFrame();
  const { page, index, state, context, who, ended } = frame;
  const time = useNow() || page.now;
  const recorded = flag(state, 'quote');
  const figures = useFigures(
    page.id,
    recorded && { limit: recorded.limitMinor, replacement: recorded.replacementMinor },
  );
  const tasks = Object.entries(state.task).map(([slot, action]) => ({ slot, action }) as Task);
  const replaced = slotsToReplace(state);
  const methods =
    context.route?.input.methods ??
    methodsOf(who.settings.methods, methodsOfRemedies(index, state.remedy as Remedies));

  // biome-ignore lint/correctness/useExhaustiveDependencies: the rest of the state follows from these or does not count here
  const { rows, asked } = useMemo(() => {
    const options =
      !tasks.length || ended
        ? []
        : optionsOf(index, state, who.settings, parts, replaced, tasks, figures.extraMin);
    return {
      rows: options.map((o) => o.row),
      asked: options.length
        ? ({
            model: index.model,
            modelHash: flag(state, 'modelHash') ?? '',
            seed: seedOf(page.id),
            trials,
            factor: payFactor(who.settings.tax),
            options: options.map((o) => o.option),
          } satisfies QuoteAsked)
        : undefined,
    };
  }, [state.task, state.part, state.remedy, state.condition, ended, figures.extraMin, parts]);
  const quoting = useQuote(asked);
  const { whole, advice, quote } = priceOf(quoting.options ?? [], figures, who.settings);
  const fresh =
    quote !== undefined &&
    recorded !== undefined &&
    quote.p10Minor === recorded.p10Minor &&
    quote.p90Minor === recorded.p90Minor &&
    quote.taxPercent === recorded.taxPercent &&
    quote.limitMinor === recorded.limitMinor;
  const wait = quoting.busy || (tasks.length > 0 && quote === undefined);
  return {
    ...frame,
    parts,
    benches,
    devices: waiting.length,
    time,
    figures,
    tasks,
    replaced,
    methods,
    consents: consentsFor(index, state, methods),
    rows,
    quoting,
    whole,
    advice,
    quote,
    recorded,
    fresh,
    wait,
    takes: whole && { job: page.id, ...whole.hands, wait: whole.waitS },
    earliest:
      whole &&
      earliestReady(time, whole.hands, whole.waitS, waiting, benches, flag(state, 'promisedAt') ?? undefined),
  };
}
export type OfferState = ReturnType<typeof useOffer>;
