import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/offer';
import { Input, Button } from 'antd';
import { useState } from 'react';
import { plural } from '../../../words/things';
import { minutes } from '../../../words/time';
import { later } from '../../ui/later';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';
import type { PromiseSaid } from '../../../core/wire/promise-asked';
import { FreeSlots } from '../../ui/free-slots';
import { usePromise } from './use-promise';

// the calendar is a tenth of this page's script, and seldom opened
const When = later(() => import('../../ui/when').then((m) => m.When));

/** A promise that is kept on fewer of a hundred days than this is a tight one. */
const surely = 80;

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
  const [at, setAt] = useState<number | null>();
  const [as, setAs] = useState(promisedAs);
  const typed = at === undefined ? promisedAt : at;
  const past = typed !== null && typed < now;
  const said = usePromise(disabled ? undefined : takes, past ? null : typed);
  // one figure at a time: the queue's only where the plan of the day gives none
  const tight =
    !past && typed !== null && (said ? (said.chance ?? 100) < surely : !!earliest && typed < earliest.lateAt);
  const hardly = said ? (said.chance ?? 100) < 50 : !!earliest && typed !== null && typed < earliest.likelyAt;
  return (
    <section className="card stack" aria-label={wording.promise}>
      <h2>{wording.promise}</h2>
      {said ? (
        <ByThePlan said={said} now={now} disabled={disabled} onTake={setAt} />
      ) : earliest ? (
        <Queue earliest={earliest} devices={devices} benches={benches} now={now} />
      ) : (
        <p className="muted">{wording.knownWhenTheRouteIs}</p>
      )}
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
          {wording.thatIsBeforeTheTime(hardly ? wording.itWillMostLikelyBe : wording.itCanJustBeDone)}
        </Note>
      )}
    </section>
  );
}

/** What the plan of the day says: when it is ready with everybody else as they are, and whom a wished time would make late. */
function ByThePlan({
  said,
  now,
  disabled,
  onTake,
}: {
  said: PromiseSaid;
  now: number;
  disabled: boolean;
  onTake: (at: number) => void;
}) {
  const { soon } = useFormats();
  return (
    <>
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
      <FreeSlots slots={said.slots} now={now} disabled={disabled} onTake={onTake} />
    </>
  );
}

/** Behind what is on the bench already: a simple queue. */
function Queue({
  earliest,
  devices,
  benches,
  now,
}: { earliest: NonNullable<Props['earliest']> } & Pick<Props, 'devices' | 'benches' | 'now'>) {
  const { soon } = useFormats();
  return (
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
  );
}
