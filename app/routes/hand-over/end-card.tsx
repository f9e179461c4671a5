import * as wording from '../../../words/screens/hand-over';
import { Button, Checkbox, Form, Input, Radio } from 'antd';
import { useState } from 'react';
import { dueAtEnd } from '../../../core/rules/due-at-end';
import { handOverList, ownersBag } from '../../../core/rules/hand-over-list';
import type { HandOverItem } from '../../../core/vocabulary/hand-over';
import { type Ending, endings } from '../../../core/log/events';
import type { Finding } from '../../../core/rules/interlocks';
import { benchTime } from '../../job/clock';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { useJobFrame } from '../../ui/job-frame';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';
import { findingText } from '../../../words/findings';
import { bagText, endingText, handOverText } from '../../../words/hand-over';
import { careLines } from '../../../words/report';

/** How the job ends, with what is still due for that. */
export function EndCard({ note, onNote }: { note: string; onNote: (text: string) => void }) {
  const { index, state, context, who, report, stopAt } = useJobFrame();
  const [ending, setEnding] = useState<Ending>('handed over');
  const [noReason, setNoReason] = useState(false);
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
  const [button, means] = endingText[ending];
  const close = () => {
    // whoever gives a device back unrepaired says why: the record keeps it
    if (ending !== 'handed over' && !note.trim()) {
      setNoReason(true);
      document.getElementById('note')?.focus();
      return;
    }
    const body = { type: 'jobClosed' as const, ending, note };
    if (due.length) stopAt(due, [body], wording.allTheSame(button));
    else void report(body);
  };
  return (
    <Form className="stack" layout="vertical" onFinish={close}>
      <h1>
        {due.length
          ? wording.stillDue(due.length, due.length === 1 ? wording.thingIs : wording.thingsAre)
          : wording.readyToHandOver}
      </h1>
      <div className="row">
        <Radio.Group
          aria-label={wording.howTheJobEnds}
          optionType="button"
          buttonStyle="solid"
          value={ending}
          onChange={(e) => setEnding(e.target.value as Ending)}
          options={endings.map((e) => ({ value: e, label: e }))}
        />
        <span className="muted small">{means}</span>
      </div>
      {due.map((f) => (
        <DueNote key={f.rule} finding={f} />
      ))}
      {due.length === 0 && <AllDone />}
      <Field
        label={wording.noteForTheReport}
        htmlFor="note"
        {...(noReason && !note.trim() && ending !== 'handed over'
          ? { validateStatus: 'error', help: wording.giveTheReasonInThe }
          : {})}
      >
        <Input.TextArea
          id="note"
          rows={2}
          maxLength={1000}
          value={note}
          onChange={(e) => onNote(e.target.value)}
        />
      </Field>
      <div className="row">
        <Button type="primary" htmlType="submit">
          {button}
        </Button>
      </div>
    </Form>
  );
}

/** Where what is due is done. */
const doneAt: Partial<Record<Finding['rule'], [path: string, name: string]>> = {
  'after check open': ['checks', 'Checks'],
  'enrolment left': ['checks', 'Checks'],
  'device open': ['work', 'Work'],
  'ledger does not balance': ['work', 'Work'],
};
function DueNote({ finding }: { finding: Finding }) {
  const { index, page } = useJobFrame();
  const said = findingText(index, finding);
  const at = doneAt[finding.rule];
  return (
    <Note tone="stop" layout="spread" className="mid">
      <div>
        <span className="strong">{said.what}</span> {said.instead}
      </div>
      {at && <LinkButton to={`/jobs/${page.id}/${at[0]}`}>{at[1]}</LinkButton>}
    </Note>
  );
}

/** All is proved: what is looked at in the hand, each ticked. */
function AllDone() {
  const { index, state, context, report, ended } = useJobFrame();
  const { dayAndClock } = useFormats();
  const due = handOverList(index, state, context.route?.input.methods);
  const more: Partial<Record<HandOverItem, string>> = {
    bag: bagText(ownersBag(index, state)),
    care: careLines(index, state, dayAndClock).join(' '),
  };
  return (
    <Note tone="safe" layout="stack">
      <strong>{wording.theLedgerBalancesChecksAre}</strong>
      <div className="stack gap-4" role="group" aria-label={wording.seenTo}>
        {due.map((item) => (
          <Checkbox
            key={item}
            disabled={ended}
            checked={state.handed[item] !== undefined}
            onChange={(e) => void report({ type: 'handOverSeen', item, seen: e.target.checked })}
          >
            <span suppressHydrationWarning>{`${handOverText[item]} ${more[item] ?? ''}`}</span>
          </Checkbox>
        ))}
      </div>
    </Note>
  );
}
