import './antd.css';
import './ui/snavek.css';
import './ui/utilities.css';
import { Button, ConfigProvider } from 'antd';
import enGB from 'antd/locale/en_GB';
import type { ReactNode } from 'react';
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration } from 'react-router';
import type { Route } from './+types/root';
import { useNonce } from './ui/nonce';
import { lookBeforePaint, usePreferences } from './ui/preferences';
import { cssVariables, themes, tokens } from './ui/tokens';

export const meta: Route.MetaFunction = () => [{ title: 'snavek' }];

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce();
  return (
    <html lang="en-GB" suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/icon.svg" type="image/svg+xml" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <meta name="theme-color" content={tokens.head} />
        <style>{cssVariables}</style>
        {/* our own few words, before the first paint */}
        <script
          suppressHydrationWarning
          nonce={nonce}
          // biome-ignore lint/security/noDangerouslySetInnerHtml: written by us, known to the browser by its nonce
          dangerouslySetInnerHTML={{ __html: lookBeforePaint }}
        />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

function Themed({ children }: { children: ReactNode }) {
  return (
    <ConfigProvider
      theme={themes[usePreferences().theme]}
      locale={enGB}
      wave={{ disabled: true }}
      button={{ autoInsertSpace: false }}
      form={{ requiredMark: false, colon: false }}
    >
      {children}
    </ConfigProvider>
  );
}
export default function Root() {
  return (
    <Themed>
      <Outlet />
    </Themed>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const known = isRouteErrorResponse(error);
  const title = known ? `${error.statusText || `Error ${error.status}`}` : 'This page cannot be shown';
  return (
    <Themed>
      <main className="page">
        <div className="card stack">
          <h1>{title}</h1>
          <p>
            {known && error.status === 404
              ? 'There is no such page in this workshop.'
              : known && error.status === 503
                ? 'What is kept in this browser stays kept and is sent when the database is back.'
                : 'The fault is ours; nothing that was confirmed is lost. Load the page again.'}
          </p>
          <p className="row">
            <Button href="/">To the bench</Button>
            <Button onClick={() => window.location.reload()}>Load again</Button>
          </p>
        </div>
      </main>
    </Themed>
  );
}
