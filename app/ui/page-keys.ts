import { useNavigate } from 'react-router';
import type { JobLine } from '../../server/use-cases/bench-page';
import { workFor } from './head';
import { type KeyMap, useKeys } from './keys';

/** A screen's keys, and those of every screen: 1 to 9 go to that device of the strip, where one is not there already. */
export function usePageKeys(strip: readonly JobLine[], own: KeyMap = {}, on = true): void {
  const go = useNavigate();
  useKeys(
    {
      ...own,
      device: (n) => {
        const to = strip[n - 1] && workFor(strip[n - 1]!);
        if (to && to !== location.pathname) void go(to);
      },
    },
    on,
  );
}
