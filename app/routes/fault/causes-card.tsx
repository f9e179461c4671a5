import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/fault';
import { Progress, Input, Form, Button } from 'antd';
import { useMemo, useState } from 'react';
import { type Fault, guessJobs } from '../../../core/diagnose/fault';
import type { FaultView } from '../../../core/diagnose/next';
import { causeName, percent } from '../../../words/fault';
import { plural } from '../../../words/things';
import { Field, needed } from '../../ui/field';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';
import { type CauseRow, CourseChart } from './course-chart';

/** How many causes are shown before the rest is asked for. */
const shown = 6;

/** The causes with their chances now, and how the tests moved them. */
export function Causes({
  fault,
  seen,
  name,
  onState,
}: {
  fault: Fault;
  seen: FaultView;
  name: (slot: string) => string;
  onState: ((cause: string, because: string) => void) | undefined;
}) {
  const [all, setAll] = useState(false);
  const [stating, setStating] = useState<string>();
  const rows = useMemo(() => {
    const now = seen.course.at(-1)!.belief;
    return fault.causes
      .map((c, i): CauseRow => ({ ...c, p: now[i]!, i, price: fault.problem.causes[i]!.repairCost }))
      .sort((x, y) => y.p - x.p);
  }, [fault, seen]);
  return (
    <section className="card stack" aria-label={wording.causes}>
      <div className="spread">
        <h2>{wording.whatItMayBe}</h2>
        <span className="muted small">
          {fault.jobs
            ? wording.restsOnAndStartingGuesses(plural(fault.jobs, wording.finishedJob), guessJobs.symptom)
            : wording.startingGuessesCommonPracticeNo}
        </span>
      </div>
      <CausesTable
        rows={rows.slice(0, all ? rows.length : shown)}
        name={name}
        onState={onState && setStating}
      />
      {rows.length > shown && (
        <div>
          <Button onClick={() => setAll(!all)}>
            {all ? wording.onlyTheLikeliest : wording.all(rows.length)}
          </Button>
        </div>
      )}
      {stating && onState && (
        <StateCause
          key={stating}
          cause={stating}
          onState={(because) => {
            onState(stating, because);
            setStating(undefined);
          }}
          onBack={() => setStating(undefined)}
        />
      )}
      {seen.course.length > 1 && <CourseChart seen={seen} rows={rows} />}
    </section>
  );
}

function CausesTable({
  rows,
  name,
  onState,
}: {
  rows: readonly CauseRow[];
  name: (slot: string) => string;
  onState: ((cause: string) => void) | undefined;
}) {
  const { money } = useFormats();
  return (
    <DataTable
      rows={rows}
      rowKey={(c) => c.id}
      bare
      columns={[
        {
          title: '',
          width: 230,
          cell: (causeRow) => (
            <>
              <span className="strong">{causeRow.name}</span>
              {causeRow.slot && !causeRow.name.includes(name(causeRow.slot)) && (
                <span className="muted small">{` ${name(causeRow.slot)}`}</span>
              )}
            </>
          ),
        },
        {
          title: '',
          cell: (c) => <Progress percent={100 * c.p} showInfo={false} size="small" aria-hidden="true" />,
        },
        { title: '', className: 'strong', width: 84, align: 'right', cell: (c) => percent(c.p) },
        {
          title: '',
          className: 'muted small',
          width: 92,
          cell: (c) => (c.jobs ? plural(c.jobs, 'job') : 'guess'),
        },
        {
          title: '',
          className: 'muted small',
          width: 92,
          align: 'right',
          cell: (c) => money(c.price),
        },
        {
          title: '',
          width: 96,
          cell: (causeRow) =>
            onState && (
              <Button aria-label={wording.thisIsIt(causeRow.name)} onClick={() => onState(causeRow.id)}>
                {wording.thisIsItLabel}
              </Button>
            ),
        },
      ]}
    />
  );
}

/** Whoever knows says what shows it. */
function StateCause({
  cause,
  onState,
  onBack,
}: {
  cause: string;
  onState: (because: string) => void;
  onBack: () => void;
}) {
  return (
    <Note>
      <Form
        className="row low"
        layout="vertical"
        onFinish={({ because }: { because: string }) => onState(because.trim())}
      >
        <Field
          label={wording.whatShowsIt(causeName(cause))}
          name="because"
          className="fill"
          rules={needed(wording.sayWhatShowsItIt)}
        >
          <Input maxLength={1000} />
        </Field>
        <Button htmlType="submit" type="primary">
          {wording.stateIt}
        </Button>
        <Button onClick={onBack}>{wording.back}</Button>
      </Form>
    </Note>
  );
}
