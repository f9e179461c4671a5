import { redirect } from 'react-router';
import { openJobsFor } from '../../../server/use-cases/bench-page';
import { localPath, requirePerson, whoContext } from '../../context';
import { setServerTime } from '../../job/clock';
import { startChannel } from '../../job/channel';
import { useBadge } from '../../job/badge';
import { FormatsOf } from '../../ui/formats';
import * as wording from '../../../words/screens/hands';
import { FrontPage } from '../../ui/front-page';
import { useOpenJobs } from '../../ui/head';
import { Unlock } from '../../ui/unlock';
import { useEffect } from 'react';
import type { Route } from './+types/locked';

/** A bench that is locked and was loaded anew: it shows what runs by itself, and waits for a badge, a number or a password. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const asked = context.get(whoContext);
  const to = localPath(new URL(request.url).searchParams.get('to'));
  if (asked.state !== 'locked') {
    requirePerson(context, request);
    throw redirect(to);
  }
  const { name, settings } = asked.who;
  return { name, settings, to, openJobs: await openJobsFor(asked.who), now: Date.now() };
}

export default function Locked({ loaderData: { name, settings, to, openJobs, now } }: Route.ComponentProps) {
  useEffect(() => {
    setServerTime(now);
    startChannel();
  }, [now]);
  const jobs = useOpenJobs(openJobs);
  const badge = useBadge();
  return (
    <FormatsOf settings={settings}>
      <FrontPage>
        <section className="card stack">
          <h2>{wording.locked(name)}</h2>
          <Unlock name={name} jobs={jobs} badge={badge} onDone={() => window.location.assign(to)} />
        </section>
      </FrontPage>
    </FormatsOf>
  );
}
