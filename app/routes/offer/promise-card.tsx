import { Input, Button } from 'antd';
import { useState } from 'react';
import { plural } from '../../../words/things';
import { minutes, soon } from '../../../words/time';
import { later } from '../../ui/later';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';

// the calendar is a tenth of this page's script, and seldom opened
const When = later(() => import('../../ui/when').then((m) => m.When));

interface Props {
  earliest: { likelyAt: number; lateAt: number; queueS: number } | undefined;
  devices: number;
  benches: number;
  promisedAt: number | null;
  promisedAs: string;
  now: number;
  disabled: boolean;
  onPromise: (at: number, as: string) => void;
}

/** When it can be ready, behind what is on the bench already, and what is promised. */
export function PromiseCard({
  earliest,
  devices,
  benches,
  promisedAt,
  promisedAs,
  now,
  disabled,
  onPromise,
}: Props) {
  const [at, setAt] = useState<number | null>();
  const [as, setAs] = useState(promisedAs);
  const typed = at === undefined ? promisedAt : at;
  const past = typed !== null && typed < now;
  const tight = !past && typed !== null && earliest !== undefined && typed < earliest.lateAt;
  return (
    <section className="card stack" aria-label="Promise">
      <h2>Promise</h2>
      {earliest ? (
        <p suppressHydrationWarning>
          Ready about <strong>{soon(earliest.likelyAt, now)}</strong>, at the latest{' '}
          <strong>{soon(earliest.lateAt, now)}</strong>.{' '}
          <span className="muted">
            {earliest.queueS > 0
              ? `${plural(devices, 'other device')} before it take ${minutes(earliest.queueS / 60)} at ${plural(benches, 'bench', 'benches')}.`
              : 'Nothing stands before it.'}
          </span>
        </p>
      ) : (
        <p className="muted">Known when the route is.</p>
      )}
      <div className="row low">
        <Field label="Promised for" htmlFor="promise-at">
          <When id="promise-at" disabled={disabled} value={typed} now={now} invalid={past} onChange={setAt} />
        </Field>
        <Field label="because of" htmlFor="promise-as" className="grow-100">
          <Input
            id="promise-as"
            className="shrinks"
            disabled={disabled}
            maxLength={60}
            value={as}
            placeholder="a sailing, say"
            onChange={(e) => setAs(e.target.value)}
          />
        </Field>
        <Button
          disabled={disabled || typed === null || past || (typed === promisedAt && as === promisedAs)}
          onClick={() => {
            if (typed !== null) {
              onPromise(typed, as.trim());
              setAt(undefined);
            }
          }}
        >
          Promise
        </Button>
      </div>
      {past && (
        <span className="brick" role="alert">
          This time is past: give a later one.
        </span>
      )}
      {tight && (
        <Note role="status">{`That is before the time at which it is ready at the latest. ${typed! < earliest!.likelyAt ? 'It will most likely be late.' : 'It can just be done.'}`}</Note>
      )}
    </section>
  );
}
