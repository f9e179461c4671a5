import { useEffect, useState } from 'react';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps } from '../taken';
import { Press } from './press';

interface BatteryManager {
  charging: boolean;
  level: number;
}
/** Not every browser tells of its battery. */
const battery = (): Promise<BatteryManager | undefined> =>
  (navigator as unknown as { getBattery?: () => Promise<BatteryManager> })
    .getBattery?.()
    .catch(() => undefined) ?? Promise.resolve(undefined);

/** The percentage that the system says. */
export function Battery({ onTaken, onCannot }: ProbeProps) {
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    if (asked) return;
    setAsked(true);
    void battery().then((b) =>
      b ? onTaken({ kind: 'battery', percent: Math.round(b.level * 100) }) : onCannot(),
    );
  }, [asked, onTaken, onCannot]);
  return (
    <section className="ask">
      <h1>{wording.measuring}</h1>
    </section>
  );
}
/** Whether current flows once the charger is in. */
export function Charging({ onTaken, onCannot }: ProbeProps) {
  const [busy, setBusy] = useState(false);
  const run = async () => {
    setBusy(true);
    const b = await battery();
    if (b) onTaken({ kind: 'charging', charging: b.charging });
    else onCannot();
  };
  return <Press title={wording.plug} busy={busy} onPress={() => void run()} />;
}
