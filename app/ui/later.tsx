import * as wording from '../../words/screens/parts';
import { type ComponentType, useEffect, useState } from 'react';
import { Note } from './note';

/** When nothing else is waiting for the browser: never before what is on the screen can be used. */
function whenIdle(work: () => void): void {
  const idle = () =>
    'requestIdleCallback' in window ? requestIdleCallback(work, { timeout: 1000 }) : setTimeout(work, 300);
  if (document.readyState === 'complete') idle();
  else window.addEventListener('load', idle, { once: true });
}
const againMs = 1000;

/**
 * A part that the first view of a screen does without: its script is a file of its own, which is read when the screen is
 * there and the browser idle, or when the part is called for before that. Until it is there its place is empty; without a
 * network it says so, and comes by itself when there is one.
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  let ready: ComponentType<P> | undefined;
  const fetchIt = async () => {
    ready ??= await load();
    return ready;
  };
  if (typeof window !== 'undefined') whenIdle(() => void fetchIt().catch(() => {}));
  return function Later(props: P) {
    const [Part, setPart] = useState(() => ready);
    const [away, setAway] = useState(false);
    useEffect(() => {
      if (Part) return;
      let over = false;
      let timer: ReturnType<typeof setTimeout> | undefined;
      const attempt = () =>
        fetchIt().then(
          (part) => !over && setPart(() => part),
          () => {
            if (over) return;
            setAway(true);
            timer = setTimeout(attempt, againMs);
          },
        );
      void attempt();
      return () => {
        over = true;
        clearTimeout(timer);
      };
    }, [Part]);
    if (Part) return <Part {...props} />;
    return away ? (
      <Note tone="warn" role="status">
        {wording.noNetworkThisPartOf}
      </Note>
    ) : null;
  };
}
