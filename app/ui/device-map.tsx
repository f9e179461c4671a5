import { memo, type Ref } from 'react';
import { noGoOfMarks } from '../../core/job/mark-rules';
import { coveredBy } from '../../core/model/covers';
import type { JobState } from '../../core/job/state';
import { isOn, isWhole, pieceInHole, pieceInSlot, poseOf } from '../../core/job/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { Face } from '../../core/model/schema';
import { plugLabels } from './map-labels';
import { type BondLook, BondPatch, Plug, plugWidth, ScrewMark, SlotPlate } from './map-things';
import { thingName } from '../words/things';

export interface MapProps {
  index: IndexedModel;
  state: JobState;
  /** Lit: what the step is about, and the one thing that is next. */
  lit: readonly string[];
  now: string | undefined;
  /** Hatched stretches of the rim while it is being opened. */
  showNoGo: boolean;
  /** The side that lies up. The back is seen as it lies: what the model has on its left is on the right. */
  face?: Face;
  onPick?: (id: string) => void;
  /** Larger writing, for older eyes and a screen further away. */
  large?: boolean;
  svg?: Ref<SVGSVGElement>;
}

/** A rectangle of the drawing, mm. */
export interface Frame {
  x: number;
  y: number;
  w: number;
  h: number;
}
const gap = 4;

/** What covers a side. */
const coverKind = (face: Face) => (face === 'back' ? 'back' : 'display');

/** Where the device and its open cover lie in the drawing. */
function placing(index: IndexedModel, face: Face) {
  const {
    outline: { widthMm: W, heightMm: H },
    hinge,
  } = index.model;
  const back = face === 'back';
  // a side that does not open has nothing to fold away
  const opens = index.model.slots.some((s) => s.kind === coverKind(face));
  const X = (x: number, w = 0) => (back ? W - x - w : x);
  // hinged at its top or bottom it folds over that edge: seen from its inside, up is down
  if (opens && !back && (hinge === 'top' || hinge === 'bottom')) {
    const flapH = H * 0.92;
    const flapY = hinge === 'top' ? -flapH - gap : H + gap;
    return {
      W,
      H,
      X,
      flap: W,
      flapX: 0,
      flapY,
      flapH,
      whole: {
        x: -1,
        y: (hinge === 'top' ? flapY : 0) - 4,
        w: W + 2,
        h: H + flapH + gap + 6,
      } satisfies Frame,
      onFlap: X,
      onFlapY: (y: number, h = 0) => flapY + (flapH - H) / 2 + (H - y - h),
    };
  }
  const flap = opens ? W * 0.92 : 0;
  const beside = opens ? flap + gap : 0;
  const atLeft = (hinge === 'left') !== back;
  const flapX = atLeft ? -beside : W + gap;
  return {
    W,
    H,
    X,
    flap,
    flapX,
    flapY: 0.5,
    flapH: H - 1,
    whole: { x: -(atLeft ? beside : 0) - 1, y: -4, w: W + beside + 2, h: H + 6 } satisfies Frame,
    /** Something on the open cover is seen from its inside. */
    onFlap: (x: number, w = 0) => flapX + (flap - W) / 2 + (W - x - w),
    onFlapY: undefined,
  };
}
/** All of the drawing. */
export const wholeFrame = (index: IndexedModel, face: Face): Frame => placing(index, face).whole;

/** The part of the drawing that some things lie in, with air around it; undefined when none of them is drawn. */
export function frameOf(index: IndexedModel, face: Face, ids: readonly string[]): Frame | undefined {
  const p = placing(index, face);
  const boxes: Frame[] = [];
  for (const id of ids) {
    const slot = index.slots.get(id);
    const bond = index.bonds.get(id);
    const dot = index.fasteners.get(id) ?? index.connectors.get(id) ?? index.catches.get(id);
    const held = slot
      ? slot.carrier !== undefined
      : (
          index.fasteners.get(id)?.holds ??
          index.bonds.get(id)?.holds ??
          index.connectors.get(id)?.joins
        )?.every((h) => index.slots.get(h)?.carrier) === true;
    const put = held ? p.onFlap : p.X;
    const shape = slot?.shape ?? bond?.shape;
    const Y = (y: number, h = 0) => (held && p.onFlapY ? p.onFlapY(y, h) : y);
    if (shape) boxes.push({ x: put(shape.x, shape.w), y: Y(shape.y, shape.h), w: shape.w, h: shape.h });
    else if (dot) boxes.push({ x: put(dot.at.x) - 2, y: Y(dot.at.y) - 2, w: 4, h: 4 });
  }
  if (!boxes.length) return undefined;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return {
    x: x - 8,
    y: y - 8,
    w: Math.max(...boxes.map((b) => b.x + b.w)) - x + 16,
    h: Math.max(...boxes.map((b) => b.y + b.h)) - y + 16,
  };
}

