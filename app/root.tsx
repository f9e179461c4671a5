import './antd.css';
import './ui/snavek.css';
import './ui/utilities.css';
import { ConfigProvider } from 'antd';
import enGB from 'antd/locale/en_GB';
import type { ReactNode } from 'react';
import { Links, Meta, Outlet, Scripts, ScrollRestoration } from 'react-router';
import type { Route } from './+types/root';
import { ErrorCard } from './ui/error-card';
import { useNonce } from './ui/nonce';
import { lookBeforePaint, usePreferences } from './ui/preferences';
import { themes, tokens } from './ui/tokens';

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
  return (
    <Themed>
      <ErrorCard error={error} />
    </Themed>
  );
}
