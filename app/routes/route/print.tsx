import * as wording from '../../../words/screens/route';
import { Button } from 'antd';
import { flag } from '../../../core/log/state';
import { indexModel } from '../../../core/model/index-model';
import { indexOfJob } from '../../../core/record/model-of-job';
import { taskName } from '../../../words/steps';
import { list, plural, thingName } from '../../../words/things';
import { minutes } from '../../../words/time';
import { loadJob } from '../job-loader';
import type { Route } from './+types/print';
import { Kit } from './kit-card';
import { RouteSheet } from './route-sheet';
import { LinkButton } from '../../ui/link-button';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { page } = await loadJob(request, context, params.job);
  return { page };
}

/** The route and its kit on paper: one sheet for most jobs, two for a large one. */
export default function PrintRoute({ loaderData: { page } }: Route.ComponentProps) {
  const index = indexOfJob(indexModel(page.model), page.state);
  const plan = page.route;
  return (
    <>
      <div className="noprint row report-bar">
        <LinkButton to={`/jobs/${page.id}/route`}>{wording.route}</LinkButton>
        <Button type="primary" onClick={() => window.print()}>
          {wording.print}
        </Button>
        <Button href={`/jobs/${page.id}/route.json`} download>
          {wording.routeAsJson}
        </Button>
      </div>
      <main className="page sheet-print">
        {!plan ? (
          <p>{wording.thisJobHasNoRoute}</p>
        ) : (
          <>
            <div className="spread">
              <h1>
                {wording.job(
                  page.number,
                  list(
                    plan.input.tasks.map((t) => `${taskName[t.action]} the ${thingName(index, t.slot)}`),
                    3,
                  ),
                )}
              </h1>
              <span className="strong">{`${index.model.maker} ${index.model.name} · ${flag(page.state, 'tag') ?? ''}`}</span>
            </div>
            <p className="muted">
              {wording.aboutOfHandsAndOf(
                minutes(plan.minutes.hands.likely),
                minutes(plan.minutes.wait),
                plural(plan.changes, wording.bitChange),
                plural(plan.turnings, 'turning'),
              )}
            </p>
            <section className="stack kit-print" aria-label={wording.layOutFirst}>
              <Kit index={index} plan={plan} />
            </section>
            <RouteSheet index={index} plan={plan} />
          </>
        )}
      </main>
    </>
  );
}
