/** Balls of a chip, or apertures of a stencil: a row of `1` and `0` each, on a square grid. */
export interface Field {
  pitchMm: number;
  pattern: readonly string[];
}
export interface Stencil extends Field {
  id: string;
}
export interface Fit {
  id: string;
  /** By how much the chip is turned clockwise, degrees. */
  rotation: 0 | 90 | 180 | 270;
  /** Where the first row and column of the turned chip lie on the stencil. */
  offset: [row: number, column: number];
  /** No aperture remains over that has to be masked. */
  exact: boolean;
}
export interface StencilAnswer {
  fits: Fit[];
  nearest?: { id: string; why: string };
}

/** Two pitches are one within this, mm. */
const samePitchMm = 0.005;
const turns = [0, 90, 180, 270] as const;

/** The balls of a chip, and how far they reach. */
interface Dots {
  rows: number;
  columns: number;
  at: [row: number, column: number][];
  top: number;
  bottom: number;
  left: number;
  right: number;
  laid: Map<number, Int32Array>;
}
function dotsAt(rows: number, columns: number, at: Dots['at']): Dots {
  const [r, c] = [at.map(([row]) => row), at.map(([, column]) => column)];
  const reach = { top: Math.min(...r), bottom: Math.max(...r), left: Math.min(...c), right: Math.max(...c) };
  return { rows, columns, at, ...reach, laid: new Map() };
}
const dotsOf = (pattern: readonly string[]): Dots =>
  dotsAt(
    pattern.length,
    pattern[0]?.length ?? 0,
    pattern.flatMap((row, r) => [...row].flatMap((c, k) => (c === '1' ? [[r, k] as [number, number]] : []))),
  );
/** A quarter clockwise. */
const turned = ({ rows, columns, at }: Dots): Dots =>
  dotsAt(
    columns,
    rows,
    at.map(([r, c]) => [c, rows - 1 - r]),
  );

/**
 * The stencils that a chip's balls can be set with: one pitch, turned by quarters and shifted by whole pitches, never
 * mirrored; apertures that no ball needs may remain. Each stencil once, as it fits best; exact before part, then the smaller
 * turn, then as they were given. Where none fits, the nearest, and why it does not.
 */
export function findStencils(chip: Field, stencils: readonly Stencil[]): StencilAnswer {
  const dots = dotsOf(chip.pattern);
  const views = turns.map((rotation, k) => {
    let view = dots;
    for (let quarter = 0; quarter < k; quarter++) view = turned(view);
    return { rotation, view };
  });
  const same = stencils
    .filter((s) => Math.abs(s.pitchMm - chip.pitchMm) <= samePitchMm + 1e-12)
    .map(({ id, pattern }) => ({ id, holes: holesOf(pattern) }));
  const fits = same.flatMap(({ id, holes }) => bestFit(views, dots.at.length, id, holes) ?? []);
  fits.sort((a, b) => Number(b.exact) - Number(a.exact) || a.rotation - b.rotation);
  if (fits.length) return { fits };
  const nearest = nearestOf(chip, views, dots.at.length, stencils, same);
  return { fits, ...(nearest ? { nearest } : {}) };
}
type View = { rotation: Fit['rotation']; view: Dots };

/** The apertures of a stencil, laid out for thousands of questions. */
interface Holes {
  rows: number;
  columns: number;
  open: Uint8Array;
  count: number;
}
function holesOf(pattern: readonly string[]): Holes {
  const columns = pattern[0]?.length ?? 0;
  const open = new Uint8Array(pattern.length * columns);
  let count = 0;
  for (let row = 0; row < pattern.length; row++)
    for (let column = 0; column < columns; column++)
      if (pattern[row]!.charCodeAt(column) === 49) {
        open[row * columns + column] = 1;
        count++;
      }
  return { rows: pattern.length, columns, open, count };
}
/** Where the dots of a view lie in a row-by-row layout of so many columns; it is asked about the same widths again and again. */
function spots({ at, laid }: Dots, columns: number): Int32Array {
  let known = laid.get(columns);
  if (!known) {
    known = Int32Array.from(at, ([row, column]) => row * columns + column);
    laid.set(columns, known);
  }
  return known;
}
/** How many dots have no aperture at a shift; more than `most` are not counted on. */
function missingAt(dots: Int32Array, open: Uint8Array, shift: number, most: number): number {
  let missing = 0;
  for (let k = 0; k < dots.length; k++) if (!open[dots[k]! + shift] && ++missing > most) return missing;
  return missing;
}
/**
 * The shift at which fewest of a chip's dots have no aperture, of all at which the whole chip lies on the stencil; undefined
 * where it is larger, or where none is below `below`.
 */
function bestShift(
  view: Dots,
  { rows, columns, open }: Holes,
  below: number,
): { missing: number; offset: [number, number] } | undefined {
  const lastRow = rows - 1 - view.bottom;
  const lastColumn = columns - 1 - view.right;
  if (lastRow < 0 - view.top || lastColumn < 0 - view.left) return undefined;
  const dots = spots(view, columns);
  let best: { missing: number; offset: [number, number] } | undefined;
  for (let row = 0 - view.top; row <= lastRow; row++)
    for (let column = 0 - view.left; column <= lastColumn; column++) {
      const most = (best?.missing ?? below) - 1;
      const missing = missingAt(dots, open, row * columns + column, most);
      if (missing <= most) best = { missing, offset: [row, column] };
      if (missing === 0) return best;
    }
  return best;
}
function bestFit(views: readonly View[], balls: number, id: string, holes: Holes): Fit | undefined {
  if (holes.count < balls || !balls) return undefined;
  for (const { rotation, view } of views) {
    const found = bestShift(view, holes, 1);
    if (found) return { id, rotation, offset: found.offset, exact: holes.count === balls };
  }
  return undefined;
}
function nearestOf(
  chip: Field,
  views: readonly View[],
  balls: number,
  stencils: readonly Stencil[],
  same: readonly { id: string; holes: Holes }[],
): StencilAnswer['nearest'] {
  let best: { id: string; missing: number } | undefined;
  for (const { id, holes } of same)
    for (const { view } of views) {
      const found = bestShift(view, holes, best?.missing ?? balls + 1);
      if (found) best = { id, missing: found.missing };
    }
  if (best) return { id: best.id, why: `${best.missing} of ${balls} balls have no aperture` };
  if (same[0]) return { id: same[0].id, why: 'the chip is larger than the stencil' };
  const byPitch = stencils.toSorted(
    (a, b) => Math.abs(a.pitchMm - chip.pitchMm) - Math.abs(b.pitchMm - chip.pitchMm),
  );
  return (
    byPitch[0] && {
      id: byPitch[0].id,
      why: `pitch ${byPitch[0].pitchMm} mm, the chip has ${chip.pitchMm} mm`,
    }
  );
}