type FoldedY = ((y: number, h?: number) => number) | undefined;
/** A thing on a cover that folds over its top or bottom, where it is seen then; beside the device nothing moves up or down. */
const foldedShape = <T extends { shape: { y: number; h: number } }>(thing: T, y: FoldedY): T =>
  y ? { ...thing, shape: { ...thing.shape, y: y(thing.shape.y, thing.shape.h) } } : thing;
const foldedPoint = <T extends { at: { y: number } }>(thing: T, y: FoldedY): T =>
  y ? { ...thing, at: { ...thing.at, y: y(thing.at.y) } } : thing;

/** Whether a thing can be seen from above now: nothing that hides it is still in its place. */
const seen = (index: IndexedModel, state: JobState, id: string) =>
  coveredBy(index, id).every((c) => poseOf(state, c) !== 'in');

const bondLook = (state: JobState, id: string): BondLook =>
  state.bond[id] === 'renewed'
    ? 'renewed'
    : isWhole(state, id)
      ? 'whole'
      : state.bond[id] === 'torn'
        ? 'torn'
        : 'open';

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
  face = 'front',
  onPick,
  large,
  svg,
}: MapProps) {
  const { outline } = index.model;
  const noGo = [...index.model.noGo, ...noGoOfMarks(Object.values(state.mark), outline)];
  const { W, H, X, flap, flapX, flapY, flapH, onFlap, onFlapY, whole } = placing(index, face);
  const back = face === 'back';
  const plugText = large ? 4 : 3;
  /** What covers this side. */
  const display = index.model.slots.find((s) => s.kind === coverKind(face));
  const open = display === undefined ? back : poseOf(state, display.id) !== 'in';
  const away = display !== undefined && pieceInSlot(state, display.id) === undefined;
  const slots = index.model.slots
    .filter((s) => s.face === face && !s.carrier && s.id !== display?.id)
    .sort((a, b) => a.layer - b.layer);
  const carried = (holds: readonly string[]) => holds.every((h) => index.slots.get(h)?.carrier);
  const isLit = (id: string) => lit.includes(id);
  /** What lies on the cover itself and goes with it. */
  const byCover = (held: readonly string[]) =>
    carried(held) && index.slots.get(held[0]!)?.carrier === display?.id;
  const onCover = {
    slots: index.model.slots.filter((s) => s.carrier !== undefined && s.carrier === display?.id),
    bonds: index.model.bonds.filter((b) => byCover(b.holds)),
    plugs: index.model.connectors.filter(
      (c) => carried(c.joins) && c.joins.some((j) => index.slots.get(j)?.carrier === display?.id),
    ),
    screws: index.model.fasteners.filter((f) => byCover(f.holds)),
  };
  const bonds = open
    ? index.model.bonds.filter(
        (b) =>
          b.kind !== 'perimeter-seal' &&
          b.face === face &&
          b.holds[0] !== display?.id &&
          (seen(index, state, b.id) || isLit(b.id)) &&
          b.holds.some((h) => !index.slots.get(h)?.carrier),
      )
    : [];
  const plugs = open
    ? index.model.connectors.filter(
        (c) =>
          c.face === face &&
          seen(index, state, c.id) &&
          !carried(c.joins) &&
          (isLit(c.id) || c.joins.some((j) => pieceInSlot(state, j) !== undefined)),
      )
    : [];
  const names = plugLabels(
    plugs.map((c) => ({ id: c.id, name: c.name, x: X(c.at.x), y: c.at.y, w: plugWidth(c) })),
    plugText,
  );
  const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
  const rim = seal
    ? state.bond[seal.id] === 'released' || state.bond[seal.id] === 'torn'
      ? 'broken'
      : state.bond[seal.id] === 'renewed'
        ? 'renewed'
        : 'whole'
    : undefined;
  return (
    <svg
      ref={svg}
      viewBox={`${whole.x} ${whole.y} ${whole.w} ${whole.h}`}
      role="img"
      aria-label={`Map of the ${index.model.name}, ${back ? 'back, ' : ''}${open ? `${display?.name ?? 'it'} open` : 'closed'}`}
    >
      <defs>
        <pattern id="nogo" width="2" height="2" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="0.9" height="2" fill="var(--brick)" />
        </pattern>
      </defs>
      {Array.from({ length: Math.floor(W / 10) + 1 }, (_, i) => (
        <line
          key={`t${i * 10}`}
          x1={i * 10}
          x2={i * 10}
          y1={-3}
          y2={-1.2}
          stroke="var(--metal)"
          strokeWidth={0.25}
        />
      ))}
      {/* the open display, on the side of its hinge */}
      {display && (
        <g opacity={open && (!away || lit.some((id) => index.slots.get(id)?.carrier)) ? 1 : 0.55}>
          <rect
            x={flapX}
            y={flapY}
            width={flap}
            height={flapH}
            rx={outline.cornerMm}
            fill={open && !away ? 'var(--glass)' : 'none'}
            stroke="var(--metal)"
            strokeWidth={0.4}
            strokeDasharray="1.6 1.1"
          />
          <text
            x={flapX + flap / 2}
            y={flapY + flapH / 2 - 3}
            fontSize={4}
            textAnchor="middle"
            fill="var(--muted)"
          >
            {away ? `${display.name} out` : open ? `${display.name}, folded open` : 'opens to here'}
          </text>
          {open && !away && (
            <text
              x={flapX + flap / 2}
              y={flapY + flapH / 2 + 2.5}
              fontSize={3.6}
              textAnchor="middle"
              fill="var(--muted)"
            >{`propped at ${index.model.openMaxDeg}°`}</text>
          )}
          {open &&
            onCover.slots.map((s) => {
              const here = pieceInSlot(state, s.id) !== undefined;
              return (
                <SlotPlate
                  key={s.id}
                  slot={foldedShape(s, onFlapY)}
                  x={onFlap(s.shape.x, s.shape.w)}
                  here={here}
                  lit={isLit(s.id)}
                  named={here}
                  large={large}
                />
              );
            })}
          {open &&
            onCover.bonds.map((b) => (
              <BondPatch
                key={b.id}
                bond={foldedShape(b, onFlapY)}
                x={onFlap(b.shape.x, b.shape.w)}
                look={bondLook(state, b.id)}
                lit={isLit(b.id)}
                now={b.id === now}
                over
              />
            ))}
          {open &&
            onCover.plugs.map((c) => (
              <Plug
                key={c.id}
                plug={foldedPoint(c, onFlapY)}
                x={onFlap(c.at.x)}
                on={isOn(state, c.id)}
                now={c.id === now}
                textMm={plugText}
              />
            ))}
          {open &&
            onCover.screws.map((f) => (
              <ScrewMark
                key={f.id}
                screw={foldedPoint(f, onFlapY)}
                x={onFlap(f.at.x)}
                title={`${thingName(index, f.id)}, ${f.lengthMm} mm`}
                shown={pieceInHole(state, f.id) !== undefined}
                now={f.id === now}
              />
            ))}
        </g>
      )}
      <rect
        x={0}
        y={0}
        width={W}
        height={H}
        rx={outline.cornerMm}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={0.6}
      />
      {!display && !slots.length && (
        <text x={W / 2} y={H / 2} fontSize={3.6} textAnchor="middle" fill="var(--muted)">
          nothing comes off on this side
        </text>
      )}
      {!open && display && (
        <g {...(onPick ? { className: 'pickable', onClick: () => onPick(display.id) } : {})}>
          <rect
            x={display.shape.x}
            y={display.shape.y}
            width={display.shape.w}
            height={display.shape.h}
            rx={display.shape.r}
            fill="var(--glass)"
            stroke={isLit(display.id) ? 'var(--saffron)' : 'var(--metal)'}
            strokeWidth={isLit(display.id) ? 0.9 : 0.3}
          />
          <text x={W / 2} y={H / 2} fontSize={4.2} textAnchor="middle">
            {display.name}
          </text>
        </g>
      )}
      {open &&
        slots.map((s) => {
          const here = pieceInSlot(state, s.id) !== undefined;
          return (
            <SlotPlate
              key={s.id}
              slot={s}
              x={X(s.shape.x, s.shape.w)}
              here={here}
              lit={isLit(s.id)}
              named={here && s.kind !== 'board' && s.kind !== 'frame' && seen(index, state, s.id)}
              large={large}
              onPick={onPick}
            />
          );
        })}
      {bonds.map((b) => (
        <BondPatch
          key={b.id}
          bond={b}
          x={X(b.shape.x, b.shape.w)}
          look={bondLook(state, b.id)}
          lit={isLit(b.id)}
          now={b.id === now}
          onPick={onPick}
        />
      ))}
      {plugs.map((c) => (
        <Plug
          key={c.id}
          plug={c}
          x={X(c.at.x)}
          on={isOn(state, c.id)}
          now={c.id === now}
          nameAt={names.get(c.id)!}
          textMm={plugText}
          onPick={onPick}
        />
      ))}
      {index.model.fasteners
        .filter(
          (f) =>
            f.face === face &&
            (f.layer > (display?.layer ?? 99) || (open && seen(index, state, f.id))) &&
            !carried(f.holds),
        )
        .map((f) => {
          const inHole = pieceInHole(state, f.id) !== undefined;
          return (
            <ScrewMark
              key={f.id}
              screw={f}
              x={X(f.at.x)}
              title={`${thingName(index, f.id)}, ${f.lengthMm} mm, ${inHole ? 'in' : 'out'}`}
              shown={inHole && f.holds.every((h) => pieceInSlot(state, h) !== undefined)}
              now={f.id === now}
              onPick={onPick}
            />
          );
        })}
      {rim && !back && (
        <rect
          pointerEvents="none"
          x={1.4}
          y={1.4}
          width={W - 2.8}
          height={H - 2.8}
          rx={outline.cornerMm - 1}
          fill="none"
          stroke={rim === 'broken' ? 'var(--brick)' : 'var(--moss)'}
          strokeWidth={isLit(seal!.id) ? 1.5 : 0.8}
          {...(rim === 'broken' ? { strokeDasharray: '3 1.4' } : {})}
        >
          <title>{`perimeter seal, ${rim}`}</title>
        </rect>
      )}
      {!open &&
        !back &&
        index.model.catches.map((c) => (
          <path
            key={c.id}
            d={`M${c.at.x - 2} ${c.at.y - 0.8}h4l-2 2.4z`}
            fill={state.catch[c.id] === 'free' ? 'none' : 'var(--ink)'}
            stroke={c.id === now ? 'var(--saffron)' : 'var(--ink)'}
            strokeWidth={c.id === now ? 0.9 : 0.3}
          >
            <title>{c.name}</title>
          </path>
        ))}
      {showNoGo &&
        noGo.map((n) => {
          const vertical = n.edge === 'left' || n.edge === 'right';
          const x = n.edge === 'right' ? W - 3 : n.edge === 'left' ? 0 : n.fromMm;
          const y = n.edge === 'bottom' ? H - 3 : n.edge === 'top' ? 0 : n.fromMm;
          return (
            <rect
              key={`${n.edge}${n.fromMm}`}
              x={x}
              y={y}
              width={vertical ? 3 : n.toMm - n.fromMm}
              height={vertical ? n.toMm - n.fromMm : 3}
              fill="url(#nogo)"
              stroke="var(--brick)"
              strokeWidth={0.3}
            >
              <title>{`${n.depthMm} mm at most: ${n.why}`}</title>
            </rect>
          );
        })}
    </svg>
  );
});
