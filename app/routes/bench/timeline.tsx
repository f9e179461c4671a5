import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from 'react';
import * as wording from '../../../words/screens/day';

export interface DayRow {
  id: string;
  label: ReactNode;
  under?: string;
  /** A resource's row: lower, with numbers for words. */
  low?: true;
  blocks: {
    id: string;
    fromS: number;
    toS: number;
    text: string;
    look: 'hands' | 'alone' | 'late' | 'slips';
    begun: boolean;
    /** Somebody wants it just then. */
    pinned: boolean;
    /** It may be moved to another time. */
    moves: boolean;
    spoken?: string;
  }[];
  /** A promise. */
  flag?: { atS: number; text: string };
}
/** Of the card: the labels' column, and the rest for the hours; the drawing keeps its measure and its place is scaled. */
const labelPx = 190;
const widthPx = 1190;
const rowPx = 48;
const lowPx = 28;
const headPx = 26;
const beyondPx = 150;
/** At least so much of a day is shown, and at most, h. */
const leastH = 2;
const mostH = 10;

/** Rows of blocks against the clock. The same stands in words for those who do not see it. */
export function Timeline({
  rows,
  from,
  now,
  clock,
  onMove,
}: {
  rows: readonly DayRow[];
  /** The moment that seconds are counted from, ms. */
  from: number;
  now: number;
  clock: (ms: number) => string;
  /** A block was moved to begin at another time, s from `from`; while it is dragged as well. */
  onMove: (block: string, startS: number) => void;
}) {
  const lastS = Math.max(leastH * 3600, ...rows.flatMap((r) => r.blocks.map((b) => b.toS)));
  const spanS = Math.min(mostH * 3600, lastS * 1.06);
  // promises beyond what is shown stand in words, at the end of their rows
  const rightPx = rows.some((r) => r.flag && r.flag.atS > spanS) ? widthPx - beyondPx : widthPx;
  const x = (s: number) => labelPx + (Math.min(s, spanS) / spanS) * (rightPx - labelPx);
  const tops: number[] = [];
  let height = headPx;
  for (const row of rows) {
    tops.push(height);
    height += row.low ? lowPx : rowPx;
  }
  const nowS = Math.max(0, (now - from) / 1000);
  return (
    <div className="timeline-frame">
      <div className="timeline">
        <svg viewBox={`0 0 ${widthPx} ${height + 6}`} role="group" aria-label={wording.day}>
          <defs>
            <pattern
              id="alone"
              width="7"
              height="7"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width="7" height="7" className="alone-ground" />
              <line x1="0" y1="0" x2="0" y2="7" className="alone-line" />
            </pattern>
          </defs>
          <Hours from={from} spanS={spanS} x={x} height={height} clock={clock} />
          {rows.map((row, k) => (
            <Row
              key={row.id}
              row={row}
              top={tops[k]!}
              x={x}
              spanS={spanS}
              onMove={onMove}
              secondsOf={(px) => (px / (rightPx - labelPx)) * spanS}
            />
          ))}
          <line className="now" x1={x(nowS)} x2={x(nowS)} y1={4} y2={height} />
        </svg>
        <Labels rows={rows} tops={tops} height={height + 6} />
      </div>
    </div>
  );
}
/** A line for each hour, or half hour where the day is short. */
function Hours({
  from,
  spanS,
  x,
  height,
  clock,
}: {
  from: number;
  spanS: number;
  x: (s: number) => number;
  height: number;
  clock: (ms: number) => string;
}) {
  const eachS = spanS > 5 * 3600 ? 3600 : 1800;
  const first = Math.ceil(from / (eachS * 1000)) * eachS * 1000;
  const hours: number[] = [];
  for (let ms = first; (ms - from) / 1000 < spanS; ms += eachS * 1000) hours.push(ms);
  return (
    <>
      {hours.map((ms) => (
        <g key={ms}>
          <line
            className="hour"
            x1={x((ms - from) / 1000)}
            x2={x((ms - from) / 1000)}
            y1={headPx - 4}
            y2={height}
          />
          <text className="hour" x={x((ms - from) / 1000)} y={14}>
            {clock(ms)}
          </text>
        </g>
      ))}
    </>
  );
}
/** The names of the rows lie over the drawing, as text and links of the page. */
function Labels({
  rows,
  tops,
  height,
}: {
  rows: readonly DayRow[];
  tops: readonly number[];
  height: number;
}) {
  return (
    <ul className="labels">
      {rows.map((row, k) => (
        <li
          key={row.id}
          className={row.low ? 'low' : ''}
          style={{
            top: `${(100 * tops[k]!) / height}%`,
            width: `${(100 * (labelPx - 8)) / widthPx}%`,
          }}
        >
          <div>{row.label}</div>
          {row.under && <div className="under">{row.under}</div>}
          <span className="sr">
            {row.blocks
              .map((b) => b.spoken)
              .filter(Boolean)
              .join('; ')}
            {row.flag ? `; ${wording.promised(row.flag.text)}` : ''}
          </span>
        </li>
      ))}
    </ul>
  );
}
/** Blocks are moved by so much at a time, s. */
const stepS = 300;
const snapped = (s: number) => Math.max(0, Math.round(s / stepS) * stepS);
/** What moves a block: it is dragged along its row, or the arrow keys move it. */
function useMove(
  { id, fromS }: DayRow['blocks'][number],
  secondsOf: (px: number) => number,
  onMove: (block: string, startS: number) => void,
) {
  const drag = useRef<{ x: number; fromS: number; lastS: number }>(undefined);
  return {
    onPointerDown: (e: PointerEvent<SVGGElement>) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      drag.current = { x: e.clientX, fromS, lastS: fromS };
    },
    onPointerMove: (e: PointerEvent<SVGGElement>) => {
      const begun = drag.current;
      const wide = e.currentTarget.ownerSVGElement?.getBoundingClientRect().width;
      if (!begun || !wide) return;
      const startS = snapped(begun.fromS + secondsOf((e.clientX - begun.x) * (widthPx / wide)));
      if (startS === begun.lastS) return;
      begun.lastS = startS;
      onMove(id, startS);
    },
    onPointerUp: () => {
      drag.current = undefined;
    },
    onKeyDown: (e: KeyboardEvent) => {
      const by = e.key === 'ArrowRight' ? stepS : e.key === 'ArrowLeft' ? -stepS : 0;
      if (!by) return;
      e.preventDefault();
      e.stopPropagation();
      onMove(id, snapped(fromS + by));
    },
  };
}
interface RowProps {
  row: DayRow;
  top: number;
  x: (s: number) => number;
  spanS: number;
  onMove: (block: string, startS: number) => void;
  secondsOf: (px: number) => number;
}
function BlockDrawn({
  block,
  y,
  high,
  x,
  onMove,
  secondsOf,
}: Pick<RowProps, 'x' | 'onMove' | 'secondsOf'> & {
  block: DayRow['blocks'][number];
  y: number;
  high: number;
}) {
  const move = useMove(block, secondsOf, onMove);
  const [left, wide] = [x(block.fromS), Math.max(2, x(block.toS) - x(block.fromS) - 1)];
  const drawn = (
    <>
      <title>{block.spoken ?? block.text}</title>
      <rect x={left} y={y} width={wide} height={high} rx={4} />
      {wide > block.text.length * 7.2 + 8 && (
        <text x={left + 6} y={y + high / 2 + 4.5}>
          {block.text}
        </text>
      )}
      {block.pinned && <circle cx={left + 2} cy={y + 2} r={5} className="pin" />}
    </>
  );
  const className = `block ${block.look} ${block.begun ? 'begun' : ''} ${block.moves ? 'moves' : ''}`;
  return block.moves ? (
    <g
      className={className}
      data-block={block.id}
      role="button"
      tabIndex={0}
      aria-label={wording.movable(block.spoken ?? block.text)}
      {...move}
    >
      {drawn}
    </g>
  ) : (
    <g className={className}>{drawn}</g>
  );
}
function Row({ row, top, x, spanS, onMove, secondsOf }: RowProps) {
  const high = row.low ? lowPx - 8 : rowPx - 16;
  const y = top + (row.low ? 4 : 6);
  return (
    <g>
      <line className="row-line" x1={0} x2={widthPx} y1={top} y2={top} />
      {row.blocks
        .filter((b) => b.toS > b.fromS && b.fromS < spanS)
        .map((b) => (
          <BlockDrawn key={b.id} block={b} {...{ y, high, x, onMove, secondsOf }} />
        ))}
      {row.flag && row.flag.atS >= 0 && (
        <g className="flag">
          {row.flag.atS <= spanS ? (
            <>
              <path d={`M ${x(row.flag.atS)} ${top + 44} V ${top + 3} l 9 5 l -9 5`} />
              <text x={x(row.flag.atS) + 11} y={top + 44} textAnchor="start">
                {row.flag.text}
              </text>
            </>
          ) : (
            <text x={widthPx - 2} y={top + 27} textAnchor="end">
              {`${wording.promised(row.flag.text)} →`}
            </text>
          )}
        </g>
      )}
    </g>
  );
}
