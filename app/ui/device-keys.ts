import { useNavigate } from 'react-router';
import type { JobLine } from '../../core/wire/job-line';
import { workFor } from './head';
import { useKeys } from './keys';

/** The keys of every screen: 1 to 9 go to that device of the strip, where one is not there already; 0 to the list of all; ? shows the keys. */
export function useDeviceKeys(openJobs: readonly JobLine[], showKeys: () => void): void {
  const go = useNavigate();
  useKeys({
    device: (n) => {
      const to = n === 0 ? '/' : openJobs[n - 1] && workFor(openJobs[n - 1]!);
      if (to && to !== location.pathname) void go(to);
    },
    keys: showKeys,
  });
}
