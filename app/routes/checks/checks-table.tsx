import * as wording from '../../../words/screens/checks';
import { Button } from 'antd';
import type { DueCheck } from '../../../core/checks/due';
import type { CheckResult } from '../../../core/log/events';
import { type DataColumn, DataTable } from '../../ui/data-table';
import { answerText } from '../../../words/checks';
import { list, thingName } from '../../../words/things';
import { functionHow, functionName } from '../../../words/functions';
import { type Elsewhere, MeasuredBelow } from './measured-below';
import { answersOf, type CheckRow, type ChecksState } from './use-checks';

/** The functions with what they were before, at mid check and after; those due now with their answers. */
export function ChecksTable({
  checks,
  elsewhere,
  at,
  onAnswer,
}: {
  checks: ChecksState;
  elsewhere: Elsewhere;
  /** The one that the keys answer. */
  at: string | undefined;
  onAnswer: (row: CheckRow, result: CheckResult) => void;
}) {
  const { rows, may, round, index, state } = checks;
  const later = (when: 'mid' | 'after'): DataColumn<CheckRow> => ({
    title: when,
    cell: (row) => {
      const dueCheck = row[when];
      return dueCheck ? (
        <>
          <Answer fn={row.fn} r={dueCheck.result} was={row.any.before} stale={dueCheck.stale.length > 0} />
          <MeasuredBelow {...{ state, elsewhere }} round={when} fn={row.fn} />
        </>
      ) : (
        <span className="muted">–</span>
      );
    },
  });
  return (
    <DataTable
      name="Checks"
      rows={rows}
      rowKey={(r) => r.fn}
      rowClassName={(r) => (may && r.fn === at ? 'hot' : '')}
      onRow={(checkRow) => ({
        'data-testid': `check-${checkRow.fn}`,
        'aria-current': may && checkRow.fn === at ? 'true' : undefined,
      })}
      columns={[
        {
          title: wording.functionChecked,
          cell: (r) => (
            <>
              <span className="strong">{functionName[r.fn]}</span>{' '}
              <span className="small muted">{functionHow[r.fn]}</span>
            </>
          ),
        },
        {
          title: wording.dueBecause,
          className: 'small',
          cell: ({ any }) =>
            any.because.length
              ? list([...new Set(any.because.map((b) => thingName(index, b)))], 2)
              : wording.shortList,
        },
        {
          title: wording.before,
          cell: ({ fn, any }) => (
            <>
              <Answer fn={fn} r={any.before} note={state.check[`before ${fn}`]?.note} />
              <MeasuredBelow {...{ state, elsewhere }} round="before" fn={fn} />
            </>
          ),
        },
        later('mid'),
        later('after'),
        {
          title: <span className="sr">{wording.answer}</span>,
          align: 'right',
          className: 'flush',
          cell: (row) =>
            may && row.now && <Answers row={row} due={row.now} round={round} onAnswer={onAnswer} />,
        },
      ]}
    />
  );
}
function Answers({
  row,
  due,
  round,
  onAnswer,
}: {
  row: CheckRow;
  due: DueCheck;
  round: ChecksState['round'];
  onAnswer: (row: CheckRow, result: CheckResult) => void;
}) {
  return (
    <fieldset aria-label={functionName[row.fn]} className="answers">
      {answersOf(round, due).map((r) => {
        const given = due.result === r && !due.stale.length;
        return (
          <Button
            key={r}
            type={given ? 'primary' : 'default'}
            className={r === 'fails' ? 'narrow bad' : 'narrow'}
            aria-pressed={given}
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => onAnswer(row, r)}
          >
            {r === 'same' ? wording.asBeforeAccepted : answerText(row.fn, r)}
          </Button>
        );
      })}
    </fieldset>
  );
}
/** One answer, and whether it differs from what it was on arrival. */
function Answer({
  fn,
  r,
  was,
  stale,
  note,
}: {
  fn: string;
  r: DueCheck['result'];
  was?: DueCheck['before'];
  stale?: boolean;
  note?: string | undefined;
}) {
  if (!r) return <span className="muted">{wording.open}</span>;
  const changed = was !== undefined && was !== r && r !== 'same';
  const tone = stale ? 'muted' : r === 'fails' ? 'brick' : changed ? 'moss' : '';
  return (
    <span className={tone}>
      {answerText(fn, r)}
      {stale ? wording.movedSince : ''}
      {changed && !stale && <strong>{r === 'fails' ? wording.changed : wording.changed2}</strong>}
      {note && <span className="small muted">{` ${note}`}</span>}
    </span>
  );
}
