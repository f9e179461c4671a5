import * as wording from '../../words/screens/map';
import { memo } from 'react';
import type { JobState } from '../../core/log/state';
import { pieceInHole, piecesAt, screwSpec } from '../../core/log/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { Fastener } from '../../core/model/schema';
import { type MatCell, matPage } from '../../core/screws/mat-layout';
import { hundredth, LengthBar, ScrewHead } from './recess';

/** What lies in the place of a hole, and whether nobody knows where its screw is. */
export function lying(
  state: JobState,
  fastener: string,
): { piece: string | undefined; adrift: boolean; mixed: boolean } {
  const piece = piecesAt(state, `mat/${fastener}`).find((p) => state.place[p] === `mat/${fastener}`);
  const empty = !piece && pieceInHole(state, fastener) === undefined;
  const own = empty ? Object.keys(state.place).filter((p) => p.startsWith(`${fastener}#`)) : [];
  return {
    piece,
    adrift: empty && own.some((p) => state.place[p] === 'adrift'),
    mixed: empty && own.some((p) => state.place[p] === 'mixed'),
  };
}

/** A cell of the mat with its screw, or the place for it. Drawn anew only when something about this one screw has changed. */
const MatPlace = memo(function MatPlace({
  screw: { id, drive, lengthMm: own },
  x,
  y,
  lies,
  lengthMm,
  now,
  bold,
  large,
}: {
  screw: Fastener;
  x: number;
  y: number;
  lies: 'here' | 'adrift' | 'mixed' | 'in its hole';
  lengthMm: number;
  now: boolean;
  bold: boolean;
  large: boolean | undefined;
}) {
  const odd = lies === 'adrift' || lies === 'mixed';
  return (
    <g data-mat={id}>
      <title>
        {wording.mm2(id, own, lies === 'here' ? wording.onTheMat : lies === 'mixed' ? wording.mixedUp : lies)}
      </title>
      {lies === 'here' ? (
        <ScrewHead drive={drive} x={x} y={y - 1.5} r={2.7} tone={now ? 'now' : 'light'} />
      ) : (
        <circle cx={x} cy={hundredth(y - 1.5)} r={2.5} className={odd ? 'cell-odd' : 'cell-empty'} />
      )}
      {odd && (
        <text
          x={x}
          y={y - 1.3}
          fontSize={3.8}
          textAnchor="middle"
          dominantBaseline="central"
          fill="var(--saffron-light)"
        >
          ?
        </text>
      )}
      {now && (
        <circle cx={x} cy={y - 1.5} r={3.5} fill="none" stroke="var(--saffron-light)" strokeWidth={0.8} />
      )}
      <text x={x} y={hundredth(y + 5)} className={`cell-name${large ? ' big' : ''}${bold ? ' bold' : ''}`}>
        {large ? id : `${id} ${lengthMm}`}
      </text>
    </g>
  );
});

interface Props {
  index: IndexedModel;
  state: JobState;
  cells: readonly MatCell[];
  now: string | undefined;
  lit: readonly string[];
  large?: boolean;
}
/**
 * One page of the mat, at its own scale: the device's pattern with a cell for each screw. What the route does not touch is
 * only a dot, so that the pattern stays readable.
 */
export const Mat = memo(function Mat({
  index,
  state,
  cells,
  now,
  lit,
  used,
  large,
}: Props & { used: ReadonlySet<string> }) {
  const { widthMm, heightMm } = matPage;
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      className="mat"
      role="img"
      aria-label={wording.matWhereTheScrewsLie}
    >
      <rect width={widthMm} height={heightMm} rx={4} fill="var(--mat)" />
      {cells.map(({ id, x, y }) => {
        const { piece, adrift, mixed } = lying(state, id);
        if (!used.has(id) && !piece && !adrift && !mixed)
          return (
            <circle key={id} cx={x} cy={y - 1.5} r={0.8} fill="var(--mat-line)">
              <title>{wording.notOnThisRoute(id)}</title>
            </circle>
          );
        const screw = index.fasteners.get(id)!;
        return (
          <MatPlace
            key={id}
            screw={screw}
            x={x}
            y={y}
            lies={piece ? 'here' : adrift ? 'adrift' : mixed ? 'mixed' : 'in its hole'}
            lengthMm={piece ? screwSpec(state, index, piece)!.lengthMm : screw.lengthMm}
            now={id === now}
            bold={lit.includes(id)}
            large={large}
          />
        );
      })}
    </svg>
  );
});

/** The other school: a tray for each go, in the order of the work. What is open now stands first. */
export const Trays = memo(function Trays({
  index,
  state,
  trays,
  now,
}: Pick<Props, 'index' | 'state' | 'now'> & {
  trays: readonly { name: string; screws: readonly string[] }[];
}) {
  const longest = Math.max(...index.model.fasteners.map((f) => f.lengthMm).filter((l) => l < 4));
  return (
    <ol className="list" aria-label={wording.traysWhereTheScrewsLie}>
      {trays.map((t, i) => {
        const here = t.screws.filter((s) => lying(state, s).piece).length;
        const lit = now !== undefined && t.screws.includes(now);
        return (
          <li key={t.screws.join(' ')} style={lit ? { background: 'var(--saffron-soft)' } : {}}>
            <div className="spread small">
              <span className="strong">{`${i + 1} · ${t.name}`}</span>
              <span>{`${here} / ${t.screws.length}`}</span>
            </div>
            {here > 0 &&
              t.screws.map((s) => {
                const { piece } = lying(state, s);
                const fastener = index.fasteners.get(s)!;
                return piece ? (
                  <span key={s} className="row small gap-6">
                    <LengthBar
                      lengthMm={screwSpec(state, index, piece)!.lengthMm}
                      longestMm={longest}
                      {...(s === now ? { tone: 'now' as const } : {})}
                    />
                    {`${s} ${screwSpec(state, index, piece)!.lengthMm} ${fastener.drive}`}
                  </span>
                ) : null;
              })}
          </li>
        );
      })}
    </ol>
  );
});
