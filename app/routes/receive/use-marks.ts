import { useRef } from 'react';
import type { Mark } from '../../../core/log/events';

export interface Outline {
  widthMm: number;
  heightMm: number;
  cornerMm: number;
}
const round = (v: number, max: number) => Math.round(Math.min(max, Math.max(0, v)) * 10) / 10;
/** The nearest point of the rim: a mark on the frame lies on it. */
function ontoRim(x: number, y: number, { widthMm: W, heightMm: H }: Outline): { x: number; y: number } {
  const p = { x: round(x, W), y: round(y, H) };
  const near = [
    [p.x, { x: 0, y: p.y }],
    [W - p.x, { x: W, y: p.y }],
    [p.y, { x: p.x, y: 0 }],
    [H - p.y, { x: p.x, y: H }],
  ] as const;
  return near.toSorted((a, b) => a[0] - b[0])[0]![1];
}

/** Puts marks down, moves and changes them: each within its outline, one on the frame always on the rim. */
export function useMarks(outline: Outline, marks: Mark[], onChange: (m: Mark[]) => void) {
  const next = useRef(0);
  const { widthMm: W, heightMm: H } = outline;
  const fresh = () => {
    let id: string;
    do {
      next.current += 1;
      id = `m${next.current}`;
    } while (marks.some((m) => m.id === id));
    return id;
  };
  const place = (side: Mark['side'], x: number, y: number) =>
    side === 'frame' ? ontoRim(x, y, outline) : { x: round(x, W), y: round(y, H) };
  const edit = (id: string, partial: Partial<Mark>) =>
    onChange(marks.map((k) => (k.id === id ? { ...k, ...partial } : k)));
  return {
    add: (kind: Mark['kind'], side: Mark['side'], x: number, y: number) =>
      onChange([...marks, { id: fresh(), side, ...place(side, x, y), kind, severity: 2 }]),
    edit,
    move: (m: Mark, [dx, dy]: readonly [number, number]) => edit(m.id, place(m.side, m.x + dx, m.y + dy)),
    remove: (id: string) => onChange(marks.filter((k) => k.id !== id)),
  };
}
