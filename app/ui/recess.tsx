import type { Drive } from '../../core/vocabulary/trade';

/** The drawn recess of a drive: screws are told apart by it and by their true relative length, never by colour. */
const marks: Record<Drive, string> = {
  P2: star(5),
  P5: star(5),
  PH000: 'M0-.62V.62M-.62 0H.62',
  PH00: 'M0-.62V.62M-.62 0H.62',
  Y000: 'M0 0V-.66M0 0L.57.33M0 0L-.57.33',
  hex: polygon(6),
  slot: 'M-.66 0H.66',
  standoff: 'M-.66 0H-.3M.3 0H.66',
};
function star(n: number): string {
  return `${Array.from({ length: n }, (_, i) => {
    const a = (i / n) * 2 * Math.PI - Math.PI / 2;
    return `M0 0L${(Math.cos(a) * 0.5).toFixed(2)} ${(Math.sin(a) * 0.5).toFixed(2)}`;
  }).join('')}`;
}
function polygon(n: number): string {
  return `${Array.from({ length: n }, (_, i) => {
    const a = (i / n) * 2 * Math.PI;
    return `${i ? 'L' : 'M'}${(Math.cos(a) * 0.55).toFixed(2)} ${(Math.sin(a) * 0.55).toFixed(2)}`;
  }).join('')}Z`;
}
/** The hole in the middle of a stand-off. */
const post = 'M.34 0A.34 .34 0 1 1 -.34 0A.34 .34 0 1 1 .34 0Z';
/** A hundredth of a millimetre is finer than any screen. */
export const hundredth = (mm: number): number => Math.round(mm * 100) / 100;
const lobed = (d: Drive) => d === 'P2' || d === 'P5';

export interface HeadProps {
  drive: Drive;
  x?: number;
  y?: number;
  r: number;
  tone?: 'on' | 'now' | 'dim' | 'light';
}
/** A screw head seen from above, as part of an SVG in millimetres. */
export function ScrewHead({ drive, x = 0, y = 0, r, tone = 'on' }: HeadProps) {
  // dozens of these stand in every page: how they look is in the style sheet
  return (
    <g
      className={`head-${tone}${lobed(drive) ? ' lobed' : ''}`}
      transform={`translate(${hundredth(x)} ${hundredth(y)}) scale(${hundredth(r)})`}
    >
      <circle r={1} />
      <path d={marks[drive]} />
      {drive === 'standoff' && <path d={post} />}
    </g>
  );
}
export function Recess({
  drive,
  size = 28,
  tone,
}: {
  drive: Drive;
  size?: number;
  tone?: HeadProps['tone'];
}) {
  return (
    <svg width={size} height={size} viewBox="-1.15 -1.15 2.3 2.3" aria-hidden="true">
      <ScrewHead drive={drive} r={1} {...(tone ? { tone } : {})} />
    </svg>
  );
}
/** A screw seen from the side, head left, its length true to the others beside it. */
export function LengthBar({
  lengthMm,
  longestMm,
  tone,
}: {
  lengthMm: number;
  longestMm: number;
  tone?: 'now' | 'dim';
}) {
  const w = 12 + (lengthMm / Math.max(longestMm, 2.4)) * 84;
  return (
    <svg width={104} height={16} viewBox="0 0 104 16" aria-hidden="true">
      <rect x={0} y={1} width={7} height={14} rx={2} fill="var(--ink)" />
      <rect
        x={7}
        y={5}
        width={w - 7}
        height={6}
        fill={tone === 'now' ? 'var(--saffron)' : tone === 'dim' ? 'var(--metal-soft)' : 'var(--metal)'}
      />
    </svg>
  );
}
