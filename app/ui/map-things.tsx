import { memo } from 'react';
import type { Bond, Connector, Fastener, Slot } from '../../core/model/schema';
import { ScrewHead } from './recess';

/**
 * The things of the map, each drawn from what is its own: a press changes two or three of them, and only those are drawn
 * anew. Places are millimetres of the drawing, which may be turned over or on the open cover.
 */
type Pick = ((id: string) => void) | undefined;
const picks = (onPick: Pick, id: string) =>
  onPick ? { className: 'thing pickable', onClick: () => onPick(id) } : { className: 'thing' };

/** Text is fitted to its piece: a size that leaves a margin, nothing below what can be read at arm's length. */
function Label({
  x,
  y,
  w,
  h,
  text,
  large,
}: {
  x: number;
  y: number;
  w: number;
  h: number;
  text: string;
  large: boolean | undefined;
}) {
  const words = text.split(' ');
  const lines =
    text.length * 1.55 > w - 1 && words.length > 1
      ? [
          words.slice(0, Math.ceil(words.length / 2)).join(' '),
          words.slice(Math.ceil(words.length / 2)).join(' '),
        ]
      : [text];
  const longest = Math.max(...lines.map((l) => l.length));
  const size = Math.min(large ? 5.2 : 4, (w - 1.2) / (longest * 0.54), (h - 0.6) / (lines.length * 1.15));
  if (size < 2.2) return null;
  const top = y + h / 2 - ((lines.length - 1) * size * 1.15) / 2;
  return (
    <>
      {lines.map((l, i) => (
        <text
          key={l}
          x={x + w / 2}
          y={top + i * size * 1.15}
          fontSize={size}
          textAnchor="middle"
          dominantBaseline="central"
        >
          {l}
        </text>
      ))}
    </>
  );
}

const fillOf: Partial<Record<Slot['kind'], string>> = {
  cell: 'var(--cell)',
  board: 'var(--board)',
  display: 'var(--glass)',
  bracket: 'var(--metal-soft)',
  frame: 'none',
};

/** A part in its place, or the empty place (dashed). */
export const SlotPlate = memo(function SlotPlate({
  slot,
  x,
  here,
  lit,
  named,
  large,
  onPick,
}: {
  slot: Slot;
  x: number;
  here: boolean;
  lit: boolean;
  named: boolean;
  large: boolean | undefined;
  onPick?: Pick;
}) {
  const { y, w, h, r } = slot.shape;
  return (
    <g {...picks(onPick, slot.id)}>
      <title>{`${slot.name}${here ? '' : ', out'}`}</title>
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        rx={r}
        fill={
          !here || slot.kind === 'frame'
            ? 'none'
            : lit
              ? 'var(--saffron-soft)'
              : (fillOf[slot.kind] ?? 'var(--part)')
        }
        stroke={lit ? 'var(--saffron-ink)' : here ? 'var(--muted)' : 'var(--metal)'}
        strokeWidth={lit ? 0.7 : 0.35}
        {...(here ? {} : { strokeDasharray: '1.4 1' })}
      />
      {named && <Label x={x} y={y} w={w} h={h} text={slot.label ?? slot.name} large={large} />}
    </g>
  );
});

export type BondLook = 'whole' | 'renewed' | 'torn' | 'open';
/** A strip or a bed of glue: whole, renewed, or what is left of it. */
export const BondPatch = memo(function BondPatch({
  bond,
  x,
  look,
  lit,
  now,
  over,
  onPick,
}: {
  bond: Bond;
  x: number;
  look: BondLook;
  lit: boolean;
  now: boolean /** It lies over a name, which must stay readable. */;
  over?: boolean;
  onPick?: Pick;
}) {
  const { y, w, h } = bond.shape;
  const held = look === 'whole' || look === 'renewed';
  return (
    <g {...picks(onPick, bond.id)}>
      <title>{`${bond.name}, ${look}`}</title>
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        rx={1}
        fill={
          now
            ? 'var(--saffron)'
            : look === 'renewed'
              ? 'var(--moss-light)'
              : held
                ? 'var(--saffron-light)'
                : 'none'
        }
        fillOpacity={over || bond.kind === 'tape' ? 0.25 : 0.9}
        stroke={lit ? 'var(--saffron-ink)' : 'var(--metal)'}
        strokeWidth={now ? 0.7 : 0.3}
        {...(held ? {} : { strokeDasharray: '1 0.8' })}
      />
    </g>
  );
});

