import * as wording from '../../../words/screens/frame';
import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  isRouteErrorResponse,
  Outlet,
  type ShouldRevalidateFunctionArgs,
  useLocation,
  useOutletContext,
  useParams,
} from 'react-router';
import { flag } from '../../../core/log/state';
import { conditionsOf } from '../../../core/log/view';
import { fetchFixed, fixedMark, type LeanPage, lean, whole } from '../../job/fixed';
import { fromServerOrCopy } from '../../job/offline-page';
import { useJob } from '../../job/use-job';
import type { Replica } from '../../job/replica';
import { jobScreens } from '../../screens';
import { ErrorCard } from '../../ui/error-card';
import type { Frame } from '../../ui/frame';
import type { JobFrame } from '../../ui/job-frame';
import { JobTabs } from '../../ui/job-tabs';
import { Ledger } from '../../ui/ledger';
import { SendNotes } from '../../ui/send-notes';
import { useFlash } from '../../ui/use-flash';
import { useReport } from '../../ui/use-report';
import { eventText } from '../../../words/events';
import { loadJob } from '../job-loader';
import { ScreenScripts } from './screen-scripts';
import type { Route } from './+types/job';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  return { page: lean((await loadJob(request, context, params.job)).page) };
}
/** Afterwards the job comes from the server when it answers, and from this browser's copy when it does not. */
export async function clientLoader({
  params,
  serverLoader,
}: Route.ClientLoaderArgs): Promise<{ page: LeanPage }> {
  return fromServerOrCopy(params.job, async () => {
    const { page } = (await serverLoader()) as { page: LeanPage };
    await fetchFixed([page.modelAt, page.routeAt]);
    return { page };
  });
}
/** Within a job its log keeps it up to date: only another job and what an action of its page has done ask the server anew. */
export const shouldRevalidate = ({ currentParams, nextParams, formMethod }: ShouldRevalidateFunctionArgs) =>
  currentParams.job !== nextParams.job || (formMethod !== undefined && formMethod !== 'GET');

const useScreen = () => {
  const path = useLocation().pathname.split('/')[3];
  return jobScreens.find((s) => s.path === path) ?? jobScreens[0];
};

/**
 * Whether this screen is there and has been for a moment. Then the two between which one goes in the middle of work are
 * fetched as well: they must open without the server, also in a browser that keeps no pages.
 */
function useSettled(): boolean {
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    const soon = setTimeout(() => setSettled(true), 500);
    return () => clearTimeout(soon);
  }, []);
  return settled;
}

/** What stands around every screen of a job: its tabs, which device it is and what is wrong with it, its stops and its ledger. */
export default function JobFrameScreen({ loaderData, params }: Route.ComponentProps) {
  // of another job nothing stays: no stop, no message, no name
  return <OneJob key={params.job} loaded={loaderData.page} />;
}
function OneJob({ loaded: asSent }: { loaded: LeanPage }) {
  const loaded = useMemo(() => whole(asSent), [asSent]);
  const { who } = useOutletContext<Frame>();
  const { replica, view, sender, send } = useJob(loaded, who);
  const screen = useScreen();
  const settled = useSettled();
  const [signers, setSigners] = useState<Record<string, string>>({});
  const page = useMemo(() => ({ ...loaded, signers: { ...loaded.signers, ...signers } }), [loaded, signers]);
  const { index } = view.context;
  const { flash, say } = useFlash();
  const { report, stopAt, stop } = useReport(replica, who, say);
  useForeign(replica, page.people, say);
  const addSigner = useCallback((id: string, name: string) => setSigners((s) => ({ ...s, [id]: name })), []);
  const { state, context } = view;
  const ended = flag(state, 'ending') !== undefined;
  const frame: JobFrame = {
    who,
    page,
    index,
    replica,
    view,
    state,
    context,
    send,
    ended,
    report,
    stopAt,
    stopped: stop !== undefined,
    say,
    addSigner,
  };
  return (
    <div className={screen.path === 'work' ? 'benchpage' : 'jobpage'}>
      <JobTabs
        id={page.id}
        here={screen.path}
        title={wording.job(index.model.maker, index.model.name, flag(state, 'tag') ?? '', page.number)}
        conditions={ended ? [] : conditionsOf(state)}
      />
      <Outlet context={frame} />
      {'ledger' in screen && <Ledger index={index} state={state} send={send} />}
      {flash}
      <SendNotes job={page.id} index={index} send={send} sender={sender} />
      {stop}
      {[asSent.modelAt, asSent.routeAt].map(
        (at) =>
          at && (
            <link
              key={at}
              rel="preload"
              as="fetch"
              href={at}
              crossOrigin="anonymous"
              {...{ [fixedMark]: '' }}
            />
          ),
      )}
      {settled && <ScreenScripts path="checks" />}
      {settled && <ScreenScripts path="work" />}
    </div>
  );
}

/** What another bench does at the same job is said: whoever is surprised by it knows from whom it came. */
function useForeign(replica: Replica, people: Record<string, string>, say: (text: string) => void): void {
  const { lastForeign: e, context } = replica.view;
  useEffect(() => {
    if (e) say(`${people[e.by] ?? wording.anotherBench}: ${eventText(context.index, e.body)}`);
  }, [e, context.index, people, say]);
}

/** A screen that cannot be shown: the job's other screens and the devices stay where they are. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const { job } = useParams();
  const { path } = useScreen();
  const here = isRouteErrorResponse(error) && error.status === 404 ? undefined : job;
  return (
    <>
      {here && <JobTabs id={here} here={path} title="" />}
      <ErrorCard error={error} />
    </>
  );
}
