import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/offer';
import { Input, Button } from 'antd';
import { useState } from 'react';
import { plural } from '../../../words/things';
import { minutes } from '../../../words/time';
import { later } from '../../ui/later';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';
import { usePromise } from './use-promise';

// the calendar is a tenth of this page's script, and seldom opened
const When = later(() => import('../../ui/when').then((m) => m.When));

interface Props {
  /** What the device takes, for the plan of the day; undefined until the route is known. */
  takes: { job: string; low: number; likely: number; high: number; wait: number } | undefined;
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
  takes,
  earliest,
  devices,
  benches,
  promisedAt,
  promisedAs,
  now,
  disabled,
  onPromise,
}: Props) {
  const { soon } = useFormats();
  const [at, setAt] = useState<number | null>();
  const [as, setAs] = useState(promisedAs);
  const typed = at === undefined ? promisedAt : at;
  const past = typed !== null && typed < now;
  const tight = !past && typed !== null && earliest !== undefined && typed < earliest.lateAt;
  return (
    <section className="card stack" aria-label={wording.promise}>
      <h2>{wording.promise}</h2>
      {earliest ? (
        <p suppressHydrationWarning>
          {wording.readyAbout} <strong>{soon(earliest.likelyAt, now)}</strong>
          {wording.atTheLatest} <strong>{soon(earliest.lateAt, now)}</strong>.{' '}
          <span className="muted">
            {earliest.queueS > 0
              ? wording.beforeItTakeAt(
                  plural(devices, wording.otherDevice),
                  minutes(earliest.queueS / 60),
                  plural(benches, 'bench', 'benches'),
                )
              : wording.nothingStandsBeforeIt}
          </span>
        </p>
      ) : (
        <p className="muted">{wording.knownWhenTheRouteIs}</p>
      )}
      {takes && !disabled && <ByThePlan takes={takes} by={past ? null : typed} now={now} />}
      <div className="row low">
        <Field label={wording.promisedFor} htmlFor="promise-at">
          <When id="promise-at" disabled={disabled} value={typed} now={now} invalid={past} onChange={setAt} />
        </Field>
        <Field label={wording.becauseOf} htmlFor="promise-as" className="grow-100">
          <Input
            id="promise-as"
            className="shrinks"
            disabled={disabled}
            maxLength={60}
            value={as}
            placeholder={wording.aSailingSay}
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
          {wording.promise}
        </Button>
      </div>
      {past && (
        <span className="brick" role="alert">
          {wording.thisTimeIsPastGive}
        </span>
      )}
      {tight && (
        <Note role="status">
          {wording.thatIsBeforeTheTime(
            typed! < earliest!.likelyAt ? wording.itWillMostLikelyBe : wording.itCanJustBeDone,
          )}
        </Note>
      )}
    </section>
  );
}

/** What the plan of the day says: when it is ready with everybody else as they are, and whom a wished time would make late. */
function ByThePlan({
  takes,
  by,
  now,
}: {
  takes: NonNullable<Props['takes']>;
  by: number | null;
  now: number;
}) {
  const { soon } = useFormats();
  const said = usePromise(takes, by);
  if (!said) return null;
  return (
    <p data-testid="by-the-plan" suppressHydrationWarning>
      {wording.byThePlan} <strong>{soon(said.readyAt, now)}</strong>
      {said.chance !== undefined && wording.keptIn(said.chance)}.{' '}
      {said.pushed.length ? (
        <span className="brick strong">
          {said.pushed.map((p) => wording.pushes(p.name, minutes(p.byS / 60))).join('; ')}
        </span>
      ) : (
        <span className="muted">{wording.pushesNobody}</span>
      )}
    </p>
  );
}
