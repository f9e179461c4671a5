import type { ReactNode } from 'react';
import { LinkButton } from './link-button';

/** Links side by side of which one is where one is. */
export function NavTabs({
  label,
  tabs,
  here,
  className = 'tabs',
  children,
}: {
  label: string;
  tabs: readonly { to: string; name: string }[];
  /** The address of the one that is shown. */
  here: string | undefined;
  className?: string;
  children?: ReactNode;
}) {
  return (
    <nav className={className} aria-label={label}>
      {tabs.map(({ to, name }) => (
        <LinkButton key={to} type="text" to={to} aria-current={to === here ? 'page' : undefined}>
          {name}
        </LinkButton>
      ))}
      {children}
    </nav>
  );
}
