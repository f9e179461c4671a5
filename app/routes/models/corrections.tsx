import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { indexModel } from '../../../core/model/index-model';
import type { DeviceModel } from '../../../core/model/schema';
import type { ModelNeed } from '../../../core/record/needs';
import type { LibraryModel } from '../../../core/wire/library';
import * as wording from '../../../words/screens/models';
import { plural, thingName } from '../../../words/things';
import { DataTable } from '../../ui/data-table';
import { useKeys } from '../../ui/keys';
import { Kept, useChange } from '../workshop/use-change';

type Names = (id: string) => string;
const namesOf = (model: DeviceModel): Names => {
  const index = indexModel(model);
  return (id) => thingName(index, id);
};
/** What jobs have shown otherwise than the model says: each with its evidence, and taken over with one press. */
export function Corrections({
  hash,
  model,
  may,
  refuted,
  minutes,
  otherwise,
}: Pick<LibraryModel, 'model' | 'refuted' | 'minutes' | 'otherwise'> & { hash: string; may: boolean }) {
  const { change, busy, said } = useChange();
  const name = namesOf(model);
  const slow = minutes.filter((m) => m.proposed);
  if (!refuted.length && !slow.length && !otherwise.length) return null;
  const rows = [
    ...refuted.map((r) => ({
      ...{ key: r.key, what: wording.notNeeded(name(r.first), name(r.slot)) },
      evidence: wording.cameOffBefore(plural(r.jobs, 'job')),
    })),
    ...slow.map((m) => ({
      ...{
        key: `minutes ${m.slot}`,
        what: wording.takesOther(name(m.slot), m.measured.likely, m.model.likely),
      },
      evidence: wording.minutesOf(m.measured.low, m.measured.high, plural(m.jobs, 'job')),
    })),
    ...otherwise.map((o) => ({
      ...{ key: `said ${o.thing}`, what: wording.saidOf(name(o.thing)) },
      evidence: `${plural(o.jobs, 'job')}${o.notes.length ? `: ${o.notes.slice(0, 3).join('; ')}` : ''}`,
    })),
  ];
  const taken = { no: refuted.map((r) => r.key), minutes: slow.map((m) => m.slot) };
  return (
    <section className="card stack gap-8" aria-label={wording.corrections}>
      <h2>{wording.corrections}</h2>
      <DataTable
        name={wording.corrections}
        rows={rows}
        rowKey={(row) => row.key}
        columns={[
          { title: wording.shown, cell: (row) => row.what },
          { title: wording.evidence, cell: (row) => row.evidence },
        ]}
      />
      {may && (refuted.length > 0 || slow.length > 0) && (
        <div className="row">
          <Button type="primary" loading={busy} onClick={() => change({ do: 'correct', hash, ...taken })}>
            {wording.takeOver}
          </Button>
          <Kept said={said} />
        </div>
      )}
    </section>
  );
}

/** What nobody has confirmed and costs most, one at a time: Y keeps it, N leaves it out, and all answers make one next version. */
export function Questions({
  hash,
  model,
  questions,
}: Pick<LibraryModel, 'model' | 'questions'> & { hash: string }) {
  const { change, busy, said } = useChange();
  const [answers, setAnswers] = useState<Record<string, boolean>>({});
  const name = namesOf(model);
  const open = questions.filter((q) => answers[q.key] === undefined);
  const [asked] = open;
  const answer = (yes: boolean) => asked && setAnswers({ ...answers, [asked.key]: yes });
  useKeys({ answer: (n) => (n === 1 || n === 2) && answer(n === 1) });
  // what is kept makes a next version: that one is looked at, and asked about, from then on
  const next = said?.ok && 'hash' in said ? String(said.hash) : undefined;
  const go = useNavigate();
  useEffect(() => {
    if (next) void go(`/models/${next}`);
  }, [next, go]);
  const given = Object.entries(answers);
  const keysOf = (yes: boolean) => given.filter(([, is]) => is === yes).map(([key]) => key);
  if (!questions.length) return null;
  return (
    <section className="card stack gap-8" aria-label={wording.questions}>
      <div className="spread">
        <h2>{wording.questions}</h2>
        <span className="muted small">{wording.openQuestions(open.length)}</span>
      </div>
      {asked ? (
        <>
          <p className="m-0 size-18" data-testid="model-question">
            {questionText(asked, name)}
          </p>
          <p className="m-0 small muted">{wording.costs(asked.minutes.toFixed(1))}</p>
          <div className="row">
            <Button onClick={() => answer(true)}>
              <kbd>1</kbd> {wording.yes}
            </Button>
            <Button onClick={() => answer(false)}>
              <kbd>2</kbd> {wording.no}
            </Button>
          </div>
        </>
      ) : (
        <p className="m-0">{wording.allAnswered}</p>
      )}
      {given.length > 0 && (
        <div className="row">
          <Button
            type="primary"
            loading={busy}
            onClick={() => change({ do: 'correct', hash, yes: keysOf(true), no: keysOf(false) })}
          >
            {wording.keepAnswers(given.length)}
          </Button>
          <Button onClick={() => setAnswers({})}>{wording.dropAnswers}</Button>
          <Kept said={said} />
        </div>
      )}
    </section>
  );
}
const questionText = ({ kind, first, slot, pose }: ModelNeed, name: Names): string =>
  kind === 'part'
    ? wording.mustBeAway(name(first), name(slot), pose ?? 'out')
    : wording.holdsIt(name(first), name(slot));
