import * as wording from '../../words/screens/map';
import { memo } from 'react';
import type { Bond, Connector, Fastener, Slot } from '../../core/model/schema';
import { lineStep, type PieceLabel } from './map-labels';
import { hundredth, ScrewHead } from './recess';

/**
 * The things of the map, each drawn from what is its own: a press changes two or three of them, and only those are drawn
 * anew. Places are millimetres of the drawing, which may be turned over or on the open cover.
 */
type Pick = ((id: string) => void) | undefined;
const picks = (onPick: Pick, id: string) =>
  onPick ? { className: 'pickable', onClick: () => onPick(id) } : {};

/** A name where its layout has put it. */
function Label({ label: { lines, size, x, y } }: { label: PieceLabel }) {
  return lines.map((l, i) => (
    <text key={l} x={x} y={hundredth(y + i * size * lineStep)} fontSize={hundredth(size)} className="name">
      {l}
    </text>
  ));
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
  label,
  onPick,
}: {
  slot: Slot;
  x: number;
  here: boolean;
  lit: boolean;
  /** Its name, where it is written. */
  label: PieceLabel | undefined;
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
        className={`plate${here ? '' : ' out'}${lit ? ' lit' : ''}`}
      />
      {label && <Label label={label} />}
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
        className={`bond${held ? '' : ' out'}${lit ? ' lit' : ''}${now ? ' now' : ''}`}
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
  nameDx = 0,
  nameDy,
  textMm,
  onPick,
}: {
  plug: Connector;
  x: number;
  on: boolean;
  now: boolean /** Base line of its name below its middle, mm; without it there is no name. */;
  nameDx?: number;
  nameDy?: number;
  textMm: number;
  onPick?: Pick;
}) {
  const w = plugWidth(plug);
  const { y } = plug.at;
  // the numbers stand on the side where the name is not
  const press = nameDy !== undefined && nameDy < 0 ? 4.6 : -4.6;
  return (
    <g {...picks(onPick, plug.id)}>
      <title>{wording.connectorIs(plug.name, on)}</title>
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
      <rect x={x - w / 2} y={y - 1.5} width={w} height={3} rx={0.7} className={on ? 'plug' : 'plug off'} />
      {!on && (
        <path
          d={`M${x - w / 2 + 1} ${y}H${x + w / 2 - 1}`}
          stroke="var(--petrol)"
          strokeWidth={0.5}
          strokeDasharray="0.9 0.7"
        />
      )}
      {nameDy !== undefined && (
        <text x={x + nameDx} y={y + nameDy} fontSize={textMm} textAnchor="middle" fill="var(--petrol)">
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
        <circle cx={x} cy={y} r={hundredth(r * 0.9)} className="hole" />
      )}
      {now && <circle cx={x} cy={y} r={r + 1.3} fill="none" stroke="var(--saffron)" strokeWidth={0.8} />}
    </g>
  );
});
