import { Button, type InputRef } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import { faultOf, knownCause, noExperience } from '../../../core/diagnose/fault';
import { faultView } from '../../../core/diagnose/next';
import { symptomOfFunction, symptomsIn } from '../../../core/diagnose/knowledge/symptoms';
import type { Body } from '../../../core/job/events';
import { flag } from '../../../core/job/state';
import type { FunctionId } from '../../../core/model/schema';
import { indexModel } from '../../../core/model/index-model';
import { faultPage } from '../../../server/use-cases/fault-page';
import { requirePerson } from '../../context';
import { fromServerOrCopy, notePerson } from '../../job/offline-page';
import { useJob } from '../../job/use-job';
import { JobScreen } from '../../ui/job-head';
import { useKeys } from '../../ui/keys';
import { useReport } from '../../ui/use-report';
import { causeName } from '../../words/fault';
import { cap, thingName } from '../../words/things';
import type { Route } from './+types/fault';
import { Causes } from './causes-card';
import { NextTest } from './next-test';
import { Symptoms } from './symptoms-card';
import { Tests } from './tests-card';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const found = z.uuid().safeParse(params.job).success ? await faultPage(who, params.job) : undefined;
  if (!found) throw new Response(null, { status: 404, statusText: 'No such job' });
  return { who, ...found };
}
type Loaded = Awaited<ReturnType<typeof loader>>;
export function clientLoader({ params, serverLoader }: Route.ClientLoaderArgs): Promise<Loaded> {
  return fromServerOrCopy(params.job, () => serverLoader() as Promise<Loaded>, {
    experience: noExperience,
    earlier: [],
  });
}

