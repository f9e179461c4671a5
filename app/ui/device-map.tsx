import * as wording from '../../words/screens/map';
import { memo, type MouseEvent, type ReactNode, type Ref } from 'react';
import type { JobState } from '../../core/log/state';
import type { IndexedModel } from '../../core/model/index-model';
import type { Face } from '../../core/vocabulary/trade';
import { OpenCover } from './map-cover';
import { Bonds, Pieces, Plugs, Screws, ShutCover } from './map-inside';
import { Catches, NoGo, Rim, Ruler, Solvents } from './map-rim';
import { sceneOf } from './map-scene';

export interface MapProps {
  index: IndexedModel;
  state: JobState;
  /** Lit: what the step is about, and the one thing that is next. */
  lit: readonly string[];
  now: string | undefined;
  /** Hatched stretches of the rim while it is being opened. */
  showNoGo: boolean;
  /** Which solvent may go where on the rim, while it is cleaned. */
  showSolvents?: boolean;
  /** The side that lies up. The back is seen as it lies: what the model has on its left is on the right. */
  face?: Face;
  onPick?: (id: string) => void;
  /** Larger writing, for older eyes and a screen further away. */
  large?: boolean;
  svg?: Ref<SVGSVGElement>;
  /** What lies under its things, in mm as one looks at that side: a photograph. */
  under?: ReactNode;
  /** What is drawn over the device, in mm of its frame as it lies; and a click on the drawing, at mm of the same. */
  children?: ReactNode;
  onPoint?: (at: { x: number; y: number }) => void;
}

/** Where a click is, in mm of the drawing. */
function pointOf(event: MouseEvent<SVGSVGElement>): { x: number; y: number } {
  const drawing = event.currentTarget;
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(drawing.getScreenCTM()!.inverse());
  return { x: point.x, y: point.y };
}

/**
 * The device to scale, the same way up as on the bench: every screw, connector and piece that the model knows, with
 * what is out shown as an empty place (dashed). The open display lies on its hinge side.
 */
export const DeviceMap = memo(function DeviceMap({
  index,
  state,
  lit,
  now,
  showNoGo,
  showSolvents = false,
  face = 'front',
  onPick,
  large = false,
  svg,
  under,
  children,
  onPoint,
}: MapProps) {
  const scene = sceneOf({ index, state, face, lit, now, large, onPick });
  const { at, cover, open } = scene;
  const back = face === 'back';
  const bare = !cover && !index.model.slots.some((s) => s.face === face && !s.carrier);
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the arrows move the cross, see the recorder's keys
    <svg
      ref={svg}
      onClick={onPoint && ((event) => onPoint(pointOf(event)))}
      viewBox={`${at.whole.x} ${at.whole.y} ${at.whole.w} ${at.whole.h}`}
      role="img"
      aria-label={wording.mapOfThe(
        index.model.name,
        back ? 'back, ' : '',
        open ? `${cover?.name ?? 'it'} open` : 'closed',
      )}
    >
      <Ruler widthMm={at.W} />
      <OpenCover scene={scene} />
      <rect
        x={0}
        y={0}
        width={at.W}
        height={at.H}
        rx={index.model.outline.cornerMm}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={0.6}
      />
      {under}
      {bare && !children && (
        <text x={at.W / 2} y={at.H / 2} fontSize={3.6} textAnchor="middle" fill="var(--muted)">
          {wording.nothingComesOffOnThis}
        </text>
      )}
      {open ? (
        <>
          <Pieces scene={scene} />
          <Bonds scene={scene} />
          <Plugs scene={scene} />
        </>
      ) : (
        <ShutCover scene={scene} />
      )}
      <Screws scene={scene} />
      <Rim scene={scene} />
      {!open && !back && <Catches scene={scene} />}
      {showNoGo && <NoGo scene={scene} />}
      {showSolvents && <Solvents scene={scene} face={back ? 'back' : 'front'} />}
      {children}
    </svg>
  );
});
