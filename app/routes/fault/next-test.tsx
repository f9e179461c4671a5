import { Tag, Input, Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Fault, knownCause } from '../../../core/diagnose/fault';
import type { FaultView, TestView } from '../../../core/diagnose/next';
import type { JobState } from '../../../core/job/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { causeName, percent, narrowing } from '../../words/fault';
import { taskName } from '../../words/steps';
import { cap, thingName } from '../../words/things';
import { money } from '../../words/time';
import { LinkButton } from '../../ui/link-button';
import { Field } from '../../ui/field';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';

interface Props {
  index: IndexedModel;
  fault: Fault;
  seen: FaultView;
  current: TestView | undefined;
  proposed: boolean;
  state: JobState;
  currency: string;
  disabled: boolean;
  offer: string;
  onAnswer: (outcome: string, note: string) => void;
  onDecline: (reason: string) => void;
  onState: (cause: string, because: string) => void;
  onBack: () => void;
}

/** One sentence in big type: the next best test and what each outcome would mean; or the repair, when no test pays any more. */
export function NextTest({
  index,
  fault,
  seen,
  current,
  proposed,
  state,
  currency,
  disabled,
  offer,
  onAnswer,
  onDecline,
  onState,
  onBack,
}: Props) {
  const [note, setNote] = useState('');
  const [declining, setDeclining] = useState(false);
  const { next, diagnosis } = seen;
  if (!current) {
    const cause = 'repair' in next ? next.repair : '';
    const known = knownCause(cause)!;
    const p = diagnosis.posterior[cause] ?? 0;
    const doWhat = (id: string) => {
      const k = knownCause(id)!;
      const at = fault.causes.find((c) => c.id === id)?.slot;
      return k.task === 'none'
        ? (k.remedy ?? cap(k.name))
        : `${cap(taskName[k.task])} the ${at ? thingName(index, at) : k.name}`;
    };
    const because = `${percent(p)} by ${Object.keys(state.test).length ? 'the tests' : 'what the owner says'}; no other test is worth its cost`;
    // where nothing stands out, the cheap ones first: by chance over cost
    if (p < 0.5 && seen.tries.length > 1)
      return (
        <section className="card stack first-thing" aria-label="Next">
          <div className="muted">No further test pays, and nothing stands out</div>
          <h1 className="now-title" data-testid="next">
            Try in this order
          </h1>
          <ol className="list" style={{ counterReset: 'try' }}>
            {seen.tries.map((t, i) => (
              <li key={t.cause} className="spread mid">
                <span className="fill">
                  <span className="strong">{`${i + 1}. ${doWhat(t.cause)}`}</span>
                  <span className="muted">{` ${causeName(t.cause)}, ${percent(t.p)}, ${money(fault.problem.causes.find((c) => c.id === t.cause)!.repairCost, currency)}`}</span>
                </span>
                <Button
                  type={i ? 'default' : 'primary'}
                  disabled={disabled}
                  aria-label={`Take it: ${causeName(t.cause)}`}
                  onClick={() =>
                    onState(t.cause, `${percent(t.p)}; tried first for its chance over its cost`)
                  }
                >
                  Take it
                </Button>
              </li>
            ))}
          </ol>
          <p className="small muted">
            By chance over cost: that order costs least on average until the fault is found.
          </p>
        </section>
      );
    return (
      <section className="card stack first-thing" aria-label="Next">
        <div className="muted">No further test pays</div>
        <h1 className="now-title" data-testid="next">
          {doWhat(cause)}
        </h1>
        <p>{`${cap(known.name)}: ${percent(p)}. Expected to cost ${money(diagnosis.expectedCost, currency)} from here${diagnosis.optimal ? ', and no plan costs less' : ''}.`}</p>
        <div className="row">
          <Button type="primary" disabled={disabled} onClick={() => onState(cause, because)}>
            {known.task === 'none' ? 'That was it' : 'Take it as the fault'}
          </Button>
          <LinkButton to={offer}>Choose the tasks myself</LinkButton>
        </div>
      </section>
    );
  }
  const { test } = current;
  return (
    <section className="card stack first-thing" aria-label="Next">
      <div className="spread">
        <div className="muted">
          {proposed
            ? `Next: with it the whole, tests and repair, costs least on average (${money(diagnosis.expectedCost, currency)})`
            : 'Chosen instead of the proposed one'}
        </div>
        {!proposed && <Button onClick={onBack}>Back to the proposed one</Button>}
      </div>
      <h1 className="now-title" data-testid="next">
        {cap(test.name)}
      </h1>
      <p>{test.how}</p>
      <div className="row gap-8">
        <Tag>{`${minutesText(test.hands)} of hands`}</Tag>
        {test.wait > 0 && <Tag>{`${minutesText(test.wait)} of waiting`}</Tag>}
        <Tag color={test.erases ? 'error' : 'default'}>{test.erases ? 'erases all data' : 'data stay'}</Tag>
        <Tag color={test.rung === 'open it' ? 'warning' : 'default'}>
          {test.rung === 'open it' ? 'the device is opened' : 'nothing is opened'}
        </Tag>
        {test.risk > 0 && <Tag color="warning">{`risk ${percent(test.risk)}`}</Tag>}
        {test.part && <Tag color="warning">needs a known-good part</Tag>}
        <span className="muted">{`${money(current.cost, currency)} in all; leaves ${narrowing(current.gain)} on average`}</span>
      </div>
      {current.shut && (
        <Note tone="stop">
          {current.shut === 'consent' ? (
            <>
              Only with the owner’s consent: <Link to={offer}>record it on Offer</Link>.
            </>
          ) : (
            'Harmless tests that could explain it stand before this one.'
          )}
        </Note>
      )}
      <DataTable
        rows={current.means}
        rowKey={(m) => m.outcome}
        columns={[
          {
            title: 'what happens',
            width: 210,
            cell: (m) => (
              <Button
                className="wide"
                disabled={disabled || current.shut === 'consent'}
                onClick={() => onAnswer(m.outcome, note.trim())}
              >
                {m.outcome}
              </Button>
            ),
          },
          {
            title: 'it would mean',
            cell: (m) => (
              <>
                {cap(test.outcomes.find((o) => o.id === m.outcome)!.says)}.{' '}
                {m.chance > 0 && (
                  <span className="muted">{`Then likeliest: ${causeName(m.cause)}, ${percent(m.p)}.`}</span>
                )}
              </>
            ),
          },
          { title: 'expected', width: 110, cell: (m) => percent(m.chance) },
        ]}
      />
      <div className="row low">
        <Field label={declining ? 'Why it is not done' : 'Note'} htmlFor="note" className="grow-260">
          <Input id="note" maxLength={300} value={note} onChange={(e) => setNote(e.target.value)} />
        </Field>
        {declining ? (
          <>
            <Button danger disabled={!note.trim() || disabled} onClick={() => onDecline(note.trim())}>
              Declined
            </Button>
            <Button onClick={() => setDeclining(false)}>Back</Button>
          </>
        ) : (
          <Button disabled={disabled} onClick={() => setDeclining(true)}>
            Do not do this one
          </Button>
        )}
      </div>
    </section>
  );
}
const minutesText = (m: number) => (m < 1 ? `${m * 60} s` : `${m} min`);
