import { Button, Slider, Tag } from 'antd';
import { type PointerEvent as ReactPointer, type ReactNode, useEffect, useMemo, useRef } from 'react';
import { type Box, boxOf, type Point, thingOf } from '../../../../core/model/editing';
import * as maps from '../../../../words/screens/map';
import * as wording from '../../../../words/screens/edit-model';
import { faceText } from '../../../../words/things';
import { Ruler } from '../../../ui/map-rim';
import { type MapZoom, useMapZoom } from '../../../ui/use-map-zoom';
import { EditThing } from './edit-things';
import { layersOf, noGoBox, noGoId, thingsShown } from './edit-scene';
import { type Handle, useDrag } from './use-drag';
import type { Editor } from './use-editor';

const closer = 1 / 0.75;
const handles: Handle[] = ['nw', 'n', 'ne', 'w', 'e', 'sw', 's', 'se'];

/** The device as it is edited: all that lies no higher than a layer, to be taken hold of. */
export function EditMap({
  editor,
  topLayer,
  onTopLayer,
  onPlace,
  under,
  seenThrough = 1,
}: {
  editor: Editor;
  topLayer: number;
  onTopLayer: (layer: number) => void;
  /** A tap on the map while something new is in hand, mm as the model counts. */
  onPlace: (at: Point) => void;
  /** What lies under the things: a photograph. */
  under?: ReactNode;
  /** How much of the things is seen over it, 0 to 1. */
  seenThrough?: number;
}) {
  const { index, face, tool } = editor;
  const { widthMm, heightMm } = index.model.outline;
  const whole = useMemo(() => ({ x: -4, y: -5, w: widthMm + 8, h: heightMm + 9 }), [widthMm, heightMm]);
  const zoom = useMapZoom(whole, () => undefined);
  const back = face === 'back';
  const x = useMemo(
    () =>
      (mm: number, w = 0) =>
        back ? widthMm - mm - w : mm,
    [back, widthMm],
  );
  const placeOf = (event: ReactPointer | PointerEvent): Point => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      zoom.svg.current!.getScreenCTM()!.inverse(),
    );
    return { x: x(point.x), y: point.y };
  };
  const { dragged, down } = useDrag(editor, topLayer, placeOf);
  useHoldThings(zoom.svg);
  const press = (event: ReactPointer<SVGSVGElement>) => {
    if (tool !== 'choose') return;
    const on = event.target as Element;
    const handle = on.closest('[data-handle]')?.getAttribute('data-handle') as Handle | null;
    const id = on.closest('[data-thing]')?.getAttribute('data-thing') ?? undefined;
    // an empty place is looked at closer by dragging; with Shift a frame is drawn round what is chosen
    if (!id && !event.shiftKey) {
      editor.choose([]);
      return;
    }
    down(event, id, handle ?? undefined);
  };
  return (
    <>
      <MapHead editor={editor} zoom={zoom} />
      <Layers editor={editor} topLayer={topLayer} onTopLayer={onTopLayer} />
      <div className="mapview" ref={zoom.view}>
        <div className={tool === 'choose' ? 'glide' : 'glide tapped'} ref={zoom.glide}>
          {/* biome-ignore lint/a11y/useKeyWithClickEvents: things are chosen from the list, too, and moved by the arrows */}
          <svg
            ref={zoom.svg}
            viewBox={`${whole.x} ${whole.y} ${whole.w} ${whole.h}`}
            role="img"
            aria-label={wording.mapOf(index.model.name)}
            data-testid="edit-map"
            onPointerDown={press}
            onClick={(event) => {
              if (tool !== 'choose') onPlace(placeOf(event as unknown as ReactPointer));
            }}
          >
            <Under editor={editor}>{under}</Under>
            <g opacity={seenThrough}>
              <Things editor={editor} topLayer={topLayer} x={x} by={dragged?.by} />
              <NoGoEdges editor={editor} x={x} />
            </g>
            <Chosen editor={editor} x={x} dragged={dragged} />
          </svg>
        </div>
      </div>
    </>
  );
}
/** The outline of the device, with what lies under its things. */
function Under({ editor: { index }, children }: { editor: Editor; children: ReactNode }) {
  const { widthMm, heightMm, cornerMm } = index.model.outline;
  return (
    <>
      <Ruler widthMm={widthMm} />
      <rect width={widthMm} height={heightMm} rx={cornerMm} fill="var(--paper)" />
      {children}
      <rect
        width={widthMm}
        height={heightMm}
        rx={cornerMm}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.6}
      />
    </>
  );
}
function MapHead({ editor: { face, setFace, whole, variant }, zoom }: { editor: Editor; zoom: MapZoom }) {
  const only = whole.variants.find((v) => v.id === variant)?.name;
  return (
    <div className="spread small muted mid">
      <span className="fill shrinks">
        {faceText(face)}
        {only && <Tag className="beside">{wording.onlyIn(only)}</Tag>}
      </span>
      <span className="row gap-4 one-line">
        <Button onClick={() => zoom.scaleBy(closer)} aria-label={maps.closer}>
          +
        </Button>
        <Button onClick={() => zoom.scaleBy(1 / closer)} disabled={!zoom.near} aria-label={maps.furtherAway}>
          −
        </Button>
        <Button onClick={() => setFace(face === 'back' ? 'front' : 'back')}>{maps.turnOver}</Button>
      </span>
    </div>
  );
}
/** From which layer down the device is seen: what lies above it is left away. */
function Layers({
  editor: { index, face },
  topLayer,
  onTopLayer,
}: {
  editor: Editor;
  topLayer: number;
  onTopLayer: (layer: number) => void;
}) {
  const layers = layersOf(index, face);
  const seen = layers.findLastIndex((layer) => layer <= topLayer);
  if (layers.length < 2) return null;
  return (
    <div className="row gap-4 one-line small">
      <label htmlFor="top-layer">{wording.downFrom}</label>
      <Slider
        id="top-layer"
        className="fill"
        min={0}
        max={layers.length - 1}
        value={Math.max(0, seen)}
        onChange={(n) => onTopLayer(layers[n]!)}
        tooltip={{ formatter: null }}
        ariaLabelForHandle={wording.downFrom}
      />
      <span className="nowrap">{wording.layerOf(seen + 1, layers.length)}</span>
    </div>
  );
}
/** A thing that is taken hold of moves itself, and not the map under it. */
function useHoldThings(svg: React.RefObject<SVGSVGElement | null>) {
  const listening = useRef(false);
  useEffect(() => {
    const el = svg.current;
    if (!el || listening.current) return;
    listening.current = true;
    const hold = (event: Event) => {
      const on = event.target as Element;
      const thing = on.closest('[data-thing], [data-handle]');
      if (thing || (event as MouseEvent).shiftKey) event.stopPropagation();
    };
    el.addEventListener('mousedown', hold);
    el.addEventListener('touchstart', hold, { passive: true });
  });
}
type Across = (mm: number, w?: number) => number;
function Things({
  editor: { index, face, chosen },
  topLayer,
  x,
  by,
}: {
  editor: Editor;
  topLayer: number;
  x: Across;
  by: (Point & { ids: readonly string[] }) | undefined;
}) {
  const shown = useMemo(() => thingsShown(index, face, topLayer), [index, face, topLayer]);
  const mirrored = face === 'back' ? -1 : 1;
  return shown.map((listed, n) => {
    const { id } = listed.thing;
    const box = boxOf(listed);
    const over =
      listed.list === 'slots' &&
      shown.some((o, k) => k > n && o.list === 'slots' && covers(o.thing.shape, box));
    return (
      <g
        key={id}
        data-thing={id}
        className="movable"
        {...(by?.ids.includes(id) ? { transform: `translate(${mirrored * by.x} ${by.y})` } : {})}
      >
        <EditThing listed={listed} lit={chosen.includes(id)} bare={over} x={x} />
      </g>
    );
  });
}
const covers = (a: Box, b: Box) =>
  a.x < b.x + b.w * 0.6 &&
  a.x + a.w > b.x + b.w * 0.4 &&
  a.y < b.y + b.h * 0.6 &&
  a.y + a.h > b.y + b.h * 0.4;

