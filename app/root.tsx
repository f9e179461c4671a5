import './ui/palette.css';
import type { ReactNode } from 'react';
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useMatches,
} from 'react-router';
import * as wording from '../words/screens/nowhere';
import type { Route } from './+types/root';
import { useNonce } from './ui/nonce';
import { tokens } from './ui/palette';
import { lookBeforePaint } from './ui/preferences';

export const meta: Route.MetaFunction = () => [{ title: 'snavek' }];

/** Of a page that wakes up by a script of its own. */
const isAlone = (handle: unknown): boolean =>
  typeof handle === 'object' && handle !== null && 'alone' in handle;

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce();
  const matches = useMatches();
  // while it is developed there is no such script
  const alone = import.meta.env.PROD && matches.some((m) => isAlone(m.handle));
  return (
    <html lang="en-GB" suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/icon.svg" type="image/svg+xml" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <meta name="theme-color" content={tokens.head} />
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
        {alone ? (
          <script type="module" src="/device.js" nonce={nonce} suppressHydrationWarning />
        ) : (
          <>
            <ScrollRestoration nonce={nonce} />
            <Scripts nonce={nonce} />
          </>
        )}
      </body>
    </html>
  );
}

export default function Root() {
  return <Outlet />;
}

/** What no screen could say: the screens of the workshop have their own, with its look. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const none = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main>
      <h1>{none ? wording.noPage : wording.failed}</h1>
      <p>
        <a href="/">{wording.bench}</a>
      </p>
    </main>
  );
}
