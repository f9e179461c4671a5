import { memo, type Ref } from 'react';
import { noGoOfMarks } from '../../core/job/mark-rules';
import { coveredBy } from '../../core/model/covers';
import type { JobState } from '../../core/job/state';
import { isOn, isWhole, pieceInHole, pieceInSlot, poseOf } from '../../core/job/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { Face, Slot } from '../../core/model/schema';
import { ScrewHead } from './recess';
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
export interface Frame { x: number; y: number; w: number; h: number }
const gap = 4;

/** Where the device and its open cover lie in the drawing. */
function placing(index: IndexedModel, face: Face) {
  const { outline: { widthMm: W, heightMm: H }, hinge } = index.model;
  const back = face === 'back';
  const flap = W * 0.92;
  const atLeft = (hinge === 'left') !== back;
  const flapX = atLeft ? -flap - gap : W + gap;
  return {
    W, H, flap, flapX, whole: { x: -(atLeft ? flap + gap : 0) - 1, y: -4, w: W + flap + gap + 2, h: H + 6 } satisfies Frame,
    X: (x: number, w = 0) => (back ? W - x - w : x),
    /** Something on the open cover is seen from its inside. */
    onFlap: (x: number, w = 0) => flapX + (flap - W) / 2 + (W - x - w),
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
    const held = slot ? slot.carrier !== undefined : (index.fasteners.get(id)?.holds ?? index.bonds.get(id)?.holds ?? index.connectors.get(id)?.joins)?.every((h) => index.slots.get(h)?.carrier) === true;
    const put = held ? p.onFlap : p.X;
    const shape = slot?.shape ?? bond?.shape;
    if (shape) boxes.push({ x: put(shape.x, shape.w), y: shape.y, w: shape.w, h: shape.h });
    else if (dot) boxes.push({ x: put(dot.at.x) - 2, y: dot.at.y - 2, w: 4, h: 4 });
  }
  if (!boxes.length) return undefined;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return { x: x - 8, y: y - 8, w: Math.max(...boxes.map((b) => b.x + b.w)) - x + 16, h: Math.max(...boxes.map((b) => b.y + b.h)) - y + 16 };
}

/** Whether a thing can be seen from above now: nothing that hides it is still in its place. */
const seen = (index: IndexedModel, state: JobState, id: string) => coveredBy(index, id).every((c) => poseOf(state, c) !== 'in');

const fillOf = (s: Slot): string => (s.kind === 'cell' ? 'var(--cell)' : s.kind === 'board' ? 'var(--board)' : s.kind === 'display' ? 'var(--glass)' : s.kind === 'bracket' ? 'var(--metal-soft)' : 'var(--part)');

/** Text is fitted to its piece: a size that leaves a margin, nothing below what can be read at arm's length. */
function Label({ s, text, large }: { s: Slot; text: string; large: boolean | undefined }) {
  const words = text.split(' ');
  const lines = text.length * 1.55 > s.shape.w - 1 && words.length > 1 ? [words.slice(0, Math.ceil(words.length / 2)).join(' '), words.slice(Math.ceil(words.length / 2)).join(' ')] : [text];
  const longest = Math.max(...lines.map((l) => l.length));
  const size = Math.min(large ? 5.2 : 4, (s.shape.w - 1.2) / (longest * 0.54), (s.shape.h - 0.6) / (lines.length * 1.15));
  if (size < 2.2) return null;
  const x = s.shape.x + s.shape.w / 2;
  const y = s.shape.y + s.shape.h / 2 - ((lines.length - 1) * size * 1.15) / 2;
  return <>{lines.map((l, i) => <text key={l} x={x} y={y + i * size * 1.15} fontSize={size} textAnchor="middle" dominantBaseline="central">{l}</text>)}</>;
}

/**
 * The device to scale, the same way up as on the bench: every screw, connector and piece that the model knows, with
 * what is out shown as an empty place (dashed). The open display lies on its hinge side.
 */
