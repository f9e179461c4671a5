import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/route';
import { Button } from 'antd';
import { useState } from 'react';
import { agreedBy } from '../../../core/consents/consents';
import { consentsNeeded } from '../../../core/pairing/effects';
import type { Route } from '../../../core/steps/route';
import { Note } from '../../ui/note';
import { TaskPicker } from '../../ui/task-picker';
import { provedText } from '../../../words/route';
import { minutes } from '../../../words/time';
import { later } from '../../ui/later';
import { MethodsCard, WaysCard } from './choice-cards';
import { ClearSheet } from './clear-sheet';
import { Kit } from './kit-card';
import type { RouteState } from './use-route';

const HeatCard = later(() => import('./heat-card').then((m) => m.HeatCard));

/** Beside the route: its cost, its tasks, the other ways and methods, what to lay out, what the owner is told. */
export function RouteSide({ route }: { route: RouteState }) {
  const { index, page, shown, planning, adopted, ended, wishes, setWishes } = route;
  return (
    <>
      <Conditions route={route} />
      {shown && <Cost shown={shown} />}
      {shown?.steps
        .filter((step) => step.soak)
        .map((step) => (
          <HeatCard key={step.id} index={index} step={step} heat={shown.input.heat} />
        ))}
      {!ended && <Tasks route={route} />}
      {shown && (
        <>
          <WaysCard
            index={index}
            plan={shown}
            force={planning ? wishes.force : shown.input.force}
            onForce={
              planning
                ? (choice, way) =>
                    setWishes((w) => ({
                      ...w,
                      force:
                        way === undefined
                          ? without(w.force, choice.fact)
                          : { ...w.force, [choice.fact]: way },
                    }))
                : undefined
            }
          />
          <section className="card stack">
            <h2>{wording.layOutFirst}</h2>
            <Kit index={index} plan={shown} />
          </section>
          <MethodsCard
            index={index}
            plan={shown}
            chosen={planning ? wishes.methods : {}}
            onChoose={
              planning
                ? (row, option) => setWishes((w) => ({ ...w, methods: { ...w.methods, [row]: option } }))
                : undefined
            }
          />
          <OwnerTold route={route} shown={shown} />
        </>
      )}
      {adopted && (
        <p className="row">
          <a className="tap" href={`/jobs/${page.id}/route.json`} download>
            {wording.routeAsJson}
          </a>
        </p>
      )}
    </>
  );
}
const without = (record: Record<string, string>, key: string) =>
  Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));

function Conditions({ route: { conditions, state, reportAndPlan } }: { route: RouteState }) {
  const [clearing, setClearing] = useState<string>();
  return (
    <>
      {conditions.map((c) => (
        <Note key={c} tone="stop" layout="spread">
          <div>
            <strong>{c}</strong>: {state.condition[c]!.because}.{' '}
            {c === 'swollen' ? wording.noHeatNoSweepUnder : ''}
          </div>
          <Button onClick={() => setClearing(c)}>{wording.clearLabel}</Button>
        </Note>
      ))}
      {clearing && (
        <ClearSheet
          condition={clearing}
          onClose={() => setClearing(undefined)}
          onClear={(reason) => {
            setClearing(undefined);
            void reportAndPlan({ type: 'conditionCleared', condition: clearing as 'swollen', reason });
          }}
        />
      )}
    </>
  );
}

function Cost({ shown }: { shown: Route }) {
  const { money } = useFormats();
  const { hands, wait } = shown.minutes;
  return (
    <section className="card stack">
      <div className="spread">
        <h2>{wording.aboutOfHands(minutes(hands.likely))}</h2>
        <span className="muted nowrap">{wording.min(Math.round(hands.low), Math.round(hands.high))}</span>
      </div>
      <p>{wording.andOfWaiting(minutes(wait), provedText(shown, money))}</p>
      <p className="muted small">
        {wording.handsRiskConsumablesPartsCome(
          money(shown.cost.time),
          money(shown.cost.risk),
          money(shown.cost.consumables),
        )}
      </p>
    </section>
  );
}

function Tasks({ route: { index, tasks, adopted, report, reportAndPlan } }: { route: RouteState }) {
  return (
    <section className="card stack" aria-label={wording.tasks}>
      <h2>{wording.tasks}</h2>
      <TaskPicker
        parts={index.model.slots}
        tasks={tasks}
        onSet={(slot, action) => void (adopted ? reportAndPlan : report)({ type: 'taskSet', slot, action })}
      />
    </section>
  );
}

function OwnerTold({ route: { state, page, report }, shown }: { route: RouteState; shown: Route }) {
  const needed = consentsNeeded(shown.effects);
  if (!needed.length) return null;
  return (
    <section className="card stack">
      <h2>{wording.tellTheOwner}</h2>
      {needed.map((effect) => (
        <div key={effect.id} className="spread mid">
          <span>
            {effect.owner}
            <span className="muted small"> {effect.remedy}</span>
          </span>
          {state.consent[effect.id] ? (
            <span className="moss strong nowrap">
              {wording.agreed(agreedBy(state, page.signers, effect.id) ?? '')}
            </span>
          ) : (
            <Button onClick={() => void report({ type: 'consentGiven', effect: effect.id, by: 'owner' })}>
              {wording.ownerAgrees}
            </Button>
          )}
        </div>
      ))}
    </section>
  );
}
