import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/route';
import { Button, Progress } from 'antd';
import { targetsLeft } from '../../../core/rules/step-of-event';
import type { Route, Step } from '../../../core/steps/route';
import { Note } from '../../ui/note';
import { StopSheet } from '../../ui/stop-sheet';
import { tasksText } from '../../../words/offer';
import { StepTable } from './step-table';
import type { RouteState } from './use-route';

/** The route itself, with what is done about it: taken, planned again, printed. */
export function PlanCard({
  route,
  pointed,
  onPoint,
}: {
  route: RouteState;
  pointed: Step | undefined;
  onPoint: (s: Step | undefined) => void;
}) {
  const { index, state, tasks, adopted, planning, ended, inForce, plan, shown, stop, setStop, take, who } =
    route;
  const what = adopted
    ? wording.theRouteInForce
    : ended
      ? wording.thisJobIsClosed
      : inForce
        ? wording.plannedAgainFromWhereThe
        : wording.computedFromTheModelAnd;
  return (
    <section className="card">
      <div className="spread under-6">
        <div>
          <h1>{tasksText(index, tasks)}</h1>
          <p className="muted">{what}</p>
        </div>
        <PlanButtons route={route} />
      </div>
      {planning && plan.busy && <Looking shown={shown} route={route} />}
      {shown ? (
        <StepTable
          index={index}
          plan={shown}
          left={(s) => (adopted ? targetsLeft(state, s).length : s.targets.length)}
          pointed={pointed}
          onPoint={onPoint}
        />
      ) : (
        !plan.busy && <p>{ended ? wording.noRouteWasTaken : wording.noRoute}</p>
      )}
      {stop && (
        <StopSheet
          index={index}
          findings={stop}
          who={who}
          onBack={() => setStop(undefined)}
          passLabel={wording.takeTheRouteAllThe}
          onPass={(overrideGiven) => {
            setStop(undefined);
            take(overrideGiven);
          }}
        />
      )}
    </section>
  );
}

function PlanButtons({ route: { adopted, ended, again, page, shown, busy, take } }: { route: RouteState }) {
  if (!adopted)
    return (
      shown && (
        <Button type="primary" disabled={busy} onClick={() => take()}>
          {wording.takeThisRoute}
        </Button>
      )
    );
  return (
    <div className="row one-line">
      {!ended && <Button href={again}>{wording.planAgain}</Button>}
      <Button href={`/jobs/${page.id}/route/print`}>{wording.print}</Button>
      <Button type="primary" href={`/jobs/${page.id}/work`}>
        {wording.toTheBench}
      </Button>
    </div>
  );
}

/** The search goes on: how good the answer below is, and that it can be stopped. */
function Looking({ shown, route: { plan } }: { shown: Route | undefined; route: RouteState }) {
  const { money } = useFormats();
  return (
    <Note layout="row" role="status" className="under-8">
      <span className="fill">
        {!shown ? wording.planning : wording.anAnswerStandsBelowAt(money(shown.searched - shown.lowerBound))}
        <Progress
          aria-label={wording.howFarTheSearchHas}
          percent={Math.round((100 * plan.stage) / Math.max(1, plan.stages))}
          showInfo={false}
          size="small"
        />
      </span>
      <Button onClick={plan.stop}>{wording.stopHere}</Button>
    </Note>
  );
}
