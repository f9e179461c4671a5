import { Button } from 'antd';
import { useEffect, useMemo } from 'react';
import { columnsOf } from '../../../../core/heat/columns';
import { type HeatWindow, readingSaid } from '../../../../core/heat/heat-window';
import { sourceAsSet } from '../../../../core/heat/planned-soak';
import { flag } from '../../../../core/log/state';
import type { Step } from '../../../../core/steps/route';
import * as wording from '../../../../words/screens/heat';
import { stationName } from '../../../../words/things';
import { left } from '../../../../words/time';
import { benchTime } from '../../../job/clock';
import { useNow } from '../../../job/ticker';
import { ColumnsDrawn } from '../../../ui/heat/columns-drawn';
import { HeatChart } from '../../../ui/heat/heat-chart';
import { heatSoFar, type HeatSoFar, useHeatWindow, windowOfSoak } from '../../../ui/heat/use-heat-window';
import { Note } from '../../../ui/note';
import type { WorkState } from '../use-work';
import { Fitted } from './fitted';
import { GlassReading } from './glass-reading';
import { PlateCard } from './plate-card';

/** While a device is warmed: how warm its seal and its cell are, when it may come off, and what is read at its glass. */
export function HeatPanel({ work, step, onMap }: { work: WorkState; step: Step; onMap: () => void }) {
  const { index, state, who, act, page } = work;
  const heat = flag(state, 'heat');
  const station = heat?.station ?? step.station ?? '';
  const soaks = flag(state, 'soaks');
  const glass = flag(state, 'glass');
  const soFar = useMemo(() => heatSoFar(soaks, glass), [soaks, glass]);
  const bond = step.soak?.bond;
  const own = sourceAsSet(station, who.settings.heat);
  // a plan may set it otherwise, where its usual setting leaves no time that is right
  const { setC } = work.source;
  const asSet = own && setC !== undefined ? { ...own, setC } : own;
  const { window: found, fresh } = useHeatWindow(index.model, bond, asSet, soFar);
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
          {setC !== undefined
            ? wording.title(stationName(index, station), setC)
            : stationName(index, station)}
        </span>
        <Button onMouseDown={(e) => e.preventDefault()} onClick={onMap}>
          {wording.map}
        </Button>
      </div>
      {station === 'hot-plate' && setC !== undefined && <PlateCard setC={setC} plate={work.source.plate} />}
      {found ? <Live found={found} soFar={soFar} /> : <p role="status">{wording.working}</p>}
      {found && !found.window && <NoWindow found={found} fromS={soFar.lastS} />}
      {heat && asSet && (
        <GlassReading
          job={page.id}
          said={(celsius) =>
            found
              ? readingSaid(found, asSet, { atS: (benchTime().at - soFar.from) / 1000, glassC: celsius })
              : { plausible: true }
          }
          onRead={(celsius, again) => act({ type: 'glassRead', celsius, ...(again ? { again: true } : {}) })}
        />
      )}
      {found?.fitted && asSet && (
        <Fitted work={work} found={found} soFar={soFar} station={station} bond={bond!} asSet={asSet} />
      )}
      {columns && <ColumnsDrawn columns={columns} />}
      {columns && <p className="small muted m-0">{wording.rests(columns.from, soFar.readings.length)}</p>}
    </div>
  );
}
function Live({ found, soFar: { from, lastS } }: { found: HeatWindow; soFar: HeatSoFar }) {
  const time = useNow();
  return <HeatChart window={found} fromS={lastS} {...(from && time ? { nowS: (time - from) / 1000 } : {})} />;
}
/** No time is right: what the times are all the same, and what can be done about it. */
function NoWindow({ found: { opensS, limitS, softOfHundred }, fromS }: { found: HeatWindow; fromS: number }) {
  return (
    <Note tone="warn">
      <p className="strong">{wording.noWindow}</p>
      <p>
        {limitS === undefined
          ? wording.noWindowAtAll
          : wording.noWindowBut(
              left(Math.floor((limitS - fromS) / 10) * 10),
              Math.round(softOfHundred / 10),
              opensS === undefined ? undefined : left(Math.ceil((opensS - fromS) / 10) * 10),
            )}
      </p>
    </Note>
  );
}
