import { Input, Button } from 'antd';
import { useState, useSyncExternalStore } from 'react';
import { agreedBy } from '../../../core/consents/consents';
import { dueAtEnd } from '../../../core/job/due-at-end';
import { type Body, type Ending, endings } from '../../../core/job/events';
import type { Finding } from '../../../core/job/interlocks';
import { flag, holderOf, type JobState } from '../../../core/job/state';
import { consentsNeeded, dataDue, effectsOf, type Remedies } from '../../../core/pairing/effects';
import { replacedSlots } from '../../../core/job/view';
import { type IndexedModel, indexModel } from '../../../core/model/index-model';
import { benchTime } from '../../job/clock';
import { ownerKey } from '../../job/outbox';
import { senderFor } from '../../job/sender';
import { useJob } from '../../job/use-job';
import { JobScreen } from '../../ui/job-head';
import { Ledger } from '../../ui/ledger';
import { StopSheet } from '../../ui/stop-sheet';
import { findingText, refusalText } from '../../words/findings';
import { plural, thingName } from '../../words/things';
import { loadJob } from '../job-loader';
import type { Route } from './+types/hand-over';
import { LinkButton } from '../../ui/link-button';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  return loadJob(request, context, params.job);
}

/** What is looked at in the hand before the owner has it: of this device and this job. */
function handOverList(index: IndexedModel, state: JobState): string[] {
  const has = (kind: string) => index.model.slots.some((s) => s.kind === kind);
  const bag = Object.entries(state.place).filter(([, at]) => at === 'aside/owner');
  const screws = bag.filter(([piece]) => index.fasteners.has(holderOf(piece))).length;
  return [
    'Brightness set by hand where automatic brightness is lost.',
    'Ear and speaker grilles clean, mute switch free of dust.',
    ...(has('tray') ? ['SIM tray back in.'] : []),
    ...(bag.length
      ? [`The owner’s bag: ${plural(screws, 'screw')}, ${plural(bag.length - screws, 'part')}, counted.`]
      : []),
    'Film off, or a new glass protector if one was promised.',
  ];
}
const endingText: Record<Ending, [string, string]> = {
  'handed over': ['Hand it over', 'repaired, proved, and given back'],
  declined: ['Declined', 'given back as it came: nothing was done, or all is as before'],
  abandoned: ['Abandoned', 'given back unfinished: every piece is in the bag'],
};

