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
    ? 'No network: this screen needs the server'
    : known
      ? `${error.statusText || `Error ${error.status}`}`
      : 'This page cannot be shown';
  const what = away
    ? 'What is kept in this browser stays kept and is sent when the server is back. Work, Checks and Log of a job that was opened here go on without it.'
    : known && error.status === 404
      ? 'There is no such page in this workshop.'
      : 'The fault is ours; nothing that was confirmed is lost. Load the page again.';
  return (
    <main className="page">
      <div className="card stack">
        <h1>{title}</h1>
        <p>{what}</p>
        <p className="row">
          <Button href="/">To the bench</Button>
          <Button onClick={() => window.location.reload()}>Load again</Button>
        </p>
      </div>
    </main>
  );
}
