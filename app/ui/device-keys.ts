import { useNavigate } from 'react-router';
import type { JobLine } from '../../server/use-cases/bench-page';
import { workFor } from './head';
import { useKeys } from './keys';

/** The keys of every screen: 1 to 9 go to that device of the strip, where one is not there already; never out of a dialog. */
export function useDeviceKeys(strip: readonly JobLine[]): void {
  const go = useNavigate();
  useKeys({
    device: (n) => {
      const to = strip[n - 1] && workFor(strip[n - 1]!);
      if (to && to !== location.pathname && !document.querySelector('[role=dialog]')) void go(to);
    },
  });
}
