import { Button } from 'antd';
import { useState } from 'react';
import type { Absence } from '../../../core/day/hours';
import type { PersonLine } from '../../../core/wire/person-line';
import * as wording from '../../../words/screens/hours';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { Pick } from '../../ui/pick';
import { When } from '../../ui/when';
import { Kept, useChange } from './use-change';

/** Who is away when, and one more of them. */
export function Absences({
  absences,
  people,
  now,
  may,
}: {
  absences: readonly Absence[];
  people: readonly PersonLine[];
  now: number;
  may: boolean;
}) {
  const { change, busy, said } = useChange();
  const { dayAndClock } = useFormats();
  const [person, setPerson] = useState<string>();
  const [from, setFrom] = useState<number | null>(null);
  const [to, setTo] = useState<number | null>(null);
  const name = (id: string) => people.find((p) => p.id === id)?.name ?? '';
  return (
    <section className="stack gap-8" aria-label={wording.absences}>
      <h3>{wording.absences}</h3>
      {absences.length === 0 && <p className="muted small m-0">{wording.nobodyAway}</p>}
      <ul className="list">
        {absences.map((a) => (
          <li key={`${a.person} ${a.from}`} className="row">
            <span className="fill" suppressHydrationWarning>
              {wording.awayFrom(name(a.person), dayAndClock(a.from), dayAndClock(a.to))}
            </span>
            {may && (
              <Button loading={busy} onClick={() => change({ do: 'back', person: a.person, from: a.from })}>
                {wording.takeOut}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {may && (
        <>
          <div className="fields">
            <Field label={wording.who} htmlFor="away-who">
              <Pick
                id="away-who"
                value={person ?? null}
                onChange={(id) => setPerson(id ?? undefined)}
                options={people.map((p) => ({ value: p.id, label: p.name }))}
              />
            </Field>
          </div>
          <div className="row">
            <Field label={wording.from} htmlFor="away-from">
              <When id="away-from" value={from} now={now} onChange={setFrom} />
            </Field>
            <Field label={wording.to} htmlFor="away-to">
              <When id="away-to" value={to} now={now} onChange={setTo} />
            </Field>
          </div>
          <div className="row">
            <Button
              loading={busy}
              disabled={!person || from === null || to === null}
              onClick={() => change({ do: 'away', person, from, to })}
            >
              {wording.add}
            </Button>
            <Kept said={said} />
          </div>
        </>
      )}
    </section>
  );
}
