import { Button } from 'antd';
import { flag } from '../../../core/log/state';
import { indexModel } from '../../../core/model/index-model';
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
  const index = indexModel(page.model);
  const plan = page.route;
  return (
    <>
      <div className="noprint row report-bar">
        <LinkButton to={`/jobs/${page.id}/route`}>Route</LinkButton>
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
        <Button href={`/jobs/${page.id}/route.json`} download>
          Route as JSON
        </Button>
      </div>
      <main className="page sheet-print">
        {!plan ? (
          <p>This job has no route yet: take one on its Route screen, then print it.</p>
        ) : (
          <>
            <div className="spread">
              <h1>{`Job ${page.number}: ${list(
                plan.input.tasks.map((t) => `${taskName[t.action]} the ${thingName(index, t.slot)}`),
                3,
              )}`}</h1>
              <span className="strong">{`${index.model.maker} ${index.model.name} · ${flag(page.state, 'tag') ?? ''}`}</span>
            </div>
            <p className="muted">{`About ${minutes(plan.minutes.hands.likely)} of hands and ${minutes(plan.minutes.wait)} of waiting, ${plural(plan.changes, 'bit change')}, ${plural(plan.turnings, 'turning')}. Local codes, the makers’ sheets and licensed practice come first.`}</p>
            <section className="stack kit-print" aria-label="Lay out first">
              <Kit index={index} plan={plan} />
            </section>
            <RouteSheet index={index} plan={plan} />
          </>
        )}
      </main>
    </>
  );
}
