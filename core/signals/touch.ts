/** One point of a stroke: mm from the upper left of the screen, ms. */
export interface StrokePoint {
  x: number;
  y: number;
  t: number;
}
export interface Rect {
  x: number;
  y: number;
  w: number;
  h: number;
}
export interface TouchMap {
  /** Part of the screen that answered, 0 to 1. */
  share: number;
  /** Where nothing answered, the largest first, mm. `crossed`: so many strokes broke off at it and went on behind it. */
  dead: (Rect & { crossed: number })[];
  /** Strokes that broke off within the screen and went on in the same line at once. */
  breaks: number;
  /** Points that lie further from the one before than a finger goes in that time. */
  jumps: number;
}

/** Cells that are counted, mm, and how far round its point a fingertip answers, mm (a fingertip is some 8 to 10 mm wide, from memory). */
const cellMm = 2;
const fingerMm = 4.5;
/** Smaller than this in either direction is between two strokes, mm (our own limit). */
const leastMm = 4;
/** A stroke that goes on so soon and not further away was one: ms, mm; and no more than so much out of its line, as a cosine. */
const againMs = 350;
const againMm = 40;
const straight = 0.8;
/** So many strokes have to break off at one place: one may just have been lifted. */
const agree = 2;
/** Faster than this no finger wipes, mm/ms, over more than this, mm (our own limits). */
const fastest = 4;
const leastJumpMm = 12;

/** What the strokes of a finger over a whole screen say of it. @param strokes each from touching to lifting, in the order in which they were made */
export function touchMap(
  strokes: readonly (readonly StrokePoint[])[],
  widthMm: number,
  heightMm: number,
): TouchMap {
  const columns = Math.max(1, Math.round(widthMm / cellMm));
  const rows = Math.max(1, Math.round(heightMm / cellMm));
  const cell = { w: widthMm / columns, h: heightMm / rows };
  const answered = new Uint8Array(columns * rows);
  let jumps = 0;
  for (const stroke of strokes)
    stroke.forEach((point, k) => {
      const before = stroke[k - 1] ?? point;
      const far = Math.hypot(point.x - before.x, point.y - before.y);
      const jumped = far > leastJumpMm && far > fastest * Math.max(1, point.t - before.t);
      if (jumped) jumps++;
      const from = jumped ? point : before;
      const steps = Math.max(1, Math.ceil(Math.hypot(point.x - from.x, point.y - from.y) / cellMm));
      for (let s = 0; s <= steps; s++)
        press(answered, from.x + ((point.x - from.x) * s) / steps, from.y + ((point.y - from.y) * s) / steps);
    });
  function press(cells: Uint8Array, x: number, y: number): void {
    for (
      let row = Math.max(0, Math.floor((y - fingerMm) / cell.h));
      row < rows && row * cell.h < y + fingerMm;
      row++
    )
      for (
        let column = Math.max(0, Math.floor((x - fingerMm) / cell.w));
        column < columns && column * cell.w < x + fingerMm;
        column++
      )
        if (Math.hypot((column + 0.5) * cell.w - x, (row + 0.5) * cell.h - y) <= fingerMm)
          cells[row * columns + column] = 1;
  }
  const broken = breaksOf(strokes);
  const gaps = gapsOf(broken, columns, rows, cell);
  for (let k = 0; k < answered.length; k++) if (gaps[k]) answered[k] = 0;
  const dead = regions(answered, columns, rows)
    .map(({ x, y, w, h }) => ({ x: x * cell.w, y: y * cell.h, w: w * cell.w, h: h * cell.h }))
    .filter(({ w, h }) => Math.max(w, h) >= 2 * leastMm && Math.min(w, h) >= leastMm)
    .map((rect) => ({ ...rect, crossed: broken.filter((line) => passes(line, rect)).length }))
    .sort((a, b) => b.w * b.h - a.w * a.h);
  return {
    share: answered.reduce((sum, a) => sum + a, 0) / answered.length,
    dead,
    breaks: broken.length,
    jumps,
  };
}

