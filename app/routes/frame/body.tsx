import { Outlet } from 'react-router';
import { ErrorCard } from '../../ui/error-card';
import { useFrame } from '../../ui/frame';
import type { Route } from './+types/body';

/** The screen inside the workshop's frame: where it cannot be shown, the frame stays and says why. */
export default function Body() {
  return <Outlet context={useFrame()} />;
}
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <ErrorCard error={error} />;
}
