import { useRef, useState } from 'react';
import { conditionOfMark } from '../../../core/job/condition-rules';
import { type Mark, markKinds } from '../../../core/job/events';

type Side = 'front' | 'back';
const glyph: Record<Mark['kind'], string> = { crack: 'M-3 -2L-1 0L-2 1L1 3L0 1L3 2', 'shattered glass': 'M-3 0H3M0 -3V3M-2 -2L2 2M2 -2L-2 2', 'missing glass': 'M-2.6 2L0 -2.6L2.6 2Z', 'bent frame': 'M-3 -1Q0 3 3 -1', 'panel standing proud': 'M-3 1.6H3M-3 -1.4L3 -2.6', 'earlier repair': 'M-2.4 -2.4L2.4 2.4M2.4 -2.4L-2.4 2.4' };

/** State on arrival: marks on the device's outline, put down by click and moved by the arrow keys. */
export function OutlineMarks({ outline, marks, onChange }: { outline: { widthMm: number; heightMm: number; cornerMm: number }; marks: Mark[]; onChange: (m: Mark[]) => void }) {
  const [kind, setKind] = useState<Mark['kind']>('crack');
  const next = useRef(0);
  const { widthMm: W, heightMm: H } = outline;
  const fresh = () => { let id: string; do { next.current += 1; id = `m${next.current}`; } while (marks.some((m) => m.id === id)); return id; };
  const add = (side: Side, x: number, y: number) => onChange([...marks, { id: fresh(), side, x: round(x, W), y: round(y, H), kind }]);
  const move = (m: Mark, dx: number, dy: number) => onChange(marks.map((k) => (k.id === m.id ? { ...k, x: round(k.x + dx, W), y: round(k.y + dy, H) } : k)));
  const remove = (id: string) => onChange(marks.filter((k) => k.id !== id));
  return (
    <div className="stack">
      <div className="row" role="radiogroup" aria-label="Kind of mark" style={{ gap: 6 }}>{markKinds.map((k) => <button key={k} type="button" role="radio" aria-checked={k === kind} className={`btn slim ${k === kind ? 'on' : ''}`} onClick={() => setKind(k)}>{k}</button>)}</div>
      <div className="row" style={{ alignItems: 'flex-start', gap: 24 }}>
        {(['front', 'back'] as const).map((side) => (
          <figure key={side} style={{ margin: 0, flex: '0 0 150px' }}>
            {/* biome-ignore lint/a11y/useKeyWithClickEvents: the button below puts a mark down by keyboard, the arrow keys move it */}
            <svg viewBox={`-2 -2 ${W + 4} ${H + 4}`} width="150" role="img" aria-label={`Outline, ${side}`} style={{ cursor: 'crosshair', display: 'block' }}
              onClick={(e) => { const r = e.currentTarget.getBoundingClientRect(); const s = (W + 4) / r.width; add(side, (e.clientX - r.left) * s - 2, (e.clientY - r.top) * s - 2); }}>
              <rect width={W} height={H} rx={outline.cornerMm} fill="var(--glass)" stroke="var(--ink)" strokeWidth={0.8} />
              {side === 'front' ? <rect x={4} y={6} width={W - 8} height={H - 12} rx={outline.cornerMm - 3} fill="none" stroke="var(--metal)" strokeWidth={0.5} /> : <circle cx={W - 16} cy={16} r={8} fill="none" stroke="var(--metal)" strokeWidth={0.5} />}
              {marks.filter((m) => m.side === side).map((m) => <g key={m.id} transform={`translate(${m.x} ${m.y}) scale(1.7)`}><circle r={4} fill="var(--brick-soft)" stroke="var(--brick)" strokeWidth={0.5} /><path d={glyph[m.kind]} fill="none" stroke="var(--brick)" strokeWidth={0.8} /></g>)}
            </svg>
            <figcaption className="small muted" style={{ textAlign: 'center' }}>{side}<br /><button type="button" className="btn slim" onClick={() => add(side, W / 2, H / 2)}>{`mark ${side}`}</button></figcaption>
          </figure>
        ))}
        <ul style={{ listStyle: 'none', padding: 0, margin: 0, flex: '1 1 100%' }}>
          {marks.length === 0 && <li className="muted small">No marks: click where the device is damaged, or record that it is not by leaving this empty. A panel standing proud sets the device to “swollen” until a lead clears it.</li>}
          {marks.some((m) => conditionOfMark[m.kind]) && <li className="note stop small" style={{ marginBottom: 8 }}>{`Sets the device to ${[...new Set(marks.map((m) => conditionOfMark[m.kind]).filter(Boolean))].map((c) => `“${c}”`).join(' and ')} until an owner or lead clears it.`}</li>}
          {marks.map((m) => (
            <li key={m.id} className="row" style={{ gap: 6, marginBottom: 6, flexWrap: 'nowrap' }}>
              <button type="button" className="btn slim" style={{ textAlign: 'left' }} aria-label={`${m.kind} on the ${m.side}: arrow keys move it`} onKeyDown={(e) => { const d = { ArrowLeft: [-2, 0], ArrowRight: [2, 0], ArrowUp: [0, -2], ArrowDown: [0, 2] }[e.key] as [number, number] | undefined; if (d) { e.preventDefault(); move(m, ...d); } }}><span className="strong">{m.kind}</span><br /><span className="muted small">{`${m.side}, ${Math.round(m.x)} × ${Math.round(m.y)} mm`}</span></button>
              <button type="button" className="btn slim" aria-label={`Remove ${m.kind}`} onClick={() => remove(m.id)}>×</button>
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}
const round = (v: number, max: number) => Math.round(Math.min(max, Math.max(0, v)) * 10) / 10;
