import { Button } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { matOf } from '../../../../core/screws/mat-of';
import * as edit from '../../../../words/screens/edit-model';
import * as maps from '../../../../words/screens/map';
import * as wording from '../../../../words/screens/record';
import { faceText } from '../../../../words/things';
import { DeviceMap } from '../../../ui/device-map';
import { useKeys } from '../../../ui/keys';
import { PhotoUnderControls, UnderPicture, usePhotoUnder } from '../../../ui/photo-under';
import { usePreferences } from '../../../ui/preferences';
import { useScrewTravel } from '../../../ui/screw-travel';
import { Sheet } from '../../../ui/sheet';
import { AtTheBench } from '../at-the-bench';
import { MatPanel } from '../mat-panel';
import { useMat } from '../use-mat';
import type { WorkState } from '../use-work';
import { noFocus, SideKeys } from '../work-keys';
import { RecordPanel } from './record-panel';
import { useRecordKeys } from './record-keys';
import { type RecordState, titleOf, useRecord } from './use-record';

const nothing: readonly string[] = [];

/** A device that nobody has recorded: the map grows with what comes off, and so does the mat. */
export function Recorder({ work: given }: { work: WorkState }) {
  const record = useRecord(given);
  const { index, state, page, stopped, sheet, setSheet, undo, turn, tool } = record;
  const enter = useRef<(() => void) | undefined>(undefined);
  const pedal = () => (tool === 'fastener' ? record.enter() : enter.current?.());
  useRecordKeys(record, stopped || sheet !== undefined);
  useKeys({
    next: pedal,
    undo,
    trouble: () => setSheet({ kind: 'trouble' }),
    note: () => setSheet({ kind: 'note' }),
    turn,
    search: () => setSheet({ kind: 'find' }),
  });
  useScrewTravel(page.id, state.place);
  const look = useMat(index, matOf(index), state, undefined, undefined);
  const keys = (
    <SideKeys work={record}>
      <Button
        className="go"
        type="primary"
        onMouseDown={noFocus}
        onClick={pedal}
        disabled={tool === 'connector'}
        data-testid="go"
      >
        <span className="cap">{wording.pedal}</span>
        <span>
          {tool === 'fastener' ? titleOf(record) : tool === 'connector' ? wording.whichPlug : wording.isOff}
        </span>
      </Button>
    </SideKeys>
  );
  return (
    <AtTheBench work={record} keys={keys}>
      <section className="fit" aria-label={wording.map}>
        <RecordMap record={record} />
      </section>
      <section aria-label={wording.instruction}>
        <RecordPanel record={record} enter={enter} />
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
    </AtTheBench>
  );
}

/** The device as far as it is known, with the cross, the corner that was tapped and the outline that is proposed. */
function RecordMap({ record }: { record: RecordState }) {
  const { index, state, face, point, turn } = record;
  const { widthMm, heightMm } = index.model.outline;
  const large = usePreferences().text === 'large';
  // until something is known that they belong to, they are drawn all the same
  const plugs = useMemo(() => [...index.connectors.keys()], [index]);
  const under = usePhotoUnder(index, face);
  const [asked, setAsked] = useState(false);
  return (
    <>
      {asked && (
        <Sheet title={edit.photograph} onClose={() => setAsked(false)}>
          <PhotoUnderControls under={under} />
        </Sheet>
      )}
      <div className="spread small muted mid">
        <span className="fill shrinks">{wording.firstOfItsKind(widthMm, heightMm, faceText(face))}</span>
        <Button onMouseDown={noFocus} onClick={() => setAsked(true)}>
          {wording.photograph}
        </Button>
        <Button onMouseDown={noFocus} onClick={turn}>
          {maps.turnOver}
        </Button>
      </div>
      <div className="mapview">
        <div className="glide tapped">
          <DeviceMap
            index={index}
            state={state}
            lit={plugs}
            now={undefined}
            showNoGo={false}
            face={face}
            large={large}
            onPoint={point}
            under={
              under.shown && (
                <g opacity={1 - under.through / 200}>
                  <UnderPicture under={under} />
                </g>
              )
            }
          >
            <Marks record={record} />
          </DeviceMap>
        </div>
      </div>
    </>
  );
}
function Marks({ record: { index, state, face, at, corner, tool, outlineNow } }: { record: RecordState }) {
  const { widthMm } = index.model.outline;
  const x = (mm: number, w = 0) => (face === 'back' ? widthMm - mm - w : mm);
  const shaped = tool === 'part' || tool === 'bond' ? outlineNow : undefined;
  return (
    <g className="cross" data-testid="cross">
      {Object.values(state.met).map(
        (thing) =>
          thing.kind === 'fastener' &&
          thing.face === face && (
            <text key={thing.id} x={x(thing.at.x)} y={thing.at.y - 2.6} fontSize={2.8} textAnchor="middle">
              {thing.lengthMm}
            </text>
          ),
      )}
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
  );
}
