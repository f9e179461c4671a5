import * as wording from '../../words/screens/map';
import { isOn, pieceInHole, pieceInSlot } from '../../core/log/view';
import { thingName } from '../../words/things';
import { pieceLabel } from './map-labels';
import { foldedPoint, foldedShape } from './map-placing';
import { bondLook, type Scene } from './map-scene';
import { BondPatch, Plug, ScrewMark, SlotPlate } from './map-things';

/** The open cover, on the side of its hinge: where it opens to, that it is out, or it and what lies on it. */
export function OpenCover({ scene }: { scene: Scene }) {
  const { index, at, cover, open, away, isLit } = scene;
  if (!cover) return null;
  const carriesLit = [...index.slots.values()].some((s) => s.carrier !== undefined && isLit(s.id));
  const [x, y] = [at.flapX + at.flap / 2, at.flapY + at.flapH / 2];
  return (
    <g opacity={open && (!away || carriesLit) ? 1 : 0.55}>
      <rect
        x={at.flapX}
        y={at.flapY}
        width={at.flap}
        height={at.flapH}
        rx={index.model.outline.cornerMm}
        fill={open && !away ? 'var(--glass)' : 'none'}
        stroke="var(--metal)"
        strokeWidth={0.4}
        strokeDasharray="1.6 1.1"
      />
      <text x={x} y={y - 3} fontSize={4} textAnchor="middle" fill="var(--muted)">
        {away ? wording.coverOut(cover.name) : open ? wording.foldedOpen(cover.name) : wording.opensToHere}
      </text>
      {open && !away && (
        <text x={x} y={y + 2.5} fontSize={3.6} textAnchor="middle" fill="var(--muted)">
          {wording.proppedAt(index.model.openMaxDeg)}
        </text>
      )}
      {open && <OnCover scene={scene} cover={cover.id} />}
    </g>
  );
}

/** What lies on the cover itself and goes with it, seen from its inside. */
function OnCover({ scene, cover }: { scene: Scene; cover: string }) {
  const { index, state, isLit, now, large, plugText, carried } = scene;
  const { onFlap, onFlapY } = scene.at;
  const { slots, bonds, connectors, fasteners } = index.model;
  const mine = (slot: string) => index.slots.get(slot)?.carrier === cover;
  const byCover = (held: readonly string[]) => carried(held) && mine(held[0]!);
  return (
    <>
      {slots
        .filter((s) => s.carrier === cover)
        .map((s) => {
          const here = pieceInSlot(state, s.id) !== undefined;
          const slot = foldedShape(s, onFlapY);
          const x = onFlap(s.shape.x, s.shape.w);
          return (
            <SlotPlate
              key={s.id}
              slot={slot}
              x={x}
              here={here}
              lit={isLit(s.id)}
              label={here ? pieceLabel({ ...slot.shape, x }, s.label ?? s.name, [], large) : undefined}
            />
          );
        })}
      {bonds
        .filter((b) => byCover(b.holds))
        .map((b) => (
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
      {connectors
        .filter((c) => carried(c.joins) && c.joins.some(mine))
        .map((connector) => (
          <Plug
            key={connector.id}
            plug={foldedPoint(connector, onFlapY)}
            x={onFlap(connector.at.x)}
            on={isOn(state, connector.id)}
            now={connector.id === now}
            textMm={plugText}
          />
        ))}
      {fasteners
        .filter((f) => byCover(f.holds))
        .map((f) => (
          <ScrewMark
            key={f.id}
            screw={foldedPoint(f, onFlapY)}
            x={onFlap(f.at.x)}
            title={wording.mm(thingName(index, f.id), f.lengthMm)}
            shown={pieceInHole(state, f.id) !== undefined}
            now={f.id === now}
          />
        ))}
    </>
  );
}
