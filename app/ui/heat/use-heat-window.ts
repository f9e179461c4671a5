import { useEffect, useMemo, useRef, useState } from 'react';
import type { HeatWindow } from '../../../core/heat/heat-window';
import type { Source } from '../../../core/thermal/sources';
import type { BodyOf } from '../../../core/log/events';
import type { Flags } from '../../../core/log/state';
import type { DeviceModel } from '../../../core/model/schema';
import type { HeatQuestion, HeatTold } from '../../workers/heat.worker';

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
    readings: glass
      .filter((g) => last && g.at > from)
      .map((g) => ({ atS: s(g.at), glassC: g.celsius, ...(g.again ? { again: true } : {}) })),
  };
}
export type HeatSoFar = ReturnType<typeof heatSoFar>;

export interface HeatShown {
  window: HeatWindow | undefined;
  /** Whether it is the answer to what is asked now, and not to what was asked before. */
  fresh: boolean;
}
/** What the step, the strip and the alarm go by: a computed window in s after the last soak began; whole ten seconds, to the sure side. */
export function windowOfSoak(
  { window, softForS, limitS }: HeatWindow,
  { lastS, readings }: Pick<HeatSoFar, 'lastS' | 'readings'>,
): BodyOf<'heatWindowFitted'> {
  const after = (s: number, round: (n: number) => number) => Math.max(0, round((s - lastS) / 10) * 10);
  const opensS = window && after(window.opensS, Math.ceil);
  const closesS = window ? after(window.closesS, Math.floor) : limitS && after(limitS, Math.floor);
  return {
    type: 'heatWindowFitted',
    readings: readings.length,
    softForS: Math.max(10, after(softForS + lastS, Math.floor)),
    ...(opensS === undefined || opensS >= closesS! ? {} : { opensS }),
    ...(closesS === undefined ? {} : { closesS }),
  };
}
/** The window of a device at a source, computed beside the page whenever what is known of it changes. */
export function useHeatWindow(
  model: DeviceModel,
  bond: string | undefined,
  asSet: { source: Source; setC: number } | undefined,
  { onHeat, readings }: Pick<HeatSoFar, 'onHeat' | 'readings'>,
): HeatShown {
  const [shown, setShown] = useState<{ window?: HeatTold; question?: HeatQuestion | undefined }>({});
  const worker = useRef<Worker>(undefined);
  const key = JSON.stringify([bond, asSet ?? null, onHeat, readings]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is what its text says
  const question = useMemo<HeatQuestion | undefined>(
    () => (bond && asSet ? { model, bond, ...asSet, onHeat, readings } : undefined),
    [model, key],
  );
  useEffect(() => {
    if (!question) return;
    const w = new Worker(new URL('../../workers/heat.worker.ts', import.meta.url), { type: 'module' });
    worker.current = w;
    w.onmessage = ({ data }: MessageEvent<HeatTold>) => {
      setShown({ window: data, question });
      w.terminate();
    };
    w.postMessage(question);
    return () => w.terminate();
  }, [question]);
  return { window: shown.window, fresh: question !== undefined && shown.question === question };
}
