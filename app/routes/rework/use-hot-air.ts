import { useEffect, useState } from 'react';
import type { ReworkEntry } from '../../../core/log/state';
import type { HotAirAsk, HotAirSaid } from '../../../core/wire/hot-air';

/** Sets the station as a step begins under air, and turns it off when that ends; what it said stands until the next. */
export function useHotAir(work: ReworkEntry | undefined): HotAirSaid | undefined {
  const [said, setSaid] = useState<HotAirSaid>();
  const heat = work?.heat?.by === 'air' ? work.heat : undefined;
  const key = heat && `${heat.step} ${heat.since}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each time the air comes on
  useEffect(() => {
    if (!heat) return;
    const ask = (on: boolean): HotAirAsk => ({ on, setC: heat.setC ?? 0, airPercent: heat.airPercent ?? 0 });
    const send = (on: boolean) =>
      fetch('/hot-air', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(ask(on)),
        keepalive: true,
      });
    void send(true)
      .then((res) => res.json() as Promise<HotAirSaid>)
      .catch((): HotAirSaid => ({ ok: false, said: '' }))
      .then(setSaid);
    return () => {
      setSaid(undefined);
      void send(false).catch(() => undefined);
    };
  }, [key]);
  return said;
}