export default function HandOver({ loaderData }: Route.ComponentProps) {
  const { who, page } = loaderData;
  const { replica, view } = useJob(page, who);
  const sender = senderFor(ownerKey(who.shopId, who.personId), who.personId);
  const send = useSyncExternalStore(sender.watch, sender.snapshot, sender.snapshot);
  const index = indexModel(page.model);
  const { state, context } = view;
  const [ending, setEnding] = useState<Ending>('handed over');
  const [note, setNote] = useState('');
  const [said, setSaid] = useState<string>();
  const [stop, setStop] = useState<{ findings: Finding[]; body: Body }>();
  const ended = flag(state, 'ending');
  const due = dueAtEnd(
    {
      index,
      state,
      waits: context.waits,
      role: who.role,
      methods: context.route?.input.methods,
      now: { ...benchTime(), at: Math.max(benchTime().at, state.lastAt) },
    },
    ending,
  );
  // what will be replaced counts from the start: the owner is told before, not after
  const effects = effectsOf(
    index,
    [
      ...new Set([
        ...Object.keys(state.task).filter((s) => state.task[s] === 'replace'),
        ...replacedSlots(state),
      ]),
    ],
    context.route?.input.methods,
    state.remedy as Remedies,
    flag(state, 'system')?.version,
  );
  const close = (override?: Parameters<React.ComponentProps<typeof StopSheet>['onPass']>[0]) => {
    // whoever gives a device back unrepaired says why: the record keeps it
    if (ending !== 'handed over' && !note.trim()) {
      setSaid('Give the reason in the note: it stays in the record.');
      document.getElementById('note')?.focus();
      return;
    }
    const body: Body = { type: 'jobClosed', ending, note };
    if (due.length && !override) {
      setStop({ findings: due, body });
      return;
    }
    setStop(undefined);
    void replica.report(body, override ? { override } : {}).then((d) => {
      if (d.refused?.code === 'interlock') setStop({ findings: d.refused.findings, body });
      else setSaid(d.refused ? refusalText(index, d.refused) : undefined);
    });
  };
  return (
    <>
      <JobScreen page={page} index={index} state={state} here="hand-over" said={said}>
        <div className="cols near-even high">
          <section className="card stack">
            {ended ? (
              <>
                <h1>{`Closed: ${ended}`}</h1>
                <p>The record is complete. Passcode and session data of this job are gone; the log stays.</p>
              </>
            ) : (
              <>
                <h1>
                  {due.length
                    ? `${due.length} ${due.length === 1 ? 'thing is' : 'things are'} still due`
                    : 'Ready to hand over'}
                </h1>
                <div className="row" role="radiogroup" aria-label="How the job ends">
                  {endings.map((e) => (
                    <Button
                      key={e}
                      role="radio"
                      aria-checked={e === ending}
                      type={e === ending ? 'primary' : 'default'}
                      onClick={() => setEnding(e)}
                    >
                      {e}
                    </Button>
                  ))}
                  <span className="muted small">{endingText[ending][1]}</span>
                </div>
                {due.map((f) => {
                  const t = findingText(index, f);
                  return (
                    <Note key={f.rule} tone="stop" layout="spread" className="mid">
                      <div>
                        <span className="strong">{t.what}</span> {t.instead}
                      </div>
                      {(f.rule === 'after check open' || f.rule === 'enrolment left') && (
                        <LinkButton to={`/jobs/${page.id}/checks`}>Checks</LinkButton>
                      )}
                      {(f.rule === 'device open' || f.rule === 'ledger does not balance') && (
                        <LinkButton to={`/jobs/${page.id}/work`}>Work</LinkButton>
                      )}
                    </Note>
                  );
                })}
                {due.length === 0 && (
                  <Note tone="safe">
                    <strong>The ledger balances, checks are passed, nothing is open.</strong>
                    <ul className="m-list indent-20">
                      {handOverList(index, state).map((line) => (
                        <li key={line}>{line}</li>
                      ))}
                    </ul>
                  </Note>
                )}
                <Field label="Note for the report" htmlFor="note">
                  <Input.TextArea
                    id="note"
                    rows={2}
                    maxLength={1000}
                    value={note}
                    onChange={(e) => setNote(e.target.value)}
                  />
                </Field>
                <div className="row">
                  <Button type="primary" onClick={() => close()}>
                    {endingText[ending][0]}
                  </Button>
                </div>
              </>
            )}
            <div className="row">
              <LinkButton to={`/jobs/${page.id}/report`}>Report</LinkButton>
              <Button href={`/jobs/${page.id}/report.pdf`}>Report as PDF</Button>
              <Button href={`/jobs/${page.id}/log.json`} download>
                Log as JSON
              </Button>
            </div>
          </section>
          <section className="card stack">
            <h2>What the owner was told</h2>
            {consentsNeeded(effects).length === 0 && <p className="muted">Nothing changes for the owner.</p>}
            {consentsNeeded(effects).map((e) => (
              <div key={e.id} className="spread mid">
                <span>{e.owner}</span>
                {state.consent[e.id] ? (
                  <span className="moss strong nowrap">{`agreed: ${agreedBy(state, page.signers, e.id)}`}</span>
                ) : (
                  <Button
                    disabled={!!ended}
                    onClick={() => {
                      void replica.report({ type: 'consentGiven', effect: e.id, by: 'owner' });
                    }}
                  >
                    Owner agrees
                  </Button>
                )}
              </div>
            ))}
            {dataDue(effects).map((s) => (
              <div key={s} className="spread mid">
                <span>{`Identity data of the ${thingName(index, s)}: ${state.data[s] ?? 'open'}`}</span>
                {!state.data[s] && (
                  <Button
                    onClick={() => {
                      void replica.report({
                        type: 'dataDeclined',
                        slot: s,
                        reason: note.trim() || 'owner accepts the notice',
                      });
                    }}
                  >
                    Declined
                  </Button>
                )}
              </div>
            ))}
          </section>
        </div>
      </JobScreen>
      <Ledger index={index} state={state} send={send} />
      {stop && (
        <StopSheet
          index={index}
          findings={stop.findings}
          who={who}
          onBack={() => setStop(undefined)}
          passLabel={`${endingText[ending][0]} all the same`}
          onPass={close}
        />
      )}
    </>
  );
}