export const DeviceMap = memo(function DeviceMap({ index, state, lit, now, showNoGo, face = 'front', onPick, large, svg }: MapProps) {
  const { outline } = index.model;
  const noGo = [...index.model.noGo, ...noGoOfMarks(Object.values(state.mark), outline)];
  const { W, H, X, flap, flapX, onFlap, whole } = placing(index, face);
  const back = face === 'back';
  const text = large ? 1.35 : 1;
  /** What covers this side. */
  const display = index.model.slots.find((s) => s.kind === (back ? 'back' : 'display'));
  const turned = <T extends { at: { x: number; y: number } }>(t: T): T => (back ? { ...t, at: { ...t.at, x: X(t.at.x) } } : t);
  const open = display === undefined ? back : poseOf(state, display.id) !== 'in';
  const away = display !== undefined && pieceInSlot(state, display.id) === undefined;
  const slots = index.model.slots.filter((s) => s.face === face && !s.carrier && s.id !== display?.id).sort((a, b) => a.layer - b.layer).map((s) => (back ? { ...s, shape: { ...s.shape, x: X(s.shape.x, s.shape.w) } } : s));
  const carried = (holds: readonly string[]) => holds.every((h) => index.slots.get(h)?.carrier);
  const pick = (id: string) => (onPick ? { onClick: () => onPick(id), style: { cursor: 'pointer' } } : {});
  const isLit = (id: string) => lit.includes(id);
  const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
  const rim = seal ? (state.bond[seal.id] === 'released' || state.bond[seal.id] === 'torn' ? 'broken' : state.bond[seal.id] === 'renewed' ? 'renewed' : 'whole') : undefined;
  return (
    <svg ref={svg} viewBox={`${whole.x} ${whole.y} ${whole.w} ${whole.h}`} role="img" aria-label={`Map of the ${index.model.name}, ${back ? 'back, ' : ''}${open ? `${display?.name ?? 'it'} open` : 'closed'}`}>
      <defs>
        <pattern id="nogo" width="2" height="2" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="0.9" height="2" fill="var(--brick)" /></pattern>
      </defs>
      {Array.from({ length: Math.floor(W / 10) + 1 }, (_, i) => <line key={`t${i * 10}`} x1={i * 10} x2={i * 10} y1={-3} y2={-1.2} stroke="var(--metal)" strokeWidth={0.25} />)}
      {/* the open display, on the side of its hinge */}
      <g opacity={open && (!away || lit.some((id) => index.slots.get(id)?.carrier)) ? 1 : 0.55}>
        <rect x={flapX} y={0.5} width={flap} height={H - 1} rx={outline.cornerMm} fill={open && !away ? 'var(--glass)' : 'none'} stroke="var(--metal)" strokeWidth={0.4} strokeDasharray="1.6 1.1" />
        <text x={flapX + flap / 2} y={H / 2 - 3} fontSize={4} textAnchor="middle" fill="var(--muted)">{!display ? '' : away ? `${display.name} out` : open ? `${display.name}, folded open` : 'opens to here'}</text>
        {open && !away && <text x={flapX + flap / 2} y={H / 2 + 2.5} fontSize={3.6} textAnchor="middle" fill="var(--muted)">{`propped at ${index.model.openMaxDeg}°`}</text>}
        {open && index.model.slots.filter((s) => s.carrier === display?.id).map((s) => {
          const x = onFlap(s.shape.x, s.shape.w);
          const on = isLit(s.id);
          const here = pieceInSlot(state, s.id) !== undefined;
          return <g key={s.id}><title>{`${s.name}${here ? '' : ', out'}`}</title><rect x={x} y={s.shape.y} width={s.shape.w} height={s.shape.h} rx={s.shape.r} fill={!here ? 'none' : on ? 'var(--saffron-soft)' : 'var(--part)'} stroke={on ? 'var(--saffron-ink)' : 'var(--metal)'} strokeWidth={on ? 0.7 : 0.3} {...(here ? {} : { strokeDasharray: '1.4 1' })} />{here && <Label s={{ ...s, shape: { ...s.shape, x } }} text={s.label ?? s.name} large={large} />}</g>;
        })}
        {open && index.model.bonds.filter((b) => carried(b.holds) && index.slots.get(b.holds[0]!)?.carrier === display?.id).map((b) => <g key={b.id}><title>{`${b.name}, ${isWhole(state, b.id) ? 'whole' : 'open'}`}</title><rect x={onFlap(b.shape.x, b.shape.w)} y={b.shape.y} width={b.shape.w} height={b.shape.h} rx={1} fill={b.id === now ? 'var(--saffron)' : state.bond[b.id] === 'renewed' ? 'var(--moss-light)' : isWhole(state, b.id) ? 'var(--saffron-light)' : 'none'} fillOpacity={0.6} stroke={isLit(b.id) ? 'var(--saffron-ink)' : 'var(--metal)'} strokeWidth={0.3} {...(isWhole(state, b.id) ? {} : { strokeDasharray: '1 0.8' })} /></g>)}
        {open && index.model.connectors.filter((c) => carried(c.joins) && c.joins.some((j) => index.slots.get(j)?.carrier === display?.id)).map((c) => { const on = isOn(state, c.id); const w = Math.min(c.widthMm, 9); return <g key={c.id}><title>{`${c.name} connector, ${on ? 'on' : 'off'}`}</title><rect x={onFlap(c.at.x) - w / 2} y={c.at.y - 1.5} width={w} height={3} rx={0.7} fill={on ? 'var(--petrol)' : 'var(--card)'} stroke={c.id === now ? 'var(--saffron)' : 'var(--petrol)'} strokeWidth={0.5} {...(on ? {} : { strokeDasharray: '0.9 0.7' })} /></g>; })}
        {open && index.model.fasteners.filter((f) => carried(f.holds) && index.slots.get(f.holds[0]!)?.carrier === display?.id).map((f) => <g key={f.id}><title>{`${thingName(index, f.id)}, ${f.lengthMm} mm`}</title>{pieceInHole(state, f.id) !== undefined ? <ScrewHead drive={f.drive} x={onFlap(f.at.x)} y={f.at.y} r={1.3} tone={f.id === now ? 'now' : 'on'} /> : <circle cx={onFlap(f.at.x)} cy={f.at.y} r={1.1} fill="none" stroke="var(--metal)" strokeWidth={0.35} strokeDasharray="0.9 0.7" />}{f.id === now && <circle cx={onFlap(f.at.x)} cy={f.at.y} r={2.5} fill="none" stroke="var(--saffron)" strokeWidth={0.8} />}</g>)}
      </g>
      <rect x={0} y={0} width={W} height={H} rx={outline.cornerMm} fill="var(--paper)" stroke="var(--ink)" strokeWidth={0.6} />
      {!open && display && (
        <g {...pick(display.id)}>
          <rect x={display.shape.x} y={display.shape.y} width={display.shape.w} height={display.shape.h} rx={display.shape.r} fill="var(--glass)" stroke={isLit(display.id) ? 'var(--saffron)' : 'var(--metal)'} strokeWidth={isLit(display.id) ? 0.9 : 0.3} />
          <text x={W / 2} y={H / 2} fontSize={4.2} textAnchor="middle">{display.name}</text>
        </g>
      )}
      {open && slots.map((s) => {
        const here = pieceInSlot(state, s.id) !== undefined;
        const on = isLit(s.id);
        return (
          <g key={s.id} className="thing" {...pick(s.id)}>
            <title>{`${s.name}${here ? '' : ', out'}`}</title>
            <rect x={s.shape.x} y={s.shape.y} width={s.shape.w} height={s.shape.h} rx={s.shape.r} fill={here && s.kind !== 'frame' ? (on ? 'var(--saffron-soft)' : fillOf(s)) : 'none'} stroke={on ? 'var(--saffron-ink)' : here ? 'var(--muted)' : 'var(--metal)'} strokeWidth={on ? 0.7 : 0.35} {...(here ? {} : { strokeDasharray: '1.4 1' })} />
            {here && s.kind !== 'board' && s.kind !== 'frame' && seen(index, state, s.id) && <Label s={s} text={s.label ?? s.name} large={large} />}
          </g>
        );
      })}
      {open && index.model.bonds.filter((b) => b.kind !== 'perimeter-seal' && b.face === face && b.holds[0] !== display?.id && (seen(index, state, b.id) || isLit(b.id)) && b.holds.some((h) => !index.slots.get(h)?.carrier)).map((b) => (
        <g key={b.id} {...pick(b.id)}>
          <title>{`${b.name}, ${state.bond[b.id] === 'renewed' ? 'renewed' : isWhole(state, b.id) ? 'whole' : state.bond[b.id] === 'torn' ? 'torn' : 'open'}`}</title>
          <rect x={X(b.shape.x, b.shape.w)} y={b.shape.y} width={b.shape.w} height={b.shape.h} rx={1} fill={b.id === now ? 'var(--saffron)' : state.bond[b.id] === 'renewed' ? 'var(--moss-light)' : isWhole(state, b.id) ? 'var(--saffron-light)' : 'none'} fillOpacity={b.kind === 'tape' ? 0.25 : 0.9} stroke={isLit(b.id) ? 'var(--saffron-ink)' : 'var(--metal)'} strokeWidth={b.id === now ? 0.7 : 0.3} {...(isWhole(state, b.id) ? {} : { strokeDasharray: '1 0.8' })} />
        </g>
      ))}
      {open && index.model.connectors.filter((c) => c.face === face && seen(index, state, c.id) && !carried(c.joins) && (isLit(c.id) || c.joins.some((j) => pieceInSlot(state, j) !== undefined))).map(turned).map((c) => {
        const on = isOn(state, c.id);
        const w = Math.min(c.widthMm, 9);
        return (
          <g key={c.id} {...pick(c.id)}>
            <title>{`${c.name} connector, ${on ? 'on' : 'off'}`}</title>
            {c.id === now && !on && (c.press === 'ends' ? [-1, 1] : [0]).map((end, k) => <g key={end}><circle cx={c.at.x + end * (w / 2 - 0.6)} cy={c.at.y - 4.6} r={1.5} fill="var(--saffron)" /><text x={c.at.x + end * (w / 2 - 0.6)} y={c.at.y - 4.5} fontSize={2.2} textAnchor="middle" dominantBaseline="central">{c.press === 'ends' ? k + 1 : '↓'}</text></g>)}
            {c.id === now && <rect x={c.at.x - w / 2 - 1.4} y={c.at.y - 2.9} width={w + 2.8} height={5.8} rx={2} fill="none" stroke="var(--saffron)" strokeWidth={0.9} />}
            <rect x={c.at.x - w / 2} y={c.at.y - 1.5} width={w} height={3} rx={0.7} fill={on ? 'var(--petrol)' : 'var(--card)'} stroke="var(--petrol)" strokeWidth={0.5} />
            {!on && <path d={`M${c.at.x - w / 2 + 1} ${c.at.y}H${c.at.x + w / 2 - 1}`} stroke="var(--petrol)" strokeWidth={0.5} strokeDasharray="0.9 0.7" />}
            <text x={c.at.x} y={c.at.y + 3.9} fontSize={3 * text} textAnchor="middle" fill="var(--petrol)">{c.name}</text>
          </g>
        );
      })}
      {index.model.fasteners.filter((f) => f.face === face && (f.layer > (display?.layer ?? 99) || (open && seen(index, state, f.id))) && !carried(f.holds)).map(turned).map((f) => {
        const inHole = pieceInHole(state, f.id) !== undefined;
        const owner = f.holds.every((h) => pieceInSlot(state, h) !== undefined);
        const r = Math.max(f.headMm / 2, 1.05) * 1.25;
        return (
          <g key={f.id} {...pick(f.id)}>
            <title>{`${thingName(index, f.id)}, ${f.lengthMm} mm, ${inHole ? 'in' : 'out'}`}</title>
            {inHole && owner ? <ScrewHead drive={f.drive} x={f.at.x} y={f.at.y} r={r} tone={f.id === now ? 'now' : 'on'} /> : <circle cx={f.at.x} cy={f.at.y} r={r * 0.9} fill="none" pointerEvents="all" stroke="var(--metal)" strokeWidth={0.35} strokeDasharray="0.9 0.7" />}
            {f.id === now && <circle cx={f.at.x} cy={f.at.y} r={r + 1.3} fill="none" stroke="var(--saffron)" strokeWidth={0.8} />}
          </g>
        );
      })}
      {rim && !back && (
        <rect pointerEvents="none" x={1.4} y={1.4} width={W - 2.8} height={H - 2.8} rx={outline.cornerMm - 1} fill="none" stroke={rim === 'broken' ? 'var(--brick)' : 'var(--moss)'} strokeWidth={isLit(seal!.id) ? 1.5 : 0.8} {...(rim === 'broken' ? { strokeDasharray: '3 1.4' } : {})}>
          <title>{`perimeter seal, ${rim}`}</title>
        </rect>
      )}
      {!open && !back && index.model.catches.map((c) => <path key={c.id} d={`M${c.at.x - 2} ${c.at.y - 0.8}h4l-2 2.4z`} fill={state.catch[c.id] === 'free' ? 'none' : 'var(--ink)'} stroke={c.id === now ? 'var(--saffron)' : 'var(--ink)'} strokeWidth={c.id === now ? 0.9 : 0.3}><title>{c.name}</title></path>)}
      {showNoGo && noGo.map((n) => {
        const vertical = n.edge === 'left' || n.edge === 'right';
        const x = n.edge === 'right' ? W - 3 : n.edge === 'left' ? 0 : n.fromMm;
        const y = n.edge === 'bottom' ? H - 3 : n.edge === 'top' ? 0 : n.fromMm;
        return <rect key={`${n.edge}${n.fromMm}`} x={x} y={y} width={vertical ? 3 : n.toMm - n.fromMm} height={vertical ? n.toMm - n.fromMm : 3} fill="url(#nogo)" stroke="var(--brick)" strokeWidth={0.3}><title>{`${n.depthMm} mm at most: ${n.why}`}</title></rect>;
      })}
    </svg>
  );
});
