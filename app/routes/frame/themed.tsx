import '../../antd.css';
import '../../ui/snavek.css';
import '../../ui/utilities.css';
import { ConfigProvider } from 'antd';
import enGB from 'antd/locale/en_GB';
import type { ReactNode } from 'react';
import { Outlet } from 'react-router';
import { ErrorCard } from '../../ui/error-card';
import { usePreferences } from '../../ui/preferences';
import { themes } from '../../ui/tokens';
import type { Route } from './+types/themed';

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
/** The workshop's look around all its screens; the page on a repaired phone does without it. */
export default function ThemedScreens() {
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
