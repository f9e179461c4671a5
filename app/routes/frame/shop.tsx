import { useEffect, useState } from 'react';
import { Outlet, type ShouldRevalidateFunctionArgs, useParams } from 'react-router';
import { openJobsFor } from '../../../server/use-cases/bench-page';
import { requirePerson } from '../../context';
import { useBadge } from '../../job/badge';
import { startChannel } from '../../job/channel';
import { setServerTime } from '../../job/clock';
import { fromServerOr, NoNetwork, notePerson } from '../../job/offline-page';
import type { Frame } from '../../ui/frame';
import { FormatsOf } from '../../ui/formats';
import { Head, useOpenJobs } from '../../ui/head';
import { useDeviceKeys } from '../../ui/device-keys';
import { later } from '../../ui/later';
import type { Route } from './+types/shop';

const Hands = later(() => import('../../ui/hands').then((m) => m.Hands));
const KeysSheet = later(() => import('../../ui/keys-sheet').then((m) => m.KeysSheet));

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  return { who, openJobs: await openJobsFor(who), now: Date.now() };
}
type Loaded = Awaited<ReturnType<typeof loader>>;
/** What the frame was drawn with last: without the server it stays so, and the live channel says what is new when it is back. */
let last: Loaded | undefined;
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs): Promise<Loaded> =>
  fromServerOr(serverLoader as () => Promise<Loaded>, () => {
    if (!last) throw new NoNetwork();
    return last;
  });
/** The strip is kept up to date by the live channel: only what was changed by an action of this page asks for it anew. */
export const shouldRevalidate = ({ formMethod }: ShouldRevalidateFunctionArgs) =>
  formMethod !== undefined && formMethod !== 'GET';

/** What stands around every screen of the workshop: the open devices with their keys, who is signed in, the live channel. */
export default function ShopFrame({ loaderData }: Route.ComponentProps) {
  const { who, now } = loaderData;
  notePerson(who);
  if (typeof window !== 'undefined') last = loaderData;
  const [keys, setKeys] = useState(false);
  const openJobs = useOpenJobs(loaderData.openJobs);
  const { job } = useParams();
  const badge = useBadge();
  useEffect(() => {
    setServerTime(now);
    startChannel();
  }, [now]);
  useDeviceKeys(openJobs, () => setKeys(true));
  return (
    <FormatsOf settings={who.settings}>
      <div className="frame">
        <Head who={who} jobs={openJobs} current={job} />
        <Outlet context={{ who, openJobs } satisfies Frame} />
        <Hands who={who} jobs={openJobs} badge={badge} />
        {keys && <KeysSheet onClose={() => setKeys(false)} />}
      </div>
    </FormatsOf>
  );
}
