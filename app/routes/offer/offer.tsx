import { Input, Form, Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import { type Consent, consentsFor, openConsents, slotsToReplace } from '../../../core/consents/consents';
import type { Body, BodyOf, Task } from '../../../core/job/events';
import { flag, type JobState, type PartEntry } from '../../../core/job/state';
import { indexModel } from '../../../core/model/index-model';
import { methodsOfRemedies, type Remedies } from '../../../core/pairing/effects';
import { advise, type Priced } from '../../../core/quote/advice';
import { chanceWithin } from '../../../core/quote/quote';
import { earliestReady } from '../../../core/quote/promise';
import { jobRouteInput } from '../../../core/route/job-input';
import { methodsOf } from '../../../core/route/methods';
import { offerPage } from '../../../server/use-cases/offer-page';
import type { StockPart } from '../../../server/use-cases/stock';
import { requirePerson } from '../../context';
import { useJob } from '../../job/use-job';
import type { QuoteAsked, QuotedOption } from '../../workers/quote.worker';
import { useNow } from '../../job/ticker';
import { JobScreen } from '../../ui/job-head';
import { useReport } from '../../ui/use-report';
import { TaskPicker } from '../../ui/task-picker';
import { taskName } from '../../words/steps';
import { cap, list, thingName } from '../../words/things';
import { money } from '../../words/time';
import type { Route } from './+types/offer';
import { ConsentsCard, type Given } from './consents-card';
import { PartsCard } from './parts-card';
import { type OptionRow, PriceCard } from './price-card';
import { PromiseCard } from './promise-card';
import { useFigures } from './use-figures';
import { useQuote } from './use-quote';
import { LinkButton } from '../../ui/link-button';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const found = z.uuid().safeParse(params.job).success ? await offerPage(who, params.job) : undefined;
  if (!found) throw new Response(null, { status: 404, statusText: 'No such job' });
  return { who, ...found };
}

/** The seed of an offer's trials: the same job gives the same figures at every bench. */
const seedOf = (job: string) => Number.parseInt(job.slice(0, 8), 16) | 0;
const trials = 4000;

