import { useState } from 'react';
import type { IndexedModel } from '../../../core/model/index-model';
import { methodsInForce } from '../../../core/route/methods-in-force';
import { methodRows } from '../../../core/route/methods';
import type { Choice, Route } from '../../../core/route/types';
import { concerns, type MethodBlock, methodBlock } from '../../../core/route/method-blocks';
import { stationName, thingName } from '../../words/things';
import { signedMinutes, signedMoney } from '../../words/time';

/** The pieces that could come away in more than one way; one can be insisted on, and all the rest is planned again. */
export function WaysCard({
  index,
  plan,
  currency,
  force,
  onForce,
}: {
  index: IndexedModel;
  plan: Route;
  currency: string;
  force: Record<string, string>;
  onForce: ((c: Choice, way: string | undefined) => void) | undefined;
}) {
  if (!plan.choices.length) return null;
  return (
    <section className="card stack" aria-label="Other ways">
      <h2>Other ways</h2>
      {plan.choices.map((c) => (
        <fieldset key={c.fact} style={{ border: 0, margin: 0, padding: 0 }}>
          <legend className="strong" style={{ padding: 0 }}>
            {`${thingName(index, c.slot)} ${c.pose === 'out' ? 'out' : c.pose}`}
            {c.forced && <span className="muted small"> insisted on</span>}
          </legend>
          {c.options.map((o) => (
            <label
              key={o.way}
              className="row"
              style={{
                gap: 8,
                alignItems: 'baseline',
                minHeight: 44,
                flexWrap: 'nowrap',
                cursor: onForce && o.against ? 'pointer' : 'default',
              }}
            >
              <input
                type="radio"
                name={c.fact}
                checked={(force[c.fact] ?? c.options.find((x) => x.chosen)?.way) === o.way}
                disabled={!onForce || !o.against}
                onChange={() => onForce?.(c, o.way)}
              />
              <span style={{ flex: 1 }}>
                {o.note ?? wayText(index, c, o.way)}
                <span className="small muted" style={{ display: 'block' }}>
                  {!o.against
                    ? 'no safe way as things stand'
                    : o.chosen
                      ? 'taken'
                      : `${signedMinutes(o.against.minutes)}, risk ${signedMoney(o.against.risk, currency)}, consumables ${signedMoney(o.against.consumables, currency)}`}
                </span>
              </span>
              {o.against && !o.chosen && (
                <span className="nowrap small strong">{signedMoney(o.against.total, currency)}</span>
              )}
            </label>
          ))}
          {c.forced && onForce && (
            <button type="button" className="btn slim" onClick={() => onForce(c, undefined)}>
              Let the figures decide
            </button>
          )}
        </fieldset>
      ))}
    </section>
  );
}
function wayText(index: IndexedModel, c: Choice, way: string): string {
  const w = index.slots.get(c.slot)!.ways.find((x) => x.id === way && x.to === c.pose)!;
  const before = w.needs.map((n) => `${thingName(index, n.slot)} ${n.pose}`);
  return before.length ? `with the ${before.join(', ')}` : 'as it lies';
}

/** Why a chosen method is not followed. */
const blockText = (index: IndexedModel, why: MethodBlock): string =>
  why.code === 'station'
    ? `not followed: the workshop has no ${stationName(index, why.station)}`
    : `not followed: the device is ${why.ids.join(', ')}`;

/** The house methods that this route shows, each to be changed for this job alone. */
export function MethodsCard({
  index,
  plan,
  chosen,
  onChoose,
}: {
  index: IndexedModel;
  plan: Route;
  chosen: Partial<Record<string, string>>;
  onChoose: ((row: string, option: string) => void) | undefined;
}) {
  const [all, setAll] = useState(false);
  const felt = new Set<string>(methodsInForce(plan).map((m) => m.id));
  const rows = methodRows.filter(
    (r) =>
      all ||
      felt.has(r.id) ||
      (concerns(index, r.id) && methodBlock(plan.input, r.id, plan.input.methods[r.id])),
  );
  return (
    <section className="card stack" aria-label="House methods">
      <div className="spread">
        <h2>House methods in force</h2>
        <button type="button" className="btn slim" aria-pressed={all} onClick={() => setAll(!all)}>
          {all ? 'only these' : 'all'}
        </button>
      </div>
      <div
        style={{
          display: 'grid',
          gridTemplateColumns: 'minmax(0,1fr) minmax(0,1.2fr)',
          gap: '4px 10px',
          alignItems: 'center',
        }}
      >
        {rows.map((r) => {
          const now = chosen[r.id] ?? plan.input.methods[r.id];
          const why = methodBlock(plan.input, r.id, now);
          return onChoose ? (
            <label key={r.id} style={{ display: 'contents' }}>
              <span className={felt.has(r.id) ? '' : 'muted'}>{r.question}</span>
              <span>
                <select className="pick" value={now} onChange={(e) => onChoose(r.id, e.target.value)}>
                  {r.options.map((o) => (
                    <option key={o.id} value={o.id}>
                      {o.name}
                      {methodBlock(plan.input, r.id, o.id) ? ' (not here)' : ''}
                    </option>
                  ))}
                </select>
                {why && (
                  <span className="small brick" style={{ display: 'block' }}>
                    {blockText(index, why)}
                  </span>
                )}
              </span>
            </label>
          ) : (
            <div key={r.id} style={{ display: 'contents' }}>
              <span className="muted">{r.question}</span>
              <span>
                {r.options.find((o) => o.id === now)?.name}
                {why && (
                  <span className="small brick" style={{ display: 'block' }}>
                    {blockText(index, why)}
                  </span>
                )}
              </span>
            </div>
          );
        })}
      </div>
    </section>
  );
}