export default function Fault({ loaderData }: Route.ComponentProps) {
  const { who, page, experience, earlier } = loaderData;
  notePerson(who);
  const { replica, view } = useJob(page, who);
  const search = useRef<InputRef>(null);
  const [chosen, setChosen] = useState<string>();
  const index = indexModel(page.model);
  const { state } = view;
  const { report, said, stop } = useReport(replica, index, who);
  useKeys({ search: () => search.current?.focus() });
  const past = earlier.length ? ['here before'] : [];
  // biome-ignore lint/correctness/useExhaustiveDependencies: the past does not change while the page is open
  const fault = useMemo(
    () =>
      faultOf(
        index,
        state,
        who.settings.hourlyRateMinor,
        experience,
        past,
        earlier.map((j) => ({
          touched: j.touched,
          daysAgo: Math.max(0, (page.openedAt - j.lastAt) / 86_400_000),
        })),
      ),
    [index, state, who, experience],
  );
  const seen = useMemo(() => fault && faultView(index, state, fault), [index, state, fault]);
  const ended = flag(state, 'ending') !== undefined;
  const found = flag(state, 'cause');
  const complaint = flag(state, 'complaint') ?? '';
  const failing = Object.entries(state.check)
    .filter(([k, c]) => k.startsWith('before ') && c.result === 'fails')
    .map(([k]) => k.slice(7) as FunctionId);
  const suggested = [
    ...new Set([...symptomsIn(complaint), ...failing.flatMap((f) => symptomOfFunction[f] ?? [])]),
  ].filter((s) => !state.symptom[s]);
  /** A test is begun, which can be refused, before its outcome is a fact. */
  const answer = async (test: string, outcome: string, note: string) => {
    const tested: Body = { type: 'tested', test, outcome, ...(note ? { note } : {}) };
    const known = state.test[test] !== undefined && state.test[test].declined === undefined;
    if (await report(...(known ? [tested] : [{ type: 'testBegun' as const, test }, tested])))
      setChosen(undefined);
  };
  const stateFault = async (cause: string, because: string) => {
    if (!(await report({ type: 'causeStated', cause, because }))) return;
    const known = knownCause(cause);
    const slot = fault?.causes.find((c) => c.id === cause)?.slot;
    if (known && known.task !== 'none' && slot && !state.task[slot])
      await report({ type: 'taskSet', slot, action: known.task });
  };
  const next = seen?.next;
  const current = chosen ?? (next && 'test' in next ? next.test : undefined);
  const currentView = seen?.tests.find((t) => t.test.id === current);
  return (
    <>
      <JobScreen page={page} index={index} state={state} here="fault" said={said}>
        {state.condition.swollen && earlier.some((j) => j.backReplaced) && (
          <Note>
            A back was replaced here before. A crumb of glass left between back and cell presses into it for
            months: look for it, and record both.
          </Note>
        )}
        <div className="cols main-side high">
          <div className="stack">
            {found ? (
              <section className="card stack" aria-label="The fault">
                <div className="spread high">
                  <div>
                    <div className="muted">Found</div>
                    <h1 className="now-title">{cap(causeName(found.id))}</h1>
                    <p>{found.because}</p>
                    <p className="muted">{knownCause(found.id)?.remedy ?? ''}</p>
                  </div>
                  <div className="row one-line">
                    {!ended && (
                      <Button
                        onClick={() => {
                          void report({ type: 'causeStated', cause: 'none', because: 'looked at again' });
                        }}
                      >
                        Open again
                      </Button>
                    )}
                    {knownCause(found.id)?.task === 'none' && !Object.keys(state.task).length ? (
                      <>
                        <LinkButton to={`/jobs/${page.id}/offer`}>Offer</LinkButton>
                        <LinkButton type="primary" to={`/jobs/${page.id}/checks`}>
                          Check it, hand it over
                        </LinkButton>
                      </>
                    ) : (
                      <LinkButton type="primary" to={`/jobs/${page.id}/offer`}>
                        To the offer
                      </LinkButton>
                    )}
                  </div>
                </div>
              </section>
            ) : !fault ? (
              <section className="card stack" aria-label="The fault">
                <h1>What does the owner complain of?</h1>
                <p>
                  Choose the symptoms on the right. From then on this page says which causes are likely on
                  this model, and which test tells most for its cost: the harmless ones first. If you know
                  already, <Link to={`/jobs/${page.id}/offer`}>choose the tasks on Offer</Link>.
                </p>
              </section>
            ) : !seen ? (
              <section className="card stack" aria-label="The fault">
                <h1>What was seen fits no cause</h1>
                <p>
                  One of the outcomes below contradicts the others. Take the latest back, or answer it again.
                </p>
              </section>
            ) : (
              <NextTest
                key={current ?? 'repair'}
                index={index}
                fault={fault}
                seen={seen}
                current={currentView}
                proposed={!chosen}
                state={state}
                currency={who.settings.currency}
                disabled={ended}
                onAnswer={(outcome, note) => {
                  void answer(current!, outcome, note);
                }}
                onDecline={(reason) => {
                  void report({ type: 'testDeclined', test: current!, reason }).then(() =>
                    setChosen(undefined),
                  );
                }}
                onState={(c, because) => {
                  void stateFault(c, because);
                }}
                onBack={() => setChosen(undefined)}
                offer={`/jobs/${page.id}/offer`}
              />
            )}
            {fault && seen && (
              <Causes
                fault={fault}
                seen={seen}
                currency={who.settings.currency}
                name={(id) => thingName(index, id)}
                onState={
                  ended || found
                    ? undefined
                    : (c, because) => {
                        void stateFault(c, because);
                      }
                }
              />
            )}
          </div>
          <div className="stack">
            <Symptoms
              complaint={complaint}
              state={state}
              suggested={suggested}
              earlier={earlier}
              disabled={ended}
              onSet={(symptom, on) => {
                void report({ type: 'symptomSet', symptom, on });
              }}
            />
            {seen && (
              <Tests
                seen={seen}
                state={state}
                current={current}
                search={search}
                onChoose={(id) => setChosen(id)}
                currency={who.settings.currency}
              />
            )}
          </div>
        </div>
      </JobScreen>
      {stop}
    </>
  );
}