type Line = [StrokePoint, StrokePoint];
/** Where one stroke ended and the next began at once, further along its own line. */
function breaksOf(strokes: readonly (readonly StrokePoint[])[]): Line[] {
  const out: Line[] = [];
  for (let k = 1; k < strokes.length; k++) {
    const before = strokes[k - 1]!;
    const end = before.at(-1);
    const start = strokes[k]![0];
    const earlier = before.at(-4) ?? before[0];
    if (!end || !start || !earlier || start.t - end.t > againMs) continue;
    const along = { x: end.x - earlier.x, y: end.y - earlier.y };
    const over = { x: start.x - end.x, y: start.y - end.y };
    const far = Math.hypot(over.x, over.y);
    const went = Math.hypot(along.x, along.y);
    if (went < 1 || far < 1 || far > againMm) continue;
    if ((along.x * over.x + along.y * over.y) / (far * went) >= straight) out.push([end, start]);
  }
  return out;
}
/**
 * The cells over which strokes broke off, more than one within a finger's reach of each other. A fingertip is wider than a dead stripe may be, and strokes on either
 * side would hide it: where several broke off, nothing answered, however near they came.
 */
function gapsOf(
  broken: readonly Line[],
  columns: number,
  rows: number,
  cell: { w: number; h: number },
): Uint8Array {
  const near = new Uint8Array(columns * rows);
  const about = new Uint8Array(columns * rows);
  for (const [a, b] of broken) {
    const far = Math.hypot(b.x - a.x, b.y - a.y);
    const along = { x: (b.x - a.x) / far, y: (b.y - a.y) / far };
    for (let k = 0; k < near.length; k++) {
      const x = ((k % columns) + 0.5) * cell.w - a.x;
      const y = (Math.floor(k / columns) + 0.5) * cell.h - a.y;
      const t = x * along.x + y * along.y;
      if (t < 0 || t > far) continue;
      const beside = Math.abs(x * along.y - y * along.x);
      if (beside <= fingerMm) near[k] = 1;
      if (beside <= 2 * fingerMm) about[k] = Math.min(255, about[k]! + 1);
    }
  }
  return near.map((n, k) => (n && about[k]! >= agree ? 1 : 0));
}
/** Whether a line comes through a rectangle, tried at points 1 mm apart. */
function passes([a, b]: Line, { x, y, w, h }: Rect): boolean {
  const steps = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y)));
  for (let s = 0; s <= steps; s++) {
    const px = a.x + ((b.x - a.x) * s) / steps;
    const py = a.y + ((b.y - a.y) * s) / steps;
    if (px >= x && px <= x + w && py >= y && py <= y + h) return true;
  }
  return false;
}

/** The connected regions of cells that are 0, each as the rectangle about it, in cells. */
export function regions(cells: ArrayLike<number>, columns: number, rows: number): (Rect & { n: number })[] {
  const seen = new Uint8Array(columns * rows);
  const out: (Rect & { n: number })[] = [];
  for (let start = 0; start < columns * rows; start++) {
    if (seen[start] || cells[start]) continue;
    const open = [start];
    seen[start] = 1;
    let [left, right, top, bottom, n] = [columns, 0, rows, 0, 0];
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      const column = at % columns;
      const row = Math.floor(at / columns);
      [left, right] = [Math.min(left, column), Math.max(right, column)];
      [top, bottom] = [Math.min(top, row), Math.max(bottom, row)];
      n++;
      for (const [dx, dy] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ] as const) {
        const [x, y] = [column + dx, row + dy];
        if (x < 0 || y < 0 || x >= columns || y >= rows) continue;
        const next = y * columns + x;
        if (seen[next] || cells[next]) continue;
        seen[next] = 1;
        open.push(next);
      }
    }
    out.push({ x: left, y: top, w: right - left + 1, h: bottom - top + 1, n });
  }
  return out;
}
