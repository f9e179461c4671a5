import { Progress, Input, Button } from 'antd';
import { useMemo } from 'react';
import type { AdviceGiven } from '../../../core/quote/advice';
import { chanceWithin } from '../../../core/quote/quote';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase } from '../../ui/chart-theme';
import { tokens } from '../../ui/tokens';
import { percent } from '../../words/fault';
import { adviceName, adviceText } from '../../words/offer';
import { minutes, money } from '../../words/time';
import type { Field as FigureName, Figures } from './use-figures';
import type { Quoting } from './use-quote';
import { Field } from '../../ui/field';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';

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
          // the ends are wherever the trials ended, to many digits
          axisLabel: { ...axisLook.axisLabel, showMinLabel: false, showMaxLabel: false },
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
  const field = (f: FigureName, label: string, hint: string) => (
    <Field label={label} htmlFor={f} className="grow-128">
      <Input
        id={f}
        inputMode="decimal"
        disabled={disabled}
        value={figures.text[f]}
        maxLength={16}
        placeholder={hint}
        aria-invalid={!!figures.error[f]}
        status={figures.error[f] ? 'error' : ''}
        {...(figures.error[f] ? { 'aria-describedby': `${f}-error` } : {})}
        onChange={(e) => figures.set(f, e.target.value)}
      />
      {figures.error[f] && (
        <span className="error small" id={`${f}-error`} role="alert">
          {figures.error[f]}
        </span>
      )}
    </Field>
  );
  return (
    <section className="card stack" aria-label="Price">
      <div className="spread">
        <h2>Price</h2>
        {quoting.busy && (
          <span className="row" style={{ flex: '0 0 200px', flexWrap: 'nowrap' }} role="status">
            <Progress percent={Math.round(100 * quoting.progress)} showInfo={false} size="small" />
            <Button onClick={quoting.stop}>Stop</Button>
          </span>
        )}
      </div>
      {whole ? (
        <>
          <div>
            <div
              className="now-title m-0"
              data-testid="range"
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
        <Note tone="stop">There is no safe way to this part as things stand; see Route.</Note>
      ) : (
        <p className="muted">
          {quoting.busy
            ? 'Working it out…'
            : 'Choose what is to be done: the price follows from the route, the parts and the risk.'}
        </p>
      )}
      <div className="row high gap-8">
        {field('limit', 'Owner’s limit', 'none')}
        {field('replacement', 'Another phone', 'not known')}
        {field('elsewhere', 'Other offer', 'none')}
        {field('extra', 'Extra minutes', '0')}
      </div>
      {advice && (
        <Note
          tone={advice.advice === 'repair' ? 'safe' : advice.advice === 'repair partly' ? 'warn' : 'stop'}
          data-testid="advice"
        >
          <span className="strong">{`${adviceName[advice.advice]}. `}</span>
          {adviceText(advice, currency)}
        </Note>
      )}
      {quoting.options && rows.length > 1 && (
        <DataTable
          name="Options side by side"
          rows={optionRows(quoting.options, rows, figures.replacement, limit, currency)}
          rowKey={(o) => o.id}
          columns={[
            {
              title: 'option',
              cell: (o) => <span className={o.id === rows[0]!.id ? 'strong' : ''}>{o.name}</span>,
            },
            { title: 'from, to', cell: (o) => o.range },
            { title: 'hands', className: 'nowrap', cell: (o) => o.hands },
            { title: 'within the limit', cell: (o) => o.within },
          ]}
        />
      )}
    </section>
  );
}
interface OptionShown {
  id: string;
  name: string;
  range: string;
  hands: string;
  within: string;
}
/** Every option with its range, hands and chance, and another phone beside them where its price is known. */
function optionRows(
  options: NonNullable<Quoting['options']>,
  names: readonly OptionRow[],
  replacement: number | null,
  limit: number | null,
  currency: string,
): OptionShown[] {
  const shown = options.flatMap((o): OptionShown[] => {
    const row = names.find((r) => r.id === o.id);
    if (!row) return [];
    if (!('distribution' in o))
      return [{ ...row, range: 'no safe way as things stand', hands: '', within: '' }];
    return [
      {
        ...row,
        range: `${money(o.distribution.p10, currency)} – ${money(o.distribution.p90, currency)}`,
        hands: minutes(o.hands.likely / 60),
        within: limit === null ? 'no limit' : percent(chanceWithin(o.distribution, limit)),
      },
    ];
  });
  if (replacement === null) return shown;
  const within = limit === null ? '' : replacement <= limit ? 'yes' : 'no';
  return [
    ...shown,
    { id: 'another phone', name: 'another phone', range: money(replacement, currency), hands: '–', within },
  ];
}
