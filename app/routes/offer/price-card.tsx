import { useMemo } from 'react';
import type { AdviceGiven } from '../../../core/quote/advice';
import { chanceWithin } from '../../../core/quote/quote';
import type { QuotedOption } from '../../workers/quote.worker';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase } from '../../ui/chart-theme';
import { tokens } from '../../ui/tokens';
import { percent } from '../../words/fault';
import { adviceName, adviceText } from '../../words/offer';
import { minutes, money } from '../../words/time';
import type { Field, Figures } from './use-figures';
import type { Quoting } from './use-quote';

export interface OptionRow {
  id: string;
  name: string;
}
interface Props {
  quoting: Quoting;
  rows: OptionRow[];
  figures: Figures;
  advice: AdviceGiven | undefined;
  currency: string;
  disabled: boolean;
  begun: boolean;
}

/** What it will cost: the range, the chance of staying within the owner's limit, the options side by side, and the advice. */
export function PriceCard({ quoting, rows, figures, advice, currency, disabled, begun }: Props) {
  const main = quoting.options?.[0];
  const whole = main && 'distribution' in main ? main : undefined;
  const { limit } = figures;
  const option = useMemo(
    () =>
      whole && {
        ...chartBase,
        grid: { left: 4, right: 14, top: 22, bottom: 4, containLabel: true },
        xAxis: {
          type: 'value',
          min: whole.distribution.bins[0]!.from / 100,
          max: Math.max(whole.distribution.bins.at(-1)!.to, limit ?? 0) / 100,
          ...axisLook,
          splitLine: { show: false },
          splitNumber: 5,
        },
        yAxis: { type: 'value', show: false },
        series: [
          {
            type: 'line',
            step: 'start',
            symbol: 'none',
            areaStyle: { color: tokens.petrolSoft },
            lineStyle: { color: tokens.petrol, width: 1.5 },
            data: [
              [whole.distribution.bins[0]!.from / 100, 0],
              ...whole.distribution.bins.map((b) => [b.to / 100, b.n]),
              // beyond the last bar there is nothing
              [whole.distribution.bins.at(-1)!.to / 100, 0],
            ],
            markLine: {
              silent: true,
              symbol: 'none',
              label: { fontFamily: chartBase.textStyle.fontFamily, fontSize: 13, color: tokens.ink },
              data: [
                {
                  xAxis: Math.round(whole.distribution.p50) / 100,
                  label: { formatter: 'half' },
                  lineStyle: { color: tokens.petrol, type: 'solid' },
                },
                ...(limit === null
                  ? []
                  : [
                      {
                        xAxis: limit / 100,
                        label: { formatter: 'limit' },
                        lineStyle: { color: tokens.brick, type: 'dashed', width: 2 },
                      },
                    ]),
              ],
            },
          },
        ],
      },
    [whole, limit],
  );
  const field = (f: Field, label: string, hint: string) => (
    <div className="field" style={{ flex: '1 1 128px' }}>
      <label htmlFor={f} className="small">
        {label}
      </label>
      <input
        id={f}
        className="pick"
        inputMode="decimal"
        disabled={disabled}
        value={figures.text[f]}
        maxLength={16}
        placeholder={hint}
        aria-invalid={!!figures.error[f]}
        {...(figures.error[f] ? { 'aria-describedby': `${f}-error` } : {})}
        onChange={(e) => figures.set(f, e.target.value)}
      />
      {figures.error[f] && (
        <span className="error small" id={`${f}-error`} role="alert">
          {figures.error[f]}
        </span>
      )}
    </div>
  );
  return (
    <section className="card stack" aria-label="Price">
      <div className="spread">
        <h2>Price</h2>
        {quoting.busy && (
          <span className="row" style={{ flex: '0 0 200px', flexWrap: 'nowrap' }} role="status">
            <span className="bar" style={{ flex: 1 }}>
              <i style={{ width: `${100 * quoting.progress}%` }} />
            </span>
            <button type="button" className="btn slim" onClick={quoting.stop}>
              Stop
            </button>
          </span>
        )}
      </div>
      {whole ? (
        <>
          <div>
            <div
              className="now-title"
              data-testid="range"
              style={{ margin: 0 }}
            >{`${money(whole.distribution.p10, currency)} to ${money(whole.distribution.p90, currency)}`}</div>
            <div className="muted small">{`${begun ? 'what is still to come, ' : ''}eight of ten such repairs; half of them up to ${money(whole.distribution.p50, currency)}, on average ${money(whole.distribution.mean, currency)}${whole.trouble > 0.005 ? `; in ${percent(whole.trouble)} of such repairs a worn or glued part has to be renewed on the way, and that is in the average` : ''}`}</div>
          </div>
          <Chart
            option={option!}
            height={150}
            label={`Distribution of the cost: one in ten below ${money(whole.distribution.p10, currency)}, half below ${money(whole.distribution.p50, currency)}, nine in ten below ${money(whole.distribution.p90, currency)}`}
          />
          <div className="muted small">{`${whole.distribution.trials} trials; adding up means and variances gives ${money(whole.expected.mean, currency)} ± ${money(whole.expected.sd, currency)}. The last bar holds all that is dearer.`}</div>
        </>
      ) : main ? (
        <div className="note stop">There is no safe way to this part as things stand; see Route.</div>
      ) : (
        <p className="muted">
          {quoting.busy
            ? 'Working it out…'
            : 'Choose what is to be done: the price follows from the route, the parts and the risk.'}
        </p>
      )}
      <div className="row" style={{ alignItems: 'flex-start', gap: 8 }}>
        {field('limit', 'Owner’s limit', 'none')}
        {field('replacement', 'Another phone', 'not known')}
        {field('elsewhere', 'Other offer', 'none')}
        {field('extra', 'Extra minutes', '0')}
      </div>
      {advice && (
        <div
          className={`note ${advice.advice === 'repair' ? 'safe' : advice.advice === 'repair partly' ? '' : 'stop'}`}
          data-testid="advice"
        >
          <span className="strong">{`${adviceName[advice.advice]}. `}</span>
          {adviceText(advice, currency)}
        </div>
      )}
      {quoting.options && rows.length > 1 && (
        <table className="tbl" aria-label="Options side by side">
          <thead>
            <tr>
              <th scope="col">option</th>
              <th scope="col">from, to</th>
              <th scope="col">hands</th>
              <th scope="col">within the limit</th>
            </tr>
          </thead>
          <tbody>
            {quoting.options.map((o) => {
              const row = rows.find((r) => r.id === o.id);
              return (
                row && (
                  <tr key={o.id}>
                    <td className={o.id === rows[0]!.id ? 'strong' : ''}>{row.name}</td>
                    {'distribution' in o ? (
                      <Cells o={o} limit={limit} currency={currency} />
                    ) : (
                      <td colSpan={3} className="muted">
                        no safe way as things stand
                      </td>
                    )}
                  </tr>
                )
              );
            })}
            {figures.replacement !== null && (
              <tr>
                <td>another phone</td>
                <td>{money(figures.replacement, currency)}</td>
                <td>–</td>
                <td>{limit === null ? '' : figures.replacement <= limit ? 'yes' : 'no'}</td>
              </tr>
            )}
          </tbody>
        </table>
      )}
    </section>
  );
}
function Cells({ o, limit, currency }: { o: QuotedOption; limit: number | null; currency: string }) {
  return (
    <>
      <td className="nowrap">{`${money(o.distribution.p10, currency)} – ${money(o.distribution.p90, currency)}`}</td>
      <td className="nowrap">{minutes(o.hands.likely / 60)}</td>
      <td>
        {limit === null ? (
          <span className="muted">no limit</span>
        ) : (
          percent(chanceWithin(o.distribution, limit))
        )}
      </td>
    </>
  );
}
