import * as wording from '../../../words/screens/route';
import { useState } from 'react';
import { Link, redirect } from 'react-router';
import { z } from 'zod';
import { taskActions } from '../../../core/log/events';
import { flag } from '../../../core/log/state';
import { indexModel } from '../../../core/model/index-model';
import { indexOfJob } from '../../../core/record/model-of-job';
import { methodIds } from '../../../core/methods/methods';
import type { Step } from '../../../core/steps/route';
import { adoptRoute, planFor } from '../../../server/use-cases/plan-route';
import { overrideSchema } from '../../../core/wire/commands';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { fromServerOr, fromServerOrKeptPage } from '../../job/offline-page';
import { Note } from '../../ui/note';
import { list, thingName } from '../../../words/things';
import { functionName } from '../../../words/functions';
import { loadJob } from '../job-loader';
import type { Route } from './+types/route';
import { PlanCard } from './plan-card';
import { RouteMap } from './route-map';
import { RouteSide } from './route-side';
import { type RouteState, useRoute } from './use-route';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who, page } = await loadJob(request, context, params.job);
  const index = indexOfJob(indexModel(page.model), page.state);
  const again = new URL(request.url).searchParams.has('again');
  const plan =
    flag(page.state, 'ending') === undefined && (!page.route || again)
      ? await planFor(who, index, page.state, page.route)
      : null;
  return { plan };
}
export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOrKeptPage(request, serverLoader);

const ask = z.strictObject({
  command: z.string().min(8).max(60),
  methods: z.partialRecord(z.enum(methodIds), z.string().max(40)).optional(),
  force: z.record(z.string().max(80), z.string().max(40)).optional(),
  tasks: z
    .array(z.strictObject({ slot: z.string().max(60), action: z.enum(taskActions) }))
    .max(20)
    .default([]),
  override: overrideSchema.optional(),
});
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  const read = ask.safeParse(await jsonBody(request));
  if (!read.success || !z.uuid().safeParse(params.job).success)
    throw new Response(null, { status: 400, statusText: 'That is not a request for a route' });
  const { command, methods, force, tasks, override } = read.data;
  const done = await adoptRoute(
    who,
    params.job,
    command,
    { ...(methods ? { methods } : {}), ...(force ? { force } : {}), more: tasks },
    override,
  );
  if (!done.ok && done.code === 'no such job')
    throw new Response(null, { status: 404, statusText: 'No such job' });
  if (!done.ok) return { error: wording.thereIsNoSafeWay(list('because' in done ? done.because : [])) };
  if (done.outcome.status === 'refused') {
    const { refused } = done.outcome;
    return refused.code === 'interlock'
      ? { findings: refused.findings }
      : {
          error: refused.code === 'closed' ? wording.theJobIsClosedNo : wording.theRouteWasNotTaken,
        };
  }
  throw redirect(`/jobs/${params.job}/work`);
}

/** A route is adopted on the server and nowhere else. */
export const clientAction = ({ serverAction }: Route.ClientActionArgs) =>
  fromServerOr(serverAction, () => ({
    error: wording.noNetworkTheRestIs,
  }));

/** The way to the parts: what is done in which order and why, what other ways there are, what it takes. */
export default function RoutePage({ loaderData }: Route.ComponentProps) {
  const route = useRoute(loaderData.plan);
  const [pointed, setPointed] = useState<Step>();
  return (
    <main className="page stack">
      {route.failed && (
        <Note tone="stop" role="alert">
          {route.failed}
        </Note>
      )}
      <Before route={route} />
      <div className="cols main-side high">
        <PlanCard route={route} pointed={pointed} onPoint={setPointed} />
        <div className="stack">
          <RouteMap index={route.index} state={route.state} step={pointed} />
          <RouteSide route={route} />
        </div>
      </div>
    </main>
  );
}

/** What stands before any route: that there is none, or that something should still be asked. */
function Before({ route: { answer, index, planning, inForce, unasked, page } }: { route: RouteState }) {
  return (
    <>
      {answer && 'infeasible' in answer && (
        <Note tone="stop" role="alert">
          {wording.asThingsStandThereIs(
            list(
              answer.because
                .flatMap((b) => b.ids)
                .map((i) => thingName(index, i.replace('loose:', '').split('@')[0]!)),
            ),
          )}
        </Note>
      )}
      {planning && !inForce && unasked.length > 0 && (
        <Note>
          <span className="strong">{wording.beforeItIsOpenedTry(unasked.length)}</span>
          {wording.theseTasksTouchThemAnd(
            list(
              unasked.map((f) => functionName[f]),
              6,
            ),
          )}
          <Link to={`/jobs/${page.id}/checks`}>{wording.answerThem}</Link>
        </Note>
      )}
    </>
  );
}
