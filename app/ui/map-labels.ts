/** A plug of the drawing, mm: its middle and the size of its body. */
export interface PlugBox {
  id: string;
  name: string;
  x: number;
  y: number;
  w: number;
}
/** Half the height of a plug's body, mm. */
const half = 1.5;
/** Breadth of a character in parts of its size: the mean of the face, with a little air. */
const breadth = 0.54;

/** A rectangle of the drawing by its edges, mm. */
export interface Box {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}
export const meet = (a: Box, b: Box): boolean => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;

/** The name of a piece, written in it. */
export interface PieceLabel {
  lines: string[];
  /** Of the writing, mm. */
  size: number;
  /** The middle of its first line. */
  x: number;
  y: number;
  box: Box;
}
/** From line to line, in parts of the size. */
export const lineStep = 1.15;
/** Nothing is written smaller, mm: it could not be read at arm's length. */
const least = 2.2;
/** How much smaller a name may become to get out of the way. */
const sizes = [1, 0.85, 0.72, 0.6];
/** Where a name stands in its piece: in the middle, else above or below, else beside it; parts of the free space. */
const spots: readonly [x: number, y: number][] = [
  [0, 0],
  [0, -0.5],
  [0, 0.5],
  [0, -1],
  [0, 1],
  [-0.6, 0],
  [0.6, 0],
  [-0.6, -0.6],
  [0.6, -0.6],
  [-0.6, 0.6],
  [0.6, 0.6],
  [-1, 0],
  [1, 0],
];

/**
 * Where the name of a piece stands in it, and how large: in the middle, unless something lies there (a screw, a plug);
 * then where there is room, a little smaller if need be. Without any room it stands where least lies on it.
 * @param shape of the piece, mm
 * @param others what lies on it
 * @param large larger writing
 * @returns undefined where it could not be read
 */
export function pieceLabel(
  shape: { x: number; y: number; w: number; h: number },
  text: string,
  others: readonly Box[],
  large: boolean,
): PieceLabel | undefined {
  const { x, y, w, h } = shape;
  const words = text.split(' ');
  const half = Math.ceil(words.length / 2);
  const lines =
    text.length * 1.55 > w - 1 && words.length > 1
      ? [words.slice(0, half).join(' '), words.slice(half).join(' ')]
      : [text];
  const longest = Math.max(...lines.map((l) => l.length));
  const full = Math.min(
    large ? 5.2 : 4,
    (w - 1.2) / (longest * breadth),
    (h - 0.6) / (lines.length * lineStep),
  );
  if (full < least) return undefined;
  const at = (size: number, [dx, dy]: readonly [number, number]): PieceLabel => {
    const [tw, th] = [longest * size * breadth, lines.length * size * lineStep];
    const mx = x + w / 2 + (dx * Math.max(0, w - 1.2 - tw)) / 2;
    const my = y + h / 2 + (dy * Math.max(0, h - 0.6 - th)) / 2;
    return {
      lines,
      size,
      x: mx,
      y: my - ((lines.length - 1) * size * lineStep) / 2,
      box: { x0: mx - tw / 2, x1: mx + tw / 2, y0: my - th / 2, y1: my + th / 2 },
    };
  };
  const places = sizes
    .map((part) => Math.max(least, full * part))
    .flatMap((size) => spots.map((spot) => at(size, spot)));
  const hits = (l: PieceLabel) => others.filter((o) => meet(l.box, o)).length;
  return places.find((l) => hits(l) === 0) ?? places.toSorted((p, q) => hits(p) - hits(q))[0]!;
}

/** Where a name stands from its plug's middle: the middle of its base line, mm. */
export interface NameAt {
  dx: number;
  dy: number;
}
/** What a plug's name covers. */
export const plugNameBox = (plugBox: PlugBox, { dx, dy }: NameAt, size: number): Box => {
  const wide = nameHalf(plugBox, size);
  return {
    x0: plugBox.x + dx - wide,
    x1: plugBox.x + dx + wide,
    y0: plugBox.y + dy - size * 0.75,
    y1: plugBox.y + dy + size * 0.2,
  };
};
const nameHalf = (p: PlugBox, size: number) => (p.name.length * size * breadth) / 2;
/** Where a name may stand, the best place first: below, above, a row further, then pushed aside, then beside its plug. */
function placesOf(plugBox: PlugBox, size: number): NameAt[] {
  const below = half + size * 0.8;
  const above = -half - size * 0.3;
  const rows = [below, above, below + size, above - size];
  const push = nameHalf(plugBox, size) - plugBox.w / 2;
  const aside = nameHalf(plugBox, size) + plugBox.w / 2 + size * 0.2;
  return [
    ...[0, push, -push].flatMap((dx) => rows.map((dy) => ({ dx, dy }))),
    { dx: aside, dy: size * 0.3 },
    { dx: -aside, dy: size * 0.3 },
    ...[0, push, -push].flatMap((dx) => [below + 2 * size, above - 2 * size].map((dy) => ({ dx, dy }))),
  ];
}

/**
 * Where the names of plugs stand so that none lies on another name or on another plug. What finds no room at all stays
 * below its plug, as it would be without neighbours.
 * @param size of the writing, mm
 * @param written names that stand there already
 */
export function plugLabels(
  plugs: readonly PlugBox[],
  size: number,
  written: readonly Box[] = [],
): Map<string, NameAt> {
  const bodies = plugs.map((plugBox) => ({
    id: plugBox.id,
    x0: plugBox.x - plugBox.w / 2,
    x1: plugBox.x + plugBox.w / 2,
    y0: plugBox.y - half,
    y1: plugBox.y + half,
  }));
  const taken: Box[] = [...written];
  const out = new Map<string, NameAt>();
  for (const p of [...plugs].sort((a, b) => a.y - b.y || a.x - b.x || a.id.localeCompare(b.id))) {
    const places = placesOf(p, size);
    const free = places.find((at) => {
      const box = plugNameBox(p, at, size);
      return !taken.some((t) => meet(t, box)) && !bodies.some((t) => t.id !== p.id && meet(t, box));
    });
    const at = free ?? places[0]!;
    taken.push(plugNameBox(p, at, size));
    out.set(p.id, at);
  }
  return out;
}
