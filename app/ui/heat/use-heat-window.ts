import { useEffect, useMemo, useRef, useState } from 'react';
import type { HeatWindow } from '../../../core/heat/heat-window';
import type { HeatOfStations } from '../../../core/heat/planned-soak';
import type { Flags } from '../../../core/log/state';
import type { DeviceModel } from '../../../core/model/schema';
import type { HeatQuestion, HeatTold } from '../../workers/heat.worker';

/** Devices that a window is tried on. */
const draws = 200;
/** What was on the heat longer ago than this is as cold as the room, ms. */
const coldAfterMs = 40 * 60_000;

/** The times on heat that still count, as the computation takes them; the last one is what is asked about. */
export function heatSoFar(soaks: Flags['soaks'] = [], glass: Flags['glass'] = []) {
  const last = soaks.at(-1);
  const counted = last ? soaks.filter((s) => last.from - (s.to ?? last.from) < coldAfterMs) : [];
  const from = counted[0]?.from ?? 0;
  const s = (ms: number) => Math.round((ms - from) / 1000);
  return {
    /** The moment from which seconds are counted, and how far after it the last soak begins, s. */
    from,
    lastS: last ? s(last.from) : 0,
    onHeat: counted.map((soak) => ({
      fromS: s(soak.from),
      ...(soak.to === null ? {} : { toS: Math.max(s(soak.from) + 1, s(soak.to)) }),
    })),
    readings: glass.filter((g) => last && g.at > from).map((g) => ({ atS: s(g.at), glassC: g.celsius })),
  };
}
export type HeatSoFar = ReturnType<typeof heatSoFar>;

export interface HeatShown {
  window: HeatWindow | undefined;
  busy: boolean;
}
/** The window of a device at a source, computed beside the page whenever what is known of it changes. */
export function useHeatWindow(
  model: DeviceModel,
  bond: string | undefined,
  station: string,
  heat: HeatOfStations | undefined,
  { onHeat, readings }: Pick<HeatSoFar, 'onHeat' | 'readings'>,
): HeatShown {
  const [shown, setShown] = useState<HeatShown>({ window: undefined, busy: true });
  const worker = useRef<Worker>(undefined);
  const key = JSON.stringify([bond, station, heat?.[station] ?? null, onHeat, readings]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is what its text says
  const question = useMemo<HeatQuestion | undefined>(
    () => (bond ? { model, bond, station, heat, onHeat, readings, draws, seed: 1 } : undefined),
    [model, key],
  );
  useEffect(() => {
    if (!question) return;
    const w = new Worker(new URL('../../workers/heat.worker.ts', import.meta.url), { type: 'module' });
    worker.current = w;
    setShown((s) => ({ ...s, busy: true }));
    w.onmessage = ({ data }: MessageEvent<HeatTold>) => {
      setShown({ window: data, busy: false });
      w.terminate();
    };
    w.postMessage(question);
    return () => w.terminate();
  }, [question]);
  return shown;
}