/** The longest that a plug is drawn, mm. */
export const plugWidth = (c: Connector) => Math.min(c.widthMm, 9);
/** A plug, filled while it is on; the one that is next has its frame, and while it is off, where to press it on: the ends of a wide one first. */
export const Plug = memo(function Plug({
  plug,
  x,
  on,
  now,
  nameAt,
  textMm,
  onPick,
}: {
  plug: Connector;
  x: number;
  on: boolean;
  now: boolean /** Base line of its name below its middle, mm; without it there is no name. */;
  nameAt?: number;
  textMm: number;
  onPick?: Pick;
}) {
  const w = plugWidth(plug);
  const { y } = plug.at;
  // the numbers stand on the side where the name is not
  const press = nameAt !== undefined && nameAt < 0 ? 4.6 : -4.6;
  return (
    <g {...picks(onPick, plug.id)}>
      <title>{`${plug.name} connector, ${on ? 'on' : 'off'}`}</title>
      {now &&
        !on &&
        (plug.press === 'ends' ? [-1, 1] : [0]).map((end, k) => (
          <g key={end}>
            <circle cx={x + end * (w / 2 - 0.6)} cy={y + press} r={1.5} fill="var(--saffron)" />
            <text
              x={x + end * (w / 2 - 0.6)}
              y={y + press + 0.1}
              fontSize={2.2}
              textAnchor="middle"
              dominantBaseline="central"
            >
              {plug.press === 'ends' ? k + 1 : '↓'}
            </text>
          </g>
        ))}
      {now && (
        <rect
          x={x - w / 2 - 1.4}
          y={y - 2.9}
          width={w + 2.8}
          height={5.8}
          rx={2}
          fill="none"
          stroke="var(--saffron)"
          strokeWidth={0.9}
        />
      )}
      <rect
        x={x - w / 2}
        y={y - 1.5}
        width={w}
        height={3}
        rx={0.7}
        fill={on ? 'var(--petrol)' : 'var(--card)'}
        stroke="var(--petrol)"
        strokeWidth={0.5}
      />
      {!on && (
        <path
          d={`M${x - w / 2 + 1} ${y}H${x + w / 2 - 1}`}
          stroke="var(--petrol)"
          strokeWidth={0.5}
          strokeDasharray="0.9 0.7"
        />
      )}
      {nameAt !== undefined && (
        <text x={x} y={y + nameAt} fontSize={textMm} textAnchor="middle" fill="var(--petrol)">
          {plug.name}
        </text>
      )}
    </g>
  );
});

/** A screw in its hole with its drawn recess, or the empty hole. */
export const ScrewMark = memo(function ScrewMark({
  screw,
  x,
  title,
  shown,
  now,
  onPick,
}: {
  screw: Fastener;
  x: number;
  title: string;
  shown: boolean;
  now: boolean;
  onPick?: Pick;
}) {
  const r = Math.max(screw.headMm / 2, 1.05) * 1.25;
  const { y } = screw.at;
  return (
    <g {...picks(onPick, screw.id)} data-hole={screw.id}>
      <title>{title}</title>
      {shown ? (
        <ScrewHead drive={screw.drive} x={x} y={y} r={r} tone={now ? 'now' : 'on'} />
      ) : (
        <circle
          cx={x}
          cy={y}
          r={r * 0.9}
          fill="none"
          pointerEvents="all"
          stroke="var(--metal)"
          strokeWidth={0.35}
          strokeDasharray="0.9 0.7"
        />
      )}
      {now && <circle cx={x} cy={y} r={r + 1.3} fill="none" stroke="var(--saffron)" strokeWidth={0.8} />}
    </g>
  );
});
