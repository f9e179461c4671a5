import { type ComponentType, createElement, lazy, Suspense } from 'react';

/** When nothing else is waiting for the browser: never before what is on the screen can be used. */
function whenIdle(work: () => void): void {
  const idle = () =>
    'requestIdleCallback' in window ? requestIdleCallback(work, { timeout: 1000 }) : setTimeout(work, 300);
  if (document.readyState === 'complete') idle();
  else window.addEventListener('load', idle, { once: true });
}
/**
 * A part that the first view of a screen does without: its script is a file of its own, which is read when the screen is
 * there and the browser idle, or when the part is called for before that. Until it is there its place is empty.
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Part = lazy(async () => ({ default: await load() }));
  if (typeof window !== 'undefined')
    // at once: the network may be gone when it is needed
    whenIdle(() => void load().catch(() => {}));
  return function Later(props: P) {
    return <Suspense fallback={null}>{createElement(Part as ComponentType<P>, props)}</Suspense>;
  };
}
