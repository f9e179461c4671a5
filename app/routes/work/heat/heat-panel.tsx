import { Button } from 'antd';
import { useEffect, useMemo } from 'react';
import { columnsOf } from '../../../../core/heat/columns';
import type { HeatWindow } from '../../../../core/heat/heat-window';
import { sourceAsSet } from '../../../../core/heat/planned-soak';
import { flag } from '../../../../core/log/state';
import type { Step } from '../../../../core/steps/route';
import * as wording from '../../../../words/screens/heat';
import { stationName } from '../../../../words/things';
import { left } from '../../../../words/time';
import { useNow } from '../../../job/ticker';
import { ColumnsDrawn } from '../../../ui/heat/columns-drawn';
import { HeatChart } from '../../../ui/heat/heat-chart';
import { heatSoFar, type HeatSoFar, useHeatWindow, windowOfSoak } from '../../../ui/heat/use-heat-window';
import { Note } from '../../../ui/note';
import type { WorkState } from '../use-work';
import { Fitted } from './fitted';
import { GlassReading } from './glass-reading';
import { PlateCard } from './plate-card';

/** Devices that a window is tried on, for the words. */
const tried = 200;

/** While a device is warmed: how warm its seal and its cell are, when it may come off, and what is read at its glass. */
export function HeatPanel({ work, step, onMap }: { work: WorkState; step: Step; onMap: () => void }) {
  const { index, state, who, act, page } = work;
  const heat = flag(state, 'heat');
  const station = heat?.station ?? step.station ?? '';
  const soaks = flag(state, 'soaks');
  const glass = flag(state, 'glass');
  const soFar = useMemo(() => heatSoFar(soaks, glass), [soaks, glass]);
  const bond = step.soak?.bond;
  const asSet = sourceAsSet(station, who.settings.heat);
  const { window: found, fresh } = useHeatWindow(index.model, bond, station, who.settings.heat, soFar);
  // what a second soak and the readings make of the window is what the step, the strip and the alarm go by from then on
  const counted = heat?.readings ?? (soFar.onHeat.length > 1 ? undefined : 0);
  const moved = heat && found && fresh && counted !== soFar.readings.length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for each answer
  useEffect(() => {
    if (moved) act(windowOfSoak(found, soFar));
  }, [moved, found]);
  const columns = useMemo(() => (bond ? columnsOf(index, bond) : undefined), [index, bond]);
  return (
    <div className="stack gap-8 heat-panel">
      <div className="spread small muted mid">
        <span className="fill">
          {asSet ? wording.title(stationName(index, station), asSet.setC) : stationName(index, station)}
        </span>
        <Button onMouseDown={(e) => e.preventDefault()} onClick={onMap}>
          {wording.map}
        </Button>
      </div>
      {station === 'hot-plate' && asSet && <PlateCard setC={asSet.setC} />}
      {found ? <Live found={found} soFar={soFar} /> : <p role="status">{wording.working}</p>}
      {found && !found.window && <NoWindow found={found} fromS={soFar.lastS} />}
      {heat && <GlassReading job={page.id} onRead={(celsius) => act({ type: 'glassRead', celsius })} />}
      {found?.fitted && asSet && (
        <Fitted work={work} found={found} soFar={soFar} station={station} bond={bond!} asSet={asSet} />
      )}
      {columns && <ColumnsDrawn columns={columns} />}
      {columns && (
        <p className="small muted m-0">{wording.rests(tried, columns.from, soFar.readings.length)}</p>
      )}
    </div>
  );
}
function Live({ found, soFar: { from, lastS } }: { found: HeatWindow; soFar: HeatSoFar }) {
  const time = useNow();
  return <HeatChart window={found} fromS={lastS} {...(from && time ? { nowS: (time - from) / 1000 } : {})} />;
}
function NoWindow({ found: { opensLikelyS, closesLikelyS }, fromS }: { found: HeatWindow; fromS: number }) {
  return (
    <Note tone="stop">
      <p className="strong">{wording.noWindow}</p>
      <p>
        {opensLikelyS === undefined
          ? wording.noWindowAtAll
          : wording.noWindowBut(left(opensLikelyS - fromS), left((closesLikelyS ?? 720) - fromS))}
      </p>
    </Note>
  );
}
