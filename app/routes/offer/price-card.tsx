import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/offer';
import { Progress, Input, Button } from 'antd';
import type { QuoteEntry } from '../../../core/log/state';
import type { AdviceGiven } from '../../../core/quote/advice';
import { chanceWithin } from '../../../core/quote/quote';
import { percent } from '../../../words/fault';
import { adviceName, adviceText, taxText } from '../../../words/offer';
import type { Money } from '../../../words/formats';
import { minutes } from '../../../words/time';
import type { Field as FigureName, Figures } from './use-figures';
import type { Quoting } from './use-quote';
import { roundTo } from '../../../core/quote/tax';
import { useJobFrame } from '../../ui/job-frame';
import { Field } from '../../ui/field';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';
import { PriceRange } from './price-range';

export interface OptionRow {
  id: string;
  name: string;
}
interface Props {
  quoting: Quoting;
  rows: OptionRow[];
  figures: Figures;
  advice: AdviceGiven | undefined;
  /** The price in the record: it stands until a new one has been worked out. */
  recorded: QuoteEntry | null | undefined;
  disabled: boolean;
  begun: boolean;
}

/** What it will cost: the range, the chance of staying within the owner's limit, the options side by side, and the advice. */
export function PriceCard({ quoting, rows, figures, advice, recorded, disabled, begun }: Props) {
  const { money } = useFormats();
  const { roundMinor, tax } = useJobFrame().who.settings;
  const price: Money = (minor) => money(roundTo(minor, roundMinor));
  const main = quoting.options?.[0];
  const whole = main && 'distribution' in main ? main : undefined;
  const { limit } = figures;
  return (
    <section className="card stack" aria-label={wording.price}>
      <div className="spread">
        <h2>{wording.price}</h2>
        {quoting.busy && (
          <span className="row one-line w-200" role="status">
            <Progress
              aria-label={wording.howFarThePriceIs}
              percent={Math.round(100 * quoting.progress)}
              showInfo={false}
              size="small"
            />
            <Button onClick={quoting.stop}>{wording.stop}</Button>
          </span>
        )}
      </div>
      {whole ? (
        <>
          <PriceRange whole={whole} limit={limit} price={price} begun={begun} />
          {tax && (
            <div className="muted small">
              {taxText(tax.percent, tax.name, roundTo(whole.distribution.p50, roundMinor), money)}
            </div>
          )}
        </>
      ) : main ? (
        <Note tone="stop">{wording.thereIsNoSafeWay}</Note>
      ) : (
        <p className="muted">
          {!quoting.busy
            ? wording.chooseWhatIsToBe
            : recorded
              ? wording.recordedUntilUpdated(money(recorded.p10Minor), money(recorded.p90Minor))
              : wording.workingItOut}
        </p>
      )}
      <div className="row high gap-8">
        {fields.map((f) => (
          <FigureField key={f.name} {...f} figures={figures} disabled={disabled} />
        ))}
      </div>
      {advice && (
        <Note
          tone={advice.advice === 'repair' ? 'safe' : advice.advice === 'repair partly' ? 'warn' : 'stop'}
          data-testid="advice"
        >
          <span className="strong">{`${adviceName[advice.advice]}. `}</span>
          {adviceText(advice, money)}
        </Note>
      )}
      {quoting.options && rows.length > 1 && (
        <DataTable
          name={wording.optionsSideBySide}
          rows={optionRows(quoting.options, rows, figures.replacement, limit, price)}
          rowKey={(o) => o.id}
          columns={[
            {
              title: wording.option,
              cell: (o) => <span className={o.id === rows[0]!.id ? 'strong' : ''}>{o.name}</span>,
            },
            { title: wording.fromTo, cell: (o) => o.range },
            { title: wording.hands, className: 'nowrap', cell: (o) => o.hands },
            { title: wording.withinTheLimit, cell: (o) => o.within },
          ]}
        />
      )}
    </section>
  );
}
const fields: { name: FigureName; label: string; hint: string }[] = [
  { name: 'limit', label: wording.ownersLimit, hint: 'none' },
  { name: 'replacement', label: wording.anotherPhone, hint: wording.notKnown },
  { name: 'elsewhere', label: wording.otherOffer, hint: 'none' },
  { name: 'extra', label: wording.extraMinutes, hint: '0' },
];
function FigureField({
  name,
  label,
  hint,
  figures,
  disabled,
}: (typeof fields)[number] & { figures: Figures; disabled: boolean }) {
  const error = figures.error[name];
  return (
    <Field label={label} htmlFor={name} className="grow-128">
      <Input
        id={name}
        inputMode="decimal"
        disabled={disabled}
        value={figures.text[name]}
        maxLength={16}
        placeholder={hint}
        aria-invalid={!!error}
        status={error ? 'error' : ''}
        {...(error ? { 'aria-describedby': `${name}-error` } : {})}
        onChange={(e) => figures.set(name, e.target.value)}
      />
      {error && (
        <span className="error small" id={`${name}-error`} role="alert">
          {error}
        </span>
      )}
    </Field>
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
  money: Money,
): OptionShown[] {
  const shown = options.flatMap((o): OptionShown[] => {
    const row = names.find((r) => r.id === o.id);
    if (!row) return [];
    if (!('distribution' in o)) return [{ ...row, range: wording.noSafeWayAsThings, hands: '', within: '' }];
    return [
      {
        ...row,
        range: `${money(o.distribution.p10)} – ${money(o.distribution.p90)}`,
        hands: minutes(o.hands.likely / 60),
        within: limit === null ? wording.noLimit : percent(chanceWithin(o.distribution, limit)),
      },
    ];
  });
  if (replacement === null) return shown;
  const within = limit === null ? '' : replacement <= limit ? 'yes' : 'no';
  return [
    ...shown,
    {
      id: 'another phone',
      name: wording.anotherPhone2,
      range: money(replacement),
      hands: '–',
      within,
    },
  ];
}
