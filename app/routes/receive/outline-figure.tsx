import * as wording from '../../../words/screens/receive';
import { Button } from 'antd';
import type { Mark } from '../../../core/log/events';
import type { noGoOfMarks } from '../../../core/rules/mark-rules';
import { glyph } from './mark-glyph';
import type { Outline } from './use-marks';

/** One side of the device with its marks: a click puts one down, and so does the button below. */
export function OutlineFigure({
  side,
  outline,
  marks,
  noGo,
  onAdd,
}: {
  side: Mark['side'];
  outline: Outline;
  marks: readonly Mark[];
  noGo: ReturnType<typeof noGoOfMarks>;
  onAdd: (x: number, y: number) => void;
}) {
  const { widthMm: W, heightMm: H } = outline;
  return (
    <figure className="outline">
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: the button below puts a mark down by keyboard, the arrow keys move it */}
      <svg
        viewBox={`-4 -4 ${W + 8} ${H + 8}`}
        width="100%"
        role="img"
        aria-label={wording.outline(side)}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const s = (W + 8) / box.width;
          onAdd((event.clientX - box.left) * s - 4, (event.clientY - box.top) * s - 4);
        }}
      >
        <rect
          width={W}
          height={H}
          rx={outline.cornerMm}
          fill="var(--glass)"
          stroke="var(--ink)"
          strokeWidth={0.8}
        />
        <SideLook side={side} outline={outline} />
        {side === 'front' &&
          noGo.map((stretch) => (
            <line
              key={`${stretch.edge}${stretch.fromMm}`}
              {...stretchLine(stretch, W, H)}
              stroke="var(--brick)"
              strokeWidth={2}
              strokeDasharray="2 1.4"
            />
          ))}
        {marks.map((m) => (
          <g key={m.id} transform={`translate(${m.x} ${m.y}) scale(${1.3 + 0.35 * (m.severity ?? 2)})`}>
            <circle r={4} fill="var(--brick-soft)" stroke="var(--brick)" strokeWidth={0.5} />
            <path d={glyph[m.kind]} fill="none" stroke="var(--brick)" strokeWidth={0.8} />
          </g>
        ))}
      </svg>
      <figcaption className="to-middle top-4">
        <Button aria-label={wording.mark(side)} onClick={() => onAdd(side === 'frame' ? W : W / 2, H / 2)}>
          {side}
        </Button>
      </figcaption>
    </figure>
  );
}

/** By what a side is known: the screen, the camera, the rim. */
function SideLook({
  side,
  outline: { widthMm: W, heightMm: H, cornerMm },
}: {
  side: Mark['side'];
  outline: Outline;
}) {
  if (side === 'back')
    return <circle cx={W - 16} cy={16} r={8} fill="none" stroke="var(--metal)" strokeWidth={0.5} />;
  if (side === 'front')
    return (
      <rect
        x={4}
        y={6}
        width={W - 8}
        height={H - 12}
        rx={cornerMm - 3}
        fill="none"
        stroke="var(--metal)"
        strokeWidth={0.5}
      />
    );
  return (
    <>
      <rect
        x={7}
        y={7}
        width={W - 14}
        height={H - 14}
        rx={cornerMm - 4}
        fill="var(--card)"
        stroke="var(--metal)"
        strokeWidth={0.5}
      />
      <text x={W / 2} y={H / 2} textAnchor="middle" fontSize={7} fill="var(--muted)">
        {wording.seenFromFront}
      </text>
    </>
  );
}
function stretchLine(n: { edge: string; fromMm: number; toMm: number }, W: number, H: number) {
  if (n.edge === 'left' || n.edge === 'right') {
    const x = n.edge === 'left' ? 0 : W;
    return { x1: x, x2: x, y1: n.fromMm, y2: n.toMm };
  }
  const y = n.edge === 'top' ? 0 : H;
  return { x1: n.fromMm, x2: n.toMm, y1: y, y2: y };
}
