import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/route';
import { Radio, Button } from 'antd';
import { useState } from 'react';
import type { IndexedModel } from '../../../core/model/index-model';
import { methodsInForce } from '../../../core/route/methods-in-force';
import { methodRows } from '../../../core/methods/methods';
import type { Choice, Route } from '../../../core/steps/route';
import { concerns, type MethodBlock, methodBlock } from '../../../core/route/method-blocks';
import { stationName, thingName } from '../../../words/things';
import { signedMinutes } from '../../../words/time';
import { Pick } from '../../ui/pick';

/** The pieces that could come away in more than one way; one can be insisted on, and all the rest is planned again. */
export function WaysCard({
  index,
  plan,
  force,
  onForce,
}: {
  index: IndexedModel;
  plan: Route;
  force: Record<string, string>;
  onForce: ((c: Choice, way: string | undefined) => void) | undefined;
}) {
  const { signedMoney } = useFormats();
  if (!plan.choices.length) return null;
  return (
    <section className="card stack" aria-label={wording.otherWays}>
      <h2>{wording.otherWays}</h2>
      {plan.choices.map((choice) => (
        <fieldset key={choice.fact} className="bare">
          <legend className="strong p-0">
            {`${thingName(index, choice.slot)} ${choice.pose === 'out' ? 'out' : choice.pose}`}
            {choice.forced && <span className="muted small"> {wording.insistedOn}</span>}
          </legend>
          <Radio.Group
            className="ways"
            value={force[choice.fact] ?? choice.options.find((x) => x.chosen)?.way}
            onChange={(e) => onForce?.(choice, e.target.value as string)}
          >
            {choice.options.map((o) => (
              <Radio key={o.way} value={o.way} disabled={!onForce || !o.against}>
                <span className="spread">
                  <span>
                    {o.note ?? wayText(index, choice, o.way)}
                    <span className="small muted block">
                      {!o.against
                        ? wording.noSafeWayAsThings
                        : o.chosen
                          ? wording.taken
                          : wording.riskConsumables(
                              signedMinutes(o.against.minutes),
                              signedMoney(o.against.risk),
                              signedMoney(o.against.consumables),
                            )}
                    </span>
                  </span>
                  {o.against && !o.chosen && (
                    <span className="nowrap small strong">{signedMoney(o.against.total)}</span>
                  )}
                </span>
              </Radio>
            ))}
          </Radio.Group>
          {choice.forced && onForce && (
            <Button onClick={() => onForce(choice, undefined)}>{wording.letTheFiguresDecide}</Button>
          )}
        </fieldset>
      ))}
    </section>
  );
}
function wayText(index: IndexedModel, choice: Choice, way: string): string {
  const w = index.slots.get(choice.slot)!.ways.find((x) => x.id === way && x.to === choice.pose)!;
  const before = w.needs.map((n) => `${thingName(index, n.slot)} ${n.pose}`);
  return before.length ? wording.withThe(before.join(', ')) : wording.asItLies;
}

/** Why a chosen method is not followed. */
const blockText = (index: IndexedModel, why: MethodBlock): string =>
  why.code === 'station'
    ? wording.notFollowedTheWorkshopHas(stationName(index, why.station))
    : wording.notFollowedTheDeviceIs(why.ids.join(', '));

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
    <section className="card stack" aria-label={wording.houseMethods}>
      <div className="spread">
        <h2>{wording.houseMethodsInForce}</h2>
        <Button aria-pressed={all} onClick={() => setAll(!all)}>
          {all ? wording.onlyThese : wording.all}
        </Button>
      </div>
      <div className="methods">
        {rows.map((r) => {
          const now = chosen[r.id] ?? plan.input.methods[r.id];
          const why = methodBlock(plan.input, r.id, now);
          return onChoose ? (
            <div key={r.id} className="contents">
              <label htmlFor={`method-${r.id}`} className={felt.has(r.id) ? '' : 'muted'}>
                {r.question}
              </label>
              <span>
                <Pick
                  id={`method-${r.id}`}
                  className="wide"
                  value={now}
                  onChange={(value) => onChoose(r.id, value)}
                  options={r.options.map((o) => ({
                    value: o.id,
                    label: `${o.name}${methodBlock(plan.input, r.id, o.id) ? wording.notHere : ''}`,
                  }))}
                />
                {why && <span className="small brick block">{blockText(index, why)}</span>}
              </span>
            </div>
          ) : (
            <div key={r.id} className="contents">
              <span className="muted">{r.question}</span>
              <span>
                {r.options.find((o) => o.id === now)?.name}
                {why && <span className="small brick block">{blockText(index, why)}</span>}
              </span>
            </div>
          );
        })}
      </div>
    </section>
  );
}
