import { Progress, Input, Form, Button } from 'antd';
import { useMemo, useState } from 'react';
import { type Fault, guessJobs } from '../../../core/diagnose/fault';
import type { FaultView } from '../../../core/diagnose/next';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase, lineLooks } from '../../ui/chart-theme';
import { causeName, percent, testName } from '../../words/fault';
import { plural } from '../../words/things';
import { money } from '../../words/time';
import { Field } from '../../ui/field';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';

/** How many causes are shown before the rest is asked for. */
const shown = 6;

/** The causes with their chances now, and how the tests moved them. */
export function Causes({
  fault,
  seen,
  currency,
  name,
  onState,
}: {
  fault: Fault;
  seen: FaultView;
  currency: string;
  name: (slot: string) => string;
  onState: ((cause: string, because: string) => void) | undefined;
}) {
  const [all, setAll] = useState(false);
  const [stating, setStating] = useState<string>();
  const [because, setBecause] = useState('');
  const now = seen.course.at(-1)!.belief;
  const rows = fault.causes
    .map((c, i) => ({ ...c, p: now[i]!, i, price: fault.problem.causes[i]!.repairCost }))
    .sort((a, b) => b.p - a.p);
  const top = rows.slice(0, lineLooks.length);
  const dy = labelShifts(top.map((c) => c.p));
  const option = useMemo(
    () => ({
      ...chartBase,
      grid: { ...chartBase.grid, right: 220, top: 12 },
      xAxis: {
        type: 'category',
        data: seen.course.map((c, k) => (c.seen ? `${k}` : 'before')),
        ...axisLook,
        boundaryGap: false,
      },
      yAxis: {
        type: 'value',
        min: 0,
        max: 100,
        interval: 25,
        ...axisLook,
        axisLabel: { ...axisLook.axisLabel, formatter: '{value} %' },
      },
      series: top.map((c, k) => ({
        name: c.name,
        type: 'line',
        data: seen.course.map((s) => Math.round(s.belief[c.i]! * 1000) / 10),
        symbol: lineLooks[k]!.symbol,
        symbolSize: 9,
        itemStyle: { color: lineLooks[k]!.color },
        lineStyle: { color: lineLooks[k]!.color, type: lineLooks[k]!.type, width: 2.5 },
        endLabel: {
          show: true,
          formatter: '{a}',
          color: lineLooks[k]!.color,
          fontFamily: chartBase.textStyle.fontFamily,
          fontSize: 14,
          distance: 8,
          offset: [0, dy[k]!],
        },
      })),
    }),
    [seen, top, dy],
  );
  return (
    <section className="card stack" aria-label="Causes">
      <div className="spread">
        <h2>What it may be</h2>
        <span className="muted small">
          {fault.jobs
            ? `rests on ${plural(fault.jobs, 'finished job')} and starting guesses (common practice, worth ${guessJobs.symptom} jobs)`
            : 'starting guesses, common practice; no finished job of this kind yet'}
        </span>
      </div>
      <DataTable
        rows={rows.slice(0, all ? 99 : shown)}
        rowKey={(c) => c.id}
        bare
        columns={[
          {
            title: '',
            width: 230,
            cell: (c) => (
              <>
                <span className="strong">{c.name}</span>
                {c.slot && !c.name.includes(name(c.slot)) && (
                  <span className="muted small">{` ${name(c.slot)}`}</span>
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
            cell: (c) => money(c.price, currency),
          },
          {
            title: '',
            width: 96,
            cell: (c) =>
              onState && (
                <Button
                  aria-label={`This is it: ${c.name}`}
                  onClick={() => {
                    setStating(c.id);
                    setBecause('');
                  }}
                >
                  This is it
                </Button>
              ),
          },
        ]}
      />
      {rows.length > shown && (
        <div>
          <Button onClick={() => setAll(!all)}>{all ? 'Only the likeliest' : `All ${rows.length}`}</Button>
        </div>
      )}
      {stating && onState && (
        <Note>
          {' '}
          <Form
            className="row low"
            onFinish={() => {
              if (because.trim()) {
                onState(stating, because.trim());
                setStating(undefined);
              }
            }}
            layout="vertical"
          >
            <Field label={`${causeName(stating)}: what shows it?`} htmlFor="because" className="fill">
              <Input
                id="because"
                maxLength={1000}
                required
                value={because}
                onChange={(e) => setBecause(e.target.value)}
              />
            </Field>
            <Button htmlType="submit" type="primary">
              State it
            </Button>
            <Button onClick={() => setStating(undefined)}>Back</Button>
          </Form>
        </Note>
      )}
      {seen.course.length > 1 && (
        <>
          <h2>How the tests moved it</h2>
          <Chart
            option={option}
            height={230}
            label={`Chances after each test: ${seen.course.map((s) => `${s.seen ? `${testName(s.seen.test)}, ${s.seen.outcome}` : 'before any test'}: ${top.map((c) => `${c.name} ${percent(s.belief[c.i]!)}`).join(', ')}`).join('; ')}`}
          />
          <ol className="small muted m-0 indent-22">
            {seen.course.slice(1).map((s) => (
              <li key={s.seen!.test}>
                {`${testName(s.seen!.test)}: `}
                <span className="strong">{s.seen!.outcome}</span>
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}

/** Height of the plot and least distance of two labels, px. */
const plotPx = 190;
const labelPx = 17;
/** Pixels by which labels at the ends of lines move so that none lies on another or below the axis; shares descending. */
function labelShifts(shares: readonly number[]): number[] {
  const at = shares.map((p) => (1 - p) * plotPx);
  const put = [...at];
  for (let i = 1; i < put.length; i++) put[i] = Math.max(put[i]!, put[i - 1]! + labelPx);
  for (let i = put.length - 1, low = plotPx; i >= 0; i--, low -= labelPx) put[i] = Math.min(put[i]!, low);
  return put.map((y, i) => y - at[i]!);
}
