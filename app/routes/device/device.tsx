import './device.css';
import { data } from 'react-router';
import { devicePage } from '../../../server/use-cases/device-checks';
import * as wording from '../../../words/screens/device';
import { peerContext } from '../../context';
import { Device } from './round';
import { dataId, rootId } from './alone-ids';
import type { Route } from './+types/device';

/** A link is a secret: it goes to no other site, and is kept by nobody on the way. */
export const headers = () => ({ 'Referrer-Policy': 'no-referrer', 'Cache-Control': 'no-store' });
export const meta: Route.MetaFunction = () => [{ title: wording.title }];
/** It wakes up by a script of its own: a phone that is in doubt fetches no router, and none of the workshop's screens. */
export const handle = { alone: true };

export async function loader({ params, context }: Route.LoaderArgs) {
  const { token } = params;
  const page = await devicePage(token, context.get(peerContext));
  if (typeof page === 'string')
    return data(
      { page: undefined, tooMany: page === 'too many', token },
      { status: page === 'gone' ? 410 : 429 },
    );
  return data({ page, tooMany: false, token });
}

export default function DevicePage({ loaderData }: Route.ComponentProps) {
  return (
    <>
      <div id={rootId}>
        <Device {...loaderData} />
      </div>
      <script
        id={dataId}
        type="application/json"
        // biome-ignore lint/security/noDangerouslySetInnerHtml: our own data, and nothing in it ends a script
        dangerouslySetInnerHTML={{ __html: JSON.stringify(loaderData).replaceAll('<', String.raw`\u003c`) }}
      />
    </>
  );
}
