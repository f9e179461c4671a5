import * as wording from '../../../words/screens/fault';
import { Button, Input } from 'antd';
import { useState } from 'react';
import type { TestView } from '../../../core/diagnose/next';
import { DataTable } from '../../ui/data-table';
import { Field } from '../../ui/field';
import { causeName, percent } from '../../../words/fault';
import { cap } from '../../../words/things';

/** What each outcome of a test would mean, each of them a press; or why the test is not done. */
export function TestAnswer({
  view: current,
  disabled,
  onAnswer,
  onDecline,
}: {
  view: TestView;
  disabled: boolean;
  onAnswer: (outcome: string, note: string) => void;
  onDecline: (reason: string) => void;
}) {
  const [note, setNote] = useState('');
  const [declining, setDeclining] = useState(false);
  const { test } = current;
  return (
    <>
      <DataTable
        rows={current.means}
        rowKey={(m) => m.outcome}
        columns={[
          {
            title: wording.whatHappens,
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
            title: wording.itWouldMean,
            cell: (m) => (
              <>
                {cap(test.outcomes.find((o) => o.id === m.outcome)!.says)}.{' '}
                {m.chance > 0 && (
                  <span className="muted">{wording.thenLikeliest(causeName(m.cause), percent(m.p))}</span>
                )}
              </>
            ),
          },
          { title: wording.expected, width: 110, cell: (m) => percent(m.chance) },
        ]}
      />
      <div className="row low">
        <Field label={declining ? wording.whyItIsNotDone : wording.note} htmlFor="note" className="grow-260">
          <Input id="note" maxLength={300} value={note} onChange={(e) => setNote(e.target.value)} />
        </Field>
        {declining ? (
          <>
            <Button danger disabled={!note.trim() || disabled} onClick={() => onDecline(note.trim())}>
              {wording.declined}
            </Button>
            <Button onClick={() => setDeclining(false)}>{wording.back}</Button>
          </>
        ) : (
          <Button disabled={disabled} onClick={() => setDeclining(true)}>
            {wording.doNotDoThisOne}
          </Button>
        )}
      </div>
    </>
  );
}