export default function Offer({ loaderData }: Route.ComponentProps) {
  const { who, page, parts, waiting, benches } = loaderData;
  const { replica, view } = useJob(page, who);
  const time = useNow() || page.now;
  const [busy, setBusy] = useState(false);
  const [signers, setSigners] = useState<Record<string, string>>({});
  const [declining, setDeclining] = useState(false);
  const [reason, setReason] = useState('');
  const index = indexModel(page.model);
  const { state, context } = view;
  const { report, said, say, stop } = useReport(replica, index, who);
  const ended = flag(state, 'ending') !== undefined;
  const recorded = flag(state, 'quote');
  const figures = useFigures(
    page.id,
    recorded && { limit: recorded.limitMinor, replacement: recorded.replacementMinor },
  );
  const { currency } = who.settings;
  const tasks = Object.entries(state.task).map(([slot, action]) => ({ slot, action }) as Task);
  const replaced = slotsToReplace(state);
  const methods =
    context.route?.input.methods ??
    methodsOf(who.settings.methods, methodsOfRemedies(index, state.remedy as Remedies));
  const consents = consentsFor(index, state, methods);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the rest of the state follows from these or does not count here
  const { rows, asked } = useMemo(() => {
    if (!tasks.length || ended) return { rows: [] as OptionRow[], asked: undefined };
    const extraS = { low: figures.extraMin * 40, likely: figures.extraMin * 60, high: figures.extraMin * 90 };
    const make = (id: string, s: JobState) => ({
      id,
      input: jobRouteInput(who.settings, index, s),
      parts: s.part,
      extraS,
    });
    const options: { row: OptionRow; option: ReturnType<typeof make> }[] = [
      {
        row: {
          id: 'whole',
          name: replaced.length && !replaced.some((s) => state.part[s]) ? 'at list price' : 'as chosen',
        },
        option: make('whole', state),
      },
    ];
    for (const slot of replaced)
      for (const p of alternatives(parts, slot, state))
        options.push({
          row: { id: p.id, name: `${thingName(index, slot)}: ${p.provenance}` },
          option: make(p.id, { ...state, part: { ...state.part, [slot]: entryOf(p) } }),
        });
    if (tasks.length > 1)
      for (const t of tasks.slice(0, 4))
        options.push({
          row: { id: `only ${t.slot}`, name: `only ${taskName[t.action]} the ${thingName(index, t.slot)}` },
          option: make(`only ${t.slot}`, { ...state, task: { [t.slot]: t.action } }),
        });
    return {
      rows: options.map((o) => o.row),
      asked: {
        model: page.model,
        modelHash: flag(state, 'modelHash') ?? '',
        seed: seedOf(page.id),
        trials,
        options: options.map((o) => o.option),
      } satisfies QuoteAsked,
    };
  }, [state.task, state.part, state.remedy, state.condition, ended, figures.extraMin, parts]);
  const quoting = useQuote(asked);
  const priced = (o: QuotedOption): Priced => ({
    id: o.id,
    meanMinor: o.distribution.mean,
    p90Minor: o.distribution.p90,
    chance: figures.limit === null ? null : chanceWithin(o.distribution, figures.limit),
  });
  const known = (quoting.options ?? []).filter((o): o is QuotedOption => 'distribution' in o);
  const whole = known.find((o) => o.id === 'whole');
  const advice =
    whole &&
    advise(
      priced(whole),
      known.filter((o) => o.id.startsWith('only ')).map(priced),
      figures.replacement,
      figures.elsewhere === null ? [] : [{ name: 'elsewhere', priceMinor: figures.elsewhere }],
      figures.limit,
    );
  const earliest =
    whole &&
    earliestReady(time, whole.hands, whole.waitS, waiting, benches, flag(state, 'promisedAt') ?? undefined);
  const quote: BodyOf<'quoted'> | undefined = whole &&
    advice && {
      type: 'quoted',
      p10Minor: Math.round(whole.distribution.p10),
      p50Minor: Math.round(whole.distribution.p50),
      p90Minor: Math.round(whole.distribution.p90),
      meanMinor: Math.round(whole.distribution.mean),
      limitMinor: figures.limit,
      chance: figures.limit === null ? null : chanceWithin(whole.distribution, figures.limit),
      replacementMinor: figures.replacement,
      advice: advice.advice,
    };
  const fresh =
    quote !== undefined &&
    recorded !== undefined &&
    quote.p10Minor === recorded.p10Minor &&
    quote.p90Minor === recorded.p90Minor &&
    quote.limitMinor === recorded.limitMinor;

  // the price that is agreed to is the one that is recorded: what stands on the screen goes into the log first
  const wait = quoting.busy || (tasks.length > 0 && quote === undefined);
  useEffect(() => {
    if (!ended && quote && recorded === undefined && !wait && context.route === undefined)
      void replica.report(quote);
  }, [ended, quote, recorded, wait, context.route, replica]);
  const agree = async (which: Consent[], given: Given, answers: Record<string, string>) => {
    setBusy(true);
    try {
      // name and hand stand with the job's private data; the log knows their id only
      const signature = crypto.randomUUID();
      const res = await fetch(`/jobs/${page.id}/signatures/${signature}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: given.name, strokes: given.strokes }),
      }).catch(() => undefined);
      if (!res?.ok) {
        say('The name could not be kept: the server is away. Nothing was recorded; try again.');
        return;
      }
      setSigners((s) => ({ ...s, [signature]: given.name }));
      // the price that is agreed to goes into the log first
      const price = which.some((c) => c.kind === 'price') && quote && !fresh ? [quote] : [];
      await report(
        ...price,
        ...which.map(
          (c): Body => ({
            type: 'consentGiven',
            effect: c.id,
            by: given.name === page.owner || !page.owner ? 'owner' : 'for the owner',
            ...(answers[c.id] ? { answer: answers[c.id] } : {}),
            signature,
          }),
        ),
      );
    } finally {
      setBusy(false);
    }
  };
  const choosePart = (slot: string, p: StockPart | undefined) => {
    void report(p ? { type: 'partChosen', slot, ...entryOf(p) } : { type: 'partDropped', slot });
  };
  // before the owner has agreed, what stands on the screen; afterwards what was agreed to
  const spoken =
    state.consent.price === undefined && context.route === undefined ? (quote ?? recorded) : recorded;
  const priceText = spoken
    ? `The price: most likely ${money(spoken.p10Minor, currency)} to ${money(spoken.p90Minor, currency)}${spoken.limitMinor === null ? '' : `, and not above ${money(spoken.limitMinor, currency)} without asking`}.`
    : 'The price as offered.';
  const open = openConsents(consents, state);
  return (
    <>
      <JobScreen page={page} index={index} state={state} here="offer" said={said}>
        <div className="cols main-side high">
          <div className="stack">
            <section className="card stack" aria-label="Tasks">
              <div className="spread high">
                <div>
                  <h1>
                    {ended
                      ? `Closed: ${flag(state, 'ending')}`
                      : tasks.length
                        ? cap(
                            list(
                              tasks.map((t) => `${taskName[t.action]} the ${thingName(index, t.slot)}`),
                              3,
                            ),
                          )
                        : 'What is to be done?'}
                  </h1>
                  <p className="muted">
                    {tasks.length ? (
                      (flag(state, 'cause')?.because ?? `“${(flag(state, 'complaint') ?? '').slice(0, 160)}”`)
                    ) : (
                      <>
                        Choose the tasks, or <Link to={`/jobs/${page.id}/fault`}>find the fault first</Link>.
                      </>
                    )}
                  </p>
                </div>
                {!ended && (
                  <div className="row one-line">
                    {recorded && <Button href={`/jobs/${page.id}/offer.pdf`}>PDF</Button>}
                    {tasks.length > 0 && (
                      <LinkButton
                        type={open.length ? 'default' : 'primary'}
                        to={`/jobs/${page.id}/route`}
                        reloadDocument
                      >
                        {open.length ? 'See the route' : 'Agreed: to the route'}
                      </LinkButton>
                    )}
                  </div>
                )}
              </div>
              {!ended && (
                <TaskPicker
                  least={0}
                  parts={index.model.slots}
                  tasks={tasks}
                  onSet={(slot, action) => {
                    void report({ type: 'taskSet', slot, action });
                  }}
                />
              )}
            </section>
            {tasks.length > 0 && (
              <PartsCard
                index={index}
                state={state}
                slots={replaced}
                parts={parts}
                currency={currency}
                method={methods['display-data']}
                reads={whole?.reads ?? []}
                disabled={ended}
                onPart={choosePart}
                onRemedy={(slot, remedy) => {
                  void report({ type: 'remedySet', slot, remedy });
                }}
                onBroken={(slot) => {
                  void report(
                    {
                      type: 'noted',
                      text: 'Too broken to be read: nothing to copy.',
                      thing: slot,
                      finding: true,
                    },
                    { type: 'remedySet', slot, remedy: 'accept' },
                  );
                }}
              />
            )}
            {tasks.length > 0 && (
              <ConsentsCard
                index={index}
                state={state}
                signers={{ ...page.signers, ...signers }}
                consents={consents}
                price={priceText}
                owner={page.owner ?? ''}
                disabled={ended || wait}
                busy={busy}
                onAgree={(which, given, answers) => {
                  void agree(which, given, answers);
                }}
              />
            )}
          </div>
          <div className="stack">
            <PriceCard
              quoting={quoting}
              rows={rows}
              figures={figures}
              advice={advice}
              currency={currency}
              disabled={ended}
              begun={context.route !== undefined}
            />
            {!ended &&
              quote &&
              recorded &&
              !fresh &&
              !wait &&
              (context.route === undefined || state.consent.price === undefined) && (
                <Note layout="row" role="status">
                  <span className="fill">{`In the record and on the PDF stands ${money(recorded.p10Minor, currency)} to ${money(recorded.p90Minor, currency)}${recorded.limitMinor === null ? ' without a limit' : `, limit ${money(recorded.limitMinor, currency)}`}; the screen has moved on.`}</span>
                  <Button
                    onClick={() => {
                      void report(quote);
                    }}
                  >
                    Record this price
                  </Button>
                </Note>
              )}
            <PromiseCard
              key={flag(state, 'promisedAt') ?? 0}
              earliest={earliest}
              devices={waiting.length}
              benches={benches}
              promisedAt={flag(state, 'promisedAt') ?? null}
              promisedAs={flag(state, 'promisedAs') ?? ''}
              now={time}
              disabled={ended}
              onPromise={(at, as) => {
                void report({ type: 'promised', at, as });
              }}
            />
            {!ended && context.route === undefined && (
              <section className="card stack" aria-label="Not repaired">
                {declining ? (
                  <Form
                    className="stack"
                    onFinish={() => {
                      if (reason.trim())
                        void report({ type: 'jobClosed', ending: 'declined', note: reason.trim() });
                    }}
                    layout="vertical"
                  >
                    <Field label="Why it is not repaired" htmlFor="declined-why">
                      <Input
                        id="declined-why"
                        required
                        maxLength={1000}
                        value={reason}
                        onChange={(e) => setReason(e.target.value)}
                      />
                    </Field>
                    <div className="row">
                      <Button htmlType="submit" danger>
                        Close as declined
                      </Button>
                      <Button onClick={() => setDeclining(false)}>Back</Button>
                    </div>
                  </Form>
                ) : (
                  <div className="spread mid">
                    <span className="muted">The owner does not want it repaired?</span>
                    <Button onClick={() => setDeclining(true)}>Declined…</Button>
                  </div>
                )}
              </section>
            )}
          </div>
        </div>
      </JobScreen>
      {stop}
    </>
  );
}
const entryOf = (p: StockPart): PartEntry => ({
  part: p.id,
  name: p.name,
  provenance: p.provenance,
  supplier: p.supplier,
  lot: p.lot,
  serial: p.serial,
  priceMinor: p.priceMinor,
  arrivesWith: p.arrivesWith,
  released: p.released,
  proof: p.proof,
});
/** Of the parts that could be taken instead, the cheapest of each provenance; two at most. */
function alternatives(parts: readonly StockPart[], slot: string, state: JobState): StockPart[] {
  const seen = new Set<string>(state.part[slot] ? [state.part[slot].provenance] : []);
  return parts
    .filter((p) => p.slot === slot && p.released !== 'locked' && p.id !== state.part[slot]?.part)
    .filter((p) => !seen.has(p.provenance) && seen.add(p.provenance))
    .slice(0, 2);
}
