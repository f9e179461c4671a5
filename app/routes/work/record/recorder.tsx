import { useRef } from 'react';
import { matOf } from '../../../../core/screws/mat-of';
import * as wording from '../../../../words/screens/record';
import { faceText } from '../../../../words/things';
import { DeviceMap } from '../../../ui/device-map';
import { usePreferences } from '../../../ui/preferences';
import { Button } from 'antd';
import * as work from '../../../../words/screens/map';
import { MatPanel } from '../mat-panel';
import { useMat } from '../use-mat';
import type { WorkState } from '../use-work';
import { noFocus } from '../work-keys';
import { RecordPanel } from './record-panel';
import { type RecordState, useRecord, useRecordKeys } from './use-record';

const nothing: readonly string[] = [];

/** A device that nobody has recorded: the map grows with what comes off, and so does the mat. */
export function Recorder({ work: given }: { work: WorkState }) {
  const record = useRecord(given);
  const { index, state, page, stopped, sheet } = record;
  const part = useRef<() => boolean>(() => false);
  useRecordKeys(record, stopped || sheet !== undefined, () => part.current());
  const look = useMat(index, matOf(index), state, undefined, undefined);
  return (
    <>
      <section className="fit" aria-label={wording.map}>
        <RecordMap record={record} />
      </section>
      <section aria-label={wording.tool}>
        <RecordPanel record={record} enter={part} />
      </section>
      <section aria-label={wording.mat} className="column gap-8">
        <MatPanel
          index={index}
          state={state}
          look={look}
          target={undefined}
          lit={nothing}
          jobId={page.id}
          keeping="mat"
        />
      </section>
    </>
  );
}

/** The device as far as it is known, with the cross, the corner that was tapped and the outline that is proposed. */
function RecordMap({ record }: { record: RecordState }) {
  const { index, state, face, at, corner, tool, outlineNow, point, turn } = record;
  const { widthMm, heightMm } = index.model.outline;
  const large = usePreferences().text === 'large';
  const x = (mm: number, w = 0) => (face === 'back' ? widthMm - mm - w : mm);
  const shaped = tool === 'part' || tool === 'bond' ? outlineNow : undefined;
  return (
    <>
      <div className="spread small muted mid">
        <span className="fill shrinks">{wording.firstOfItsKind(widthMm, heightMm, faceText(face))}</span>
        <Button onMouseDown={noFocus} onClick={turn}>
          {work.turnOver}
        </Button>
      </div>
      <div className="mapview">
        <div className="glide tapped">
          <DeviceMap
            index={index}
            state={state}
            lit={nothing}
            now={undefined}
            showNoGo={false}
            face={face}
            large={large}
            onPoint={point}
          >
            <g className="cross" data-testid="cross">
              {shaped && (
                <rect
                  x={x(shaped.x, shaped.w)}
                  y={shaped.y}
                  width={shaped.w}
                  height={shaped.h}
                  rx={1}
                  className="proposed"
                />
              )}
              {corner && <circle cx={x(corner.x)} cy={corner.y} r={1} className="proposed" />}
              {at && (
                <>
                  <line x1={x(at.x) - 5} x2={x(at.x) + 5} y1={at.y} y2={at.y} />
                  <line x1={x(at.x)} x2={x(at.x)} y1={at.y - 5} y2={at.y + 5} />
                  <circle cx={x(at.x)} cy={at.y} r={2.2} />
                </>
              )}
            </g>
          </DeviceMap>
        </div>
      </div>
    </>
  );
}
