import { useState } from 'react';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps } from '../taken';
import { Press } from './press';

/** So long it looks for where it is, ms. */
const longestMs = 10_000;
/** What it says it is connected by; not every browser says. */
const connectedBy = (): string | undefined =>
  (navigator as unknown as { connection?: { type?: string; effectiveType?: string } }).connection?.type;
/** How well it knows where it is, m; where it is goes nowhere. */
const position = (): Promise<number | undefined> =>
  new Promise((resolve) => {
    if (!('geolocation' in navigator)) resolve(undefined);
    else
      navigator.geolocation.getCurrentPosition(
        ({ coords }) => resolve(coords.accuracy),
        () => resolve(undefined),
        { enableHighAccuracy: true, timeout: longestMs, maximumAge: 0 },
      );
  });

/** Whether it has a network, and knows where it is; of the single radios a person says. */
export function Radios({ onTaken }: ProbeProps) {
  const [busy, setBusy] = useState(false);
  const run = async () => {
    setBusy(true);
    const positionM = await position();
    const by = connectedBy();
    onTaken({
      ...{ kind: 'radios', online: navigator.onLine },
      ...(by === undefined ? {} : { by }),
      ...(positionM === undefined ? {} : { positionM: Math.min(1e6, positionM) }),
    });
  };
  return <Press title={wording.network} busy={busy} onPress={() => void run()} />;
}
