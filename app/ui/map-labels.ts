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

interface Box {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}
const meet = (a: Box, b: Box) => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;

/**
 * Where the names of plugs stand so that none lies on another name or on another plug: below its plug, else above, else
 * in the next row below or above. What finds no room at all stays below, as it would be without neighbours.
 * @param size of the writing, mm
 * @returns for each plug, how far its base line lies below the plug's middle, mm
 */
export function plugLabels(plugs: readonly PlugBox[], size: number): Map<string, number> {
  const below = half + size * 0.8;
  const above = -half - size * 0.3;
  const rows = [below, above, below + size, above - size];
  const bodies = plugs.map((p) => ({
    id: p.id,
    x0: p.x - p.w / 2,
    x1: p.x + p.w / 2,
    y0: p.y - half,
    y1: p.y + half,
  }));
  const taken: Box[] = [];
  const out = new Map<string, number>();
  for (const p of [...plugs].sort((a, b) => a.y - b.y || a.x - b.x || a.id.localeCompare(b.id))) {
    const wide = (p.name.length * size * breadth) / 2;
    const at = (dy: number): Box => ({
      x0: p.x - wide,
      x1: p.x + wide,
      y0: p.y + dy - size * 0.75,
      y1: p.y + dy + size * 0.2,
    });
    const dy =
      rows.find((r) => {
        const b = at(r);
        return !taken.some((t) => meet(t, b)) && !bodies.some((t) => t.id !== p.id && meet(t, b));
      }) ?? below;
    taken.push(at(dy));
    out.set(p.id, dy);
  }
  return out;
}
