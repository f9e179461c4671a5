import * as wording from '../../words/screens/map';
import { isOn, pieceInHole, pieceInSlot } from '../../core/log/view';
import { thingName } from '../../words/things';
import { bondLook, isNamed, pieceLabels, plugsOf, type Scene, seen } from './map-scene';
import { BondPatch, Plug, ScrewMark, SlotPlate } from './map-things';

/** The cover on its device. */
export function ShutCover({ scene: { cover, at, isLit, onPick } }: { scene: Scene }) {
  if (!cover) return null;
  return (
    <g {...(onPick ? { className: 'pickable', onClick: () => onPick(cover.id) } : {})}>
      <rect
        x={cover.shape.x}
        y={cover.shape.y}
        width={cover.shape.w}
        height={cover.shape.h}
        rx={cover.shape.r}
        fill="var(--glass)"
        stroke={isLit(cover.id) ? 'var(--saffron)' : 'var(--metal)'}
        strokeWidth={isLit(cover.id) ? 0.9 : 0.3}
      />
      <text x={at.W / 2} y={at.H / 2} fontSize={4.2} textAnchor="middle">
        {cover.name}
      </text>
    </g>
  );
}

/** The pieces of the open device, the lowest first; what is out as an empty place. */
export function Pieces({ scene }: { scene: Scene }) {
  const { index, state, face, at, cover, isLit, onPick } = scene;
  const labels = pieceLabels(scene);
  return index.model.slots
    .filter((s) => s.face === face && !s.carrier && s.id !== cover?.id)
    .sort((a, b) => a.layer - b.layer)
    .map((s) => {
      const here = pieceInSlot(state, s.id) !== undefined;
      return (
        <SlotPlate
          key={s.id}
          slot={s}
          x={at.X(s.shape.x, s.shape.w)}
          here={here}
          lit={isLit(s.id)}
          label={isNamed(scene, s) ? labels.get(s.id) : undefined}
          onPick={onPick}
        />
      );
    });
}

/** Glue and tape that can be seen, or that is in hand. */
export function Bonds({ scene }: { scene: Scene }) {
  const { index, state, face, at, cover, isLit, now, onPick } = scene;
  return index.model.bonds
    .filter(
      (b) =>
        b.kind !== 'perimeter-seal' &&
        b.face === face &&
        b.holds[0] !== cover?.id &&
        (seen(index, state, b.id) || isLit(b.id)) &&
        b.holds.some((h) => !index.slots.get(h)?.carrier),
    )
    .map((b) => (
      <BondPatch
        key={b.id}
        bond={b}
        x={at.X(b.shape.x, b.shape.w)}
        look={bondLook(state, b.id)}
        lit={isLit(b.id)}
        now={b.id === now}
        onPick={onPick}
      />
    ));
}

/** The plugs that can be seen, each with its name where nothing else is written. */
export function Plugs({ scene }: { scene: Scene }) {
  const { state, at, now, onPick, plugText } = scene;
  const { plugs, names } = plugsOf(scene);
  return plugs.map((connector) => (
    <Plug
      key={connector.id}
      plug={connector}
      x={at.X(connector.at.x)}
      on={isOn(state, connector.id)}
      now={connector.id === now}
      nameDx={names.get(connector.id)!.dx}
      nameDy={names.get(connector.id)!.dy}
      textMm={plugText}
      onPick={onPick}
    />
  ));
}

/** The screws of this side that can be seen: of a closed device those outside. */
export function Screws({ scene }: { scene: Scene }) {
  const { index, state, face, at, cover, open, now, onPick, carried } = scene;
  return index.model.fasteners
    .filter(
      (f) =>
        f.face === face &&
        (f.layer > (cover?.layer ?? 99) || (open && seen(index, state, f.id))) &&
        !carried(f.holds),
    )
    .map((f) => {
      const inHole = pieceInHole(state, f.id) !== undefined;
      return (
        <ScrewMark
          key={f.id}
          screw={f}
          x={at.X(f.at.x)}
          title={wording.mmOf(thingName(index, f.id), f.lengthMm, inHole ? 'in' : 'out')}
          shown={inHole && f.holds.every((h) => pieceInSlot(state, h) !== undefined)}
          now={f.id === now}
          onPick={onPick}
        />
      );
    });
}
