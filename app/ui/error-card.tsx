import * as wording from '../../words/screens/error-card';
import { Button } from 'antd';
import { isRouteErrorResponse } from 'react-router';
import { NoNetwork } from '../job/offline-page';

/** Why a page cannot be shown, and what to do. */
export function ErrorCard({ error }: { error: unknown }) {
  const known = isRouteErrorResponse(error);
  // what the browser throws where nothing answers
  const unanswered = error instanceof TypeError && /fetch|network/i.test(error.message);
  const away = error instanceof NoNetwork || unanswered || (known && error.status === 503);
  const title = away
    ? wording.noNetworkThisScreenNeeds
    : known
      ? `${error.statusText || wording.error(error.status)}`
      : wording.thisPageCannotBeShown;
  const what = away
    ? wording.whatIsKeptInThis
    : known && error.status === 404
      ? wording.thereIsNoSuchPage
      : wording.theFaultIsOursNothing;
  return (
    <main className="page">
      <div className="card stack">
        <h1>{title}</h1>
        <p>{what}</p>
        <p className="row">
          <Button href="/">{wording.toTheBench}</Button>
          <Button onClick={() => window.location.reload()}>{wording.loadAgain}</Button>
        </p>
      </div>
    </main>
  );
}