function NoGoEdges({ editor: { index, face, chosen }, x }: { editor: Editor; x: Across }) {
  const { noGo, outline } = index.model;
  if (face === 'back') return null;
  return noGo.map((stretch, n) => {
    const box = noGoBox(stretch, outline);
    const lit = chosen.includes(noGoId(n));
    return (
      <rect
        key={`${stretch.edge} ${stretch.fromMm} ${stretch.toMm}`}
        data-thing={noGoId(n)}
        className="pickable"
        x={x(box.x, box.w)}
        y={box.y}
        width={box.w}
        height={box.h}
        fill="url(#nogo)"
        stroke={lit ? 'var(--saffron)' : 'var(--brick)'}
        strokeWidth={lit ? 0.9 : 0.3}
      >
        <title>{maps.mmAtMost(stretch.depthMm, stretch.why)}</title>
      </rect>
    );
  });
}
/** Round what is chosen, with what makes a part larger or smaller; the lines that it was drawn to; the frame that chooses. */
function Chosen({
  editor: { index, chosen },
  x,
  dragged,
}: {
  editor: Editor;
  x: Across;
  dragged: ReturnType<typeof useDrag>['dragged'];
}) {
  const { widthMm, heightMm } = index.model.outline;
  const one = chosen.length === 1 ? thingOf(index, chosen[0]!) : undefined;
  const box = one && 'shape' in one.thing ? (dragged?.size?.box ?? one.thing.shape) : undefined;
  const shift = dragged?.by ?? { x: 0, y: 0 };
  const at = box && { ...box, x: box.x + shift.x, y: box.y + shift.y };
  return (
    <g className="edit-marks">
      {dragged?.lines.upright.map((mm) => (
        <line key={`x${mm}`} x1={x(mm)} x2={x(mm)} y1={0} y2={heightMm} />
      ))}
      {dragged?.lines.level.map((mm) => (
        <line key={`y${mm}`} x1={0} x2={widthMm} y1={mm} y2={mm} />
      ))}
      {at && (
        <>
          <rect x={x(at.x, at.w)} y={at.y} width={at.w} height={at.h} className="chosen-box" />
          {!dragged?.by &&
            handles.map((handle) => {
              const hx = at.x + (handle.includes('w') ? 0 : handle.includes('e') ? at.w : at.w / 2);
              const hy = at.y + (handle.includes('n') ? 0 : handle.includes('s') ? at.h : at.h / 2);
              return (
                <g key={handle} data-handle={handle} data-thing={chosen[0]} className="handle">
                  <rect x={x(hx) - 2.4} y={hy - 2.4} width={4.8} height={4.8} className="reach" />
                  <rect x={x(hx) - 0.8} y={hy - 0.8} width={1.6} height={1.6} />
                </g>
              );
            })}
        </>
      )}
      {dragged?.frame && (
        <rect
          x={x(dragged.frame.x, dragged.frame.w)}
          y={dragged.frame.y}
          width={dragged.frame.w}
          height={dragged.frame.h}
          className="chosen-box"
        />
      )}
    </g>
  );
}
