import { useEffect } from 'react';
import { sourceAsSet } from '../../../../core/heat/planned-soak';
import type { Body, BodyOf } from '../../../../core/log/events';
import { flag } from '../../../../core/log/state';
import type { Step } from '../../../../core/steps/route';
import { isWarm } from '../../../../core/thermal/sources';
import * as wording from '../../../../words/screens/heat';
import type { JobFrame } from '../../../ui/job-frame';
import { type Plate, usePlate } from './use-plate';

export interface SourceNow {
  plate: Plate;
  /** How warm it has to be, C; undefined where the step needs no source. */
  setC: number | undefined;
  /** What it reads, C; undefined where nothing reads it. */
  nowC: number | undefined;
  /** It is read, and it is not warm: nothing begins on it, and no time counts. */
  cold: boolean;
  /** The device goes on it: with what it reads, and not while it is cold. */
  put: (body: BodyOf<'heatStarted'>) => void;
}
/** What warms the device in this step: as it is set, and where it can be read, whether it is warm. The log is told when that changes. */
export function useSource(
  { state, who, say }: Pick<JobFrame, 'state' | 'who' | 'say'>,
  step: Step | undefined,
  act: (...bodies: Body[]) => void,
): SourceNow {
  const heat = flag(state, 'heat');
  const station = heat?.station ?? (step?.action === 'heat' ? step.station : undefined);
  const plate = usePlate(station === 'hot-plate');
  const setC =
    station === undefined
      ? undefined
      : (heat?.setC ?? step?.soak?.setC ?? sourceAsSet(station, who.settings.heat)?.setC);
  const nowC = plate.said?.ok ? plate.said.nowC : undefined;
  const cold = setC !== undefined && nowC !== undefined && !isWarm(nowC, setC);
  const changed =
    heat && heat.setC !== undefined && nowC !== undefined && cold !== (heat.coldSince !== undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for each change
  useEffect(() => {
    if (changed) act({ type: 'sourceRead', celsius: Math.round(nowC * 10) / 10 });
  }, [changed]);
  const put = (body: BodyOf<'heatStarted'>) => {
    if (cold) say(wording.cold(nowC, setC));
    else act(nowC === undefined ? body : { ...body, hot: Math.round(nowC) });
  };
  return { plate, setC, nowC, cold, put };
}
