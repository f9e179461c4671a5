import type { JobState } from '../log/state';

type Stretch = {
  edge: 'left' | 'right' | 'top' | 'bottom';
  fromMm: number;
  toMm: number;
  depthMm: number;
  why: string;
};
interface Outline {
  widthMm: number;
  heightMm: number;
}

/** Glass missing nearer to the edge than this leaves nothing to lift at, mm; and so far to both sides of the mark. Common practice. */
const nearEdgeMm = 12;
const halfStretchMm = 10;

/** Stretches of the edge at which no mark goes in because of how the device came: glass is missing there. */
export function noGoOfMarks(
  marks: readonly (Pick<NonNullable<JobState['mark'][string]>, 'side' | 'x' | 'y' | 'kind'> | null)[],
  outline: Outline,
): Stretch[] {
  return marks.flatMap((mark) => {
    if (!mark || mark.side === 'back' || mark.kind !== 'missing glass') return [];
    const edges = [
      ['left', mark.x, mark.y],
      ['right', outline.widthMm - mark.x, mark.y],
      ['top', mark.y, mark.x],
      ['bottom', outline.heightMm - mark.y, mark.x],
    ] as const;
    const [edge, away, along] = edges.toSorted((a, b) => a[1] - b[1])[0]!;
    if (away > nearEdgeMm) return [];
    const most = edge === 'left' || edge === 'right' ? outline.heightMm : outline.widthMm;
    return [
      {
        edge,
        fromMm: Math.max(0, along - halfStretchMm),
        toMm: Math.min(most, along + halfStretchMm),
        depthMm: 0,
        why: 'glass is missing here',
      },
    ];
  });
}
