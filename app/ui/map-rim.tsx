import type { Face } from '../../core/vocabulary/trade';
import { rimStretches } from '../../core/rules/rim-solvents';
import { thingName } from '../../words/things';
import * as wording from '../../words/screens/map';
import { noGoOfMarks } from '../../core/rules/mark-rules';
import type { Scene } from './map-scene';

/** The seal around the rim, as it is. */
export function Rim({ scene: { index, state, face, at, isLit } }: { scene: Scene }) {
  const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
  if (!seal || face === 'back') return null;
  const is = state.bond[seal.id];
  const look = is === 'released' || is === 'torn' ? 'broken' : is === 'renewed' ? 'renewed' : 'whole';
  return (
    <rect
      pointerEvents="none"
      x={1.4}
      y={1.4}
      width={at.W - 2.8}
      height={at.H - 2.8}
      rx={index.model.outline.cornerMm - 1}
      fill="none"
      stroke={look === 'broken' ? 'var(--brick)' : 'var(--moss)'}
      strokeWidth={isLit(seal.id) ? 1.5 : 0.8}
      {...(look === 'broken' ? { strokeDasharray: '3 1.4' } : {})}
    >
      <title>{wording.perimeterSeal(look)}</title>
    </rect>
  );
}

/** The catches of a closed cover. */
export function Catches({ scene: { index, state, now } }: { scene: Scene }) {
  return index.model.catches.map((c) => (
    <path
      key={c.id}
      d={`M${c.at.x - 2} ${c.at.y - 0.8}h4l-2 2.4z`}
      fill={state.catch[c.id] === 'free' ? 'none' : 'var(--ink)'}
      stroke={c.id === now ? 'var(--saffron)' : 'var(--ink)'}
      strokeWidth={c.id === now ? 0.9 : 0.3}
    >
      <title>{c.name}</title>
    </path>
  ));
}

/** Where no blade goes deep: the model's own stretches of the edge, and those where this device's glass is broken. */
export function NoGo({ scene: { index, state, at } }: { scene: Scene }) {
  const { model } = index;
  return [...model.noGo, ...noGoOfMarks(Object.values(state.mark), model.outline)].map((n) => {
    const vertical = n.edge === 'left' || n.edge === 'right';
    const x = n.edge === 'right' ? at.W - 3 : n.edge === 'left' ? 0 : n.fromMm;
    const y = n.edge === 'bottom' ? at.H - 3 : n.edge === 'top' ? 0 : n.fromMm;
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
        <title>{wording.mmAtMost(n.depthMm, n.why)}</title>
      </rect>
    );
  });
}

/** Where on the rim which solvent may go, while it is cleaned: the rest is bare metal. */
export function Solvents({ scene: { index, at }, face }: { scene: Scene; face: Face }) {
  return rimStretches(index, face).map(({ edge, fromMm, toMm, care, slot }) => {
    const upright = edge === 'left' || edge === 'right';
    const along = face === 'back' && !upright ? at.W - toMm : fromMm;
    const right = (edge === 'right') !== (face === 'back');
    return (
      <rect
        key={`${edge}${slot}`}
        className={care === 'alcohol' ? 'rim-alcohol' : 'rim-soft'}
        x={upright ? (right ? at.W - rimMm : 0) : along}
        y={upright ? fromMm : edge === 'bottom' ? at.H - rimMm : 0}
        width={upright ? rimMm : toMm - fromMm}
        height={upright ? toMm - fromMm : rimMm}
      >
        <title>{wording.rimCare[care](thingName(index, slot))}</title>
      </rect>
    );
  });
}
/** How broad such a stretch is drawn, mm. */
const rimMm = 3.4;

/** Ten millimetres from tick to tick, and how a stretch that is out of bounds is hatched. */
export function Ruler({ widthMm }: { widthMm: number }) {
  return (
    <>
      <defs>
        <pattern id="nogo" width="2" height="2" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="0.9" height="2" fill="var(--brick)" />
        </pattern>
      </defs>
      <path
        d={Array.from({ length: Math.floor(widthMm / 10) + 1 }, (_, i) => `M${i * 10}-3v1.8`).join('')}
        stroke="var(--metal)"
        strokeWidth={0.25}
      />
    </>
  );
}
