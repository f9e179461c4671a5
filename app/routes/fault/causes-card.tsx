import { useMemo, useState } from 'react';
import { type Fault, guessJobs } from '../../../core/diagnose/fault';
import type { FaultView } from '../../../core/diagnose/next';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase, lineLooks } from '../../ui/chart-theme';
import { causeName, percent, testName } from '../../words/fault';
import { plural } from '../../words/things';
import { money } from '../../words/time';

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
      <table className="tbl" style={{ tableLayout: 'fixed' }}>
        <tbody>
          {rows.slice(0, all ? 99 : shown).map((c) => (
            <tr key={c.id}>
              <td style={{ width: 230 }}>
                <span className="strong">{c.name}</span>
                {c.slot && !c.name.includes(name(c.slot)) && (
                  <span className="muted small">{` ${name(c.slot)}`}</span>
                )}
              </td>
              <td>
                <span className="bar" style={{ display: 'block', height: 10 }} aria-hidden="true">
                  <i style={{ width: `${100 * c.p}%`, background: 'var(--petrol)' }} />
                </span>
              </td>
              <td className="strong" style={{ width: 84, textAlign: 'right' }}>
                {percent(c.p)}
              </td>
              <td className="muted small" style={{ width: 92 }}>
                {c.jobs ? plural(c.jobs, 'job') : 'guess'}
              </td>
              <td className="muted small" style={{ width: 92, textAlign: 'right' }}>
                {money(c.price, currency)}
              </td>
              <td style={{ width: 96, padding: '2px 0' }}>
                {onState && (
                  <button
                    type="button"
                    className="btn slim"
                    aria-label={`This is it: ${c.name}`}
                    onClick={() => {
                      setStating(c.id);
                      setBecause('');
                    }}
                  >
                    This is it
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > shown && (
        <div>
          <button type="button" className="btn slim" onClick={() => setAll(!all)}>
            {all ? 'Only the likeliest' : `All ${rows.length}`}
          </button>
        </div>
      )}
      {stating && onState && (
        <form
          className="row note"
          style={{ alignItems: 'flex-end' }}
          onSubmit={(e) => {
            e.preventDefault();
            if (because.trim()) {
              onState(stating, because.trim());
              setStating(undefined);
            }
          }}
        >
          <div className="field" style={{ flex: 1 }}>
            <label htmlFor="because">{`${causeName(stating)}: what shows it?`}</label>
            <input
              id="because"
              className="pick"
              maxLength={1000}
              required
              value={because}
              onChange={(e) => setBecause(e.target.value)}
            />
          </div>
          <button type="submit" className="btn primary">
            State it
          </button>
          <button type="button" className="btn slim" onClick={() => setStating(undefined)}>
            Back
          </button>
        </form>
      )}
      {seen.course.length > 1 && (
        <>
          <h2>How the tests moved it</h2>
          <Chart
            option={option}
            height={230}
            label={`Chances after each test: ${seen.course.map((s) => `${s.seen ? `${testName(s.seen.test)}, ${s.seen.outcome}` : 'before any test'}: ${top.map((c) => `${c.name} ${percent(s.belief[c.i]!)}`).join(', ')}`).join('; ')}`}
          />
          <ol className="small muted" style={{ margin: 0, paddingLeft: 22 }}>
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
