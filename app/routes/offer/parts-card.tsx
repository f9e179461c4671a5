import { Tag, Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { methodsOf } from '../../../core/route/methods';
import type { JobState } from '../../../core/job/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { compareRemedies } from '../../../core/pairing/compare';
import { programmingOf } from '../../../core/pairing/rules';
import type { ReadAt } from '../../../core/quote/for-route';
import type { EffectKind } from '../../../core/pairing/effects';
import type { Remedy } from '../../../core/pairing/remedies';
import type { StockPart } from '../../../server/use-cases/stock';
import {
  becomesName,
  programmerText,
  readText,
  remedyHow,
  remedyName,
  storeName,
} from '../../words/remedies';
import { cap, functionName, list, thingName } from '../../words/things';
import { money } from '../../words/time';
import { DataTable } from '../../ui/data-table';

interface Props {
  index: IndexedModel;
  state: JobState;
  slots: string[];
  parts: StockPart[];
  currency: string;
  method: ReturnType<typeof methodsOf>['display-data'];
  disabled: boolean;
  onPart: (slot: string, part: StockPart | undefined) => void;
  onRemedy: (slot: string, remedy: Remedy) => void;
  /** The old part was looked at and cannot be read. */
  onBroken: (slot: string) => void;
  /** Where in the route data are read, as far as it is planned. */
  reads: readonly ReadAt[];
}

/** For each new part: which one from the stock, and what becomes of its functions by what is done about its identity. */
export function PartsCard({
  index,
  state,
  slots,
  parts,
  currency,
  method,
  disabled,
  onPart,
  onRemedy,
  onBroken,
  reads,
}: Props) {
  return (
    <section className="card stack" aria-label="Parts">
      <h2>Parts, and what the owner will notice</h2>
      {slots.map((slot) => {
        const fit = parts.filter((p) => p.slot === slot);
        const chosen = state.part[slot];
        const c = compareRemedies(index, slot);
        const kind = index.slots.get(slot)!.kind;
        const remedy = (state.remedy[slot] ??
          (kind === 'display' && c.remedies.includes(method)
            ? method
            : c.rows.some((r) => r.becomes[c.remedies.indexOf('calibrate')] === 'calibrate')
              ? 'calibrate'
              : 'accept')) as Remedy;
        return (
          <div key={slot} className="stack gap-8">
            <div className="spread">
              <span className="strong">{cap(thingName(index, slot))}</span>
              <span className="muted small">
                {chosen
                  ? `chosen: ${chosen.provenance}${chosen.serial ? `, serial ${chosen.serial}` : ''}`
                  : `list price ${money(index.slots.get(slot)!.price, currency)}`}
              </span>
            </div>
            {fit.length === 0 ? (
              <p className="muted small m-0">
                None in the stock: counted at the list price with its spread.{' '}
                <Link to="/stock">To the stock</Link>
              </p>
            ) : (
              <ul className="list" aria-label={`Parts for the ${thingName(index, slot)}`}>
                {fit.map((p) => {
                  const mine = chosen?.part === p.id;
                  return (
                    <li key={p.id} className="spread mid">
                      <span className="fill">
                        <span className="strong">{p.provenance}</span>
                        {` ${p.name}`}
                        <span className="muted small">
                          {[
                            p.supplier,
                            p.lot && `lot ${p.lot}`,
                            p.serial && `serial ${p.serial}`,
                            p.arrivesWith.length &&
                              `with ${list(p.arrivesWith.map((s) => thingName(index, s)))}`,
                          ]
                            .filter(Boolean)
                            .map((t) => ` · ${t}`)
                            .join('')}
                        </span>
                        {p.released === 'locked' && (
                          <Tag color="error" className="before-8">
                            locked to an account
                          </Tag>
                        )}
                      </span>
                      <span className="strong nowrap">{money(p.priceMinor, currency)}</span>
                      <Button
                        type={mine ? 'primary' : 'default'}
                        className="min-w-92"
                        aria-pressed={mine}
                        aria-label={`${mine ? 'Chosen' : 'Choose'}: ${[p.provenance, p.name, p.serial].filter(Boolean).join(' ')}`}
                        disabled={disabled || p.released === 'locked'}
                        onClick={() => onPart(slot, mine ? undefined : p)}
                      >
                        {mine ? 'Chosen' : 'Choose'}
                      </Button>
                    </li>
                  );
                })}
              </ul>
            )}
            {c.remedies.length > 0 && (
              <Effects
                index={index}
                slot={slot}
                compared={c}
                chosen={remedy}
                disabled={disabled}
                onRemedy={onRemedy}
                onBroken={onBroken}
                readAt={reads.find((r) => r.slot === slot)}
              />
            )}
          </div>
        );
      })}
      {slots.length === 0 && (
        <p className="muted">No part is replaced: nothing changes for the owner but what was asked for.</p>
      )}
    </section>
  );
}

/** Functions down, remedies across: what stays, what is lost, and the sentence for the owner. */
function Effects({
  index,
  slot,
  compared,
  chosen,
  disabled,
  onRemedy,
  onBroken,
  readAt,
}: {
  index: IndexedModel;
  slot: string;
  compared: ReturnType<typeof compareRemedies>;
  chosen: Remedy;
  disabled: boolean;
  onRemedy: (slot: string, remedy: Remedy) => void;
  onBroken: (slot: string) => void;
  readAt: ReadAt | undefined;
}) {
  const [wide, setWide] = useState(false);
  const changed = compared.rows.filter((r) => r.becomes.some((b) => b !== 'kept'));
  if (!changed.length)
    return <p className="small moss m-0">Nothing changes for the owner, whichever part it is.</p>;
  const rows = wide ? compared.rows : changed;
  // the original is what nothing is lost with: shown to compare, not to choose where another part is wanted
  return (
    <>
      <DataTable
        name={`Effects of a new ${thingName(index, slot)}`}
        rows={rows}
        rowKey={(r) => r.function}
        columns={[
          {
            title: 'function',
            width: 150,
            cell: (r) => (
              <>
                {functionName[r.function]}
                {r.store && storeName[r.store] && (
                  <span className="small muted block">{storeName[r.store]}</span>
                )}
              </>
            ),
          },
          ...compared.remedies.map((r, i) => ({
            title:
              r === 'original' ? (
                <span title={remedyHow[r]}>{remedyName[r]}</span>
              ) : (
                <Button
                  block
                  className="narrow"
                  type={r === chosen ? 'primary' : 'default'}
                  title={remedyHow[r]}
                  aria-pressed={r === chosen}
                  disabled={disabled}
                  onClick={() => onRemedy(slot, r)}
                >
                  {remedyName[r]}
                </Button>
              ),
            className: r === chosen ? 'small chosen' : 'small',
            cell: (row: (typeof rows)[number]) => <Becomes effect={row.becomes[i]!} />,
          })),
        ]}
      />
      {index.model.pairing.some((p) => p.slot === slot && p.effect === 'copy') && (
        <div className="spread">
          <span className="small">{programmerText(programmingOf(index.model, slot))}</span>
          {compared.remedies.includes('copy') && chosen !== 'accept' && (
            <Button size="small" disabled={disabled} onClick={() => onBroken(slot)}>
              Too broken to read
            </Button>
          )}
        </div>
      )}
      <div className="spread">
        <span className="small muted">
          {remedyHow[chosen]}
          {chosen === 'copy' && readAt && ` ${readText(readAt)}`}
        </span>
        {compared.rows.length > changed.length && (
          <Button onClick={() => setWide(!wide)}>
            {wide ? 'Only what changes' : `All ${compared.rows.length} functions`}
          </Button>
        )}
      </div>
    </>
  );
}

const tone: Partial<Record<EffectKind, string>> = { lost: 'brick strong', notice: 'strong', kept: 'muted' };
/** What becomes of one function: said in words, and in weight. */
function Becomes({ effect }: { effect: EffectKind }) {
  return <span className={tone[effect] ?? ''}>{effect === 'lost' ? '✗ lost' : becomesName[effect]}</span>;
}
