import { Button } from 'antd';
import { useRef } from 'react';

export type Strokes = [number, number][][];
const box = { w: 600, h: 200 };
const points = (s: [number, number][]) => s.map((p) => p.join(',')).join(' ');

/** A box to sign in with finger, pen or mouse. Whoever cannot sign gives the name instead. */
export function SignaturePad({
  strokes,
  onChange,
  label,
}: {
  strokes: Strokes;
  onChange: (s: Strokes) => void;
  label: string;
}) {
  const drawing = useRef(false);
  const at = (e: React.PointerEvent<SVGSVGElement>): [number, number] => {
    const r = e.currentTarget.getBoundingClientRect();
    const clamp = (v: number, most: number) => Math.round(Math.min(most, Math.max(0, v)));
    return [
      clamp(((e.clientX - r.left) * box.w) / r.width, box.w),
      clamp(((e.clientY - r.top) * box.h) / r.height, box.h),
    ];
  };
  return (
    <div className="field">
      <div className="spread">
        <span className="label small">{label}</span>
        {strokes.length > 0 && <Button onClick={() => onChange([])}>Sign again</Button>}
      </div>
      <svg
        viewBox={`0 0 ${box.w} ${box.h}`}
        role="img"
        aria-label={strokes.length ? 'Signature, given' : 'Signature, empty'}
        data-testid="signature"
        style={{
          width: '100%',
          background: 'var(--card)',
          border: '1px solid var(--metal)',
          borderRadius: 10,
          touchAction: 'none',
          cursor: 'crosshair',
        }}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          drawing.current = true;
          onChange([...strokes, [at(e)]].slice(-80));
        }}
        onPointerMove={(e) => {
          if (!drawing.current) return;
          const last = strokes.at(-1);
          if (last && last.length < 2000) onChange([...strokes.slice(0, -1), [...last, at(e)]]);
        }}
        onPointerUp={() => {
          drawing.current = false;
        }}
        onPointerCancel={() => {
          drawing.current = false;
        }}
      >
        <line x1={30} y1={165} x2={570} y2={165} stroke="var(--line)" strokeWidth={2} />
        {strokes.map((s, i) => (
          <polyline
            key={`${i}-${s.length}`}
            points={points(s.length > 1 ? s : [s[0]!, [s[0]![0] + 1, s[0]![1]]])}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={3.5}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
      </svg>
    </div>
  );
}
