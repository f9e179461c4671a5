import { memo } from 'react';
import type { JobState } from '../../core/job/state';
import { pieceInHole, piecesAt } from '../../core/job/view';
import type { IndexedModel } from '../../core/model/index-model';
import { ScrewHead } from './recess';

/**
 * The mat: the device's own pattern drawn larger, with cells kept apart along each row, so that what lies low left on
 * the phone lies low left here. Only screws that the route takes out have a place.
 */
export interface Cell { id: string; x: number; y: number; page: number }
const columns = 6;
const rows = 9;
/** So many screws leave room to keep the pattern; more go on another page. */
const perPage = 45;

/** A cell for each screw, in pages in the order in which they are given (the order in which they come out). */
export function matCells(index: IndexedModel, ids: readonly string[]): Cell[] {
  const pages = Math.max(1, Math.ceil(ids.length / perPage));
  const size = Math.ceil(ids.length / pages);
  return Array.from({ length: pages }, (_, page) => pageCells(index, ids.slice(page * size, (page + 1) * size), page)).flat();
}
/** One page: columns and rows, keeping above/below and left/right of the holes. */
function pageCells(index: IndexedModel, ids: readonly string[], page: number): Cell[] {
  const { widthMm, heightMm } = index.model.outline;
  const taken = new Set<string>();
  const wanted = ids.map((id) => { const f = index.fasteners.get(id)!; return { id, cx: Math.min(columns - 1, Math.floor((f.at.x / widthMm) * columns)), cy: Math.min(rows - 1, Math.floor((f.at.y / heightMm) * rows)), f }; }).sort((a, b) => a.f.at.y - b.f.at.y || a.f.at.x - b.f.at.x);
  return wanted.map(({ id, cx, cy }) => {
    // the nearest free cell: same row first, then down, then up
    const free = Array.from({ length: columns * rows }, (_, i) => ({ x: i % columns, y: Math.floor(i / columns) })).filter((c) => !taken.has(`${c.x} ${c.y}`)).sort((a, b) => Math.abs(a.x - cx) + 1.3 * Math.abs(a.y - cy) - (Math.abs(b.x - cx) + 1.3 * Math.abs(b.y - cy)))[0]!;
    taken.add(`${free.x} ${free.y}`);
    return { id, page, ...free };
  });
}

export const Mat = memo(function Mat({ index, state, cells, now, lit }: { index: IndexedModel; state: JobState; cells: readonly Cell[]; now: string | undefined; lit: readonly string[] }) {
  const c = 12;
  return (
    <svg viewBox={`-0.5 -0.5 ${columns * c + 1} ${rows * c + 1}`} role="img" aria-label="Mat: where the screws lie">
      <rect width={columns * c} height={rows * c} rx={4} fill="var(--mat)" />
      {Array.from({ length: columns - 1 }, (_, i) => <line key={`c${i + 1}`} x1={(i + 1) * c} x2={(i + 1) * c} y1={0} y2={rows * c} stroke="var(--mat-line)" strokeWidth={0.3} />)}
      {Array.from({ length: rows - 1 }, (_, i) => <line key={`r${i + 1}`} x1={0} x2={columns * c} y1={(i + 1) * c} y2={(i + 1) * c} stroke="var(--mat-line)" strokeWidth={0.3} />)}
      {cells.map(({ id, x, y }) => {
        const f = index.fasteners.get(id)!;
        const lies = piecesAt(state, `mat/${id}`).some((p) => state.place[p] === `mat/${id}`);
        const adrift = !lies && pieceInHole(state, id) === undefined;
        const cx = x * c + c / 2;
        const cy = y * c + 4.6;
        return (
          <g key={id}>
            <title>{`${id}, ${f.lengthMm} mm, ${lies ? 'on the mat' : adrift ? 'adrift' : 'in its hole'}`}</title>
            {lies ? <ScrewHead drive={f.drive} x={cx} y={cy} r={2.5} tone={id === now ? 'now' : 'light'} /> : <circle cx={cx} cy={cy} r={2.4} fill="none" stroke={adrift ? 'var(--saffron-light)' : 'var(--mat-ink)'} strokeOpacity={adrift ? 1 : 0.6} strokeWidth={0.4} strokeDasharray="1 0.8" />}
            {adrift && <text x={cx} y={cy + 0.2} fontSize={3.4} textAnchor="middle" dominantBaseline="central" style={{ fill: 'var(--saffron-light)' }}>?</text>}
            {id === now && <circle cx={cx} cy={cy} r={3.9} fill="none" stroke="var(--saffron-light)" strokeWidth={0.7} />}
            <text x={cx} y={cy + 5.6} fontSize={3} textAnchor="middle" style={{ fill: 'var(--mat-ink)', fontWeight: lit.includes(id) ? 700 : 400 }}>{`${id} ${f.lengthMm}`}</text>
          </g>
        );
      })}
    </svg>
  );
});
