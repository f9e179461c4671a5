import { Button } from 'antd';
import { useRef, useState } from 'react';
import { conditionOfMark } from '../../../core/job/condition-rules';
import { type Mark, markKinds, markSides } from '../../../core/job/events';
import { noGoOfMarks } from '../../../core/job/mark-rules';
import { Pick } from '../../ui/pick';
import { PhotoButton } from '../../ui/photo-button';
import { Note } from '../../ui/note';

type Side = Mark['side'];
/** Drawn by us, each in a field of eight by eight. */
const glyph: Record<Mark['kind'], string> = {
  crack: 'M-3 -2L-1 0L-2 1L1 3L0 1L3 2',
  'shattered glass': 'M-3 0H3M0 -3V3M-2 -2L2 2M2 -2L-2 2',
  'missing glass': 'M-2.6 2L0 -2.6L2.6 2Z',
  dent: 'M-3 -1.5H-1.6Q0 3 1.6 -1.5H3',
  'bent frame': 'M-3 -1Q0 3 3 -1',
  'panel standing proud': 'M-3 1.6H3M-3 -1.4L3 -2.6',
  'liquid mark': 'M0 -3Q2.6 0.4 1.6 2Q0 3.4 -1.6 2Q-2.6 0.4 0 -3Z',
  'foreign screw': 'M-2.4 0A2.4 2.4 0 1 0 2.4 0A2.4 2.4 0 1 0 -2.4 0M-1.2 -1.2L1.2 1.2M-1.2 1.2L1.2 -1.2',
  'stripped head':
    'M-2.4 0A2.4 2.4 0 1 0 2.4 0A2.4 2.4 0 1 0 -2.4 0M-0.8 0A0.8 0.8 0 1 0 0.8 0A0.8 0.8 0 1 0 -0.8 0',
  'earlier glue': 'M-3 1Q-1.5 -2 0 0T3 -1',
  'missing magnet': 'M-2 2.4V0A2 2 0 0 1 2 0V2.4M-2.8 2.4H-1.2M1.2 2.4H2.8',
  dust: 'M-2.6 -1.6L-2 -1.2M0.2 -2.6L0.9 -2.2M2 -0.4L2.6 0M-1 0.4L-0.4 0.9M-2.6 2.2L-2 2.6M1 2L1.7 2.4',
  'liquid indicator changed':
    'M-2.6 -2.6H2.6V2.6H-2.6ZM0 -1.6Q1.5 0.4 0.9 1.2Q0 1.8 -0.9 1.2Q-1.5 0.4 0 -1.6Z',
  hairline: 'M-3 2.4L-0.6 0.2L0.4 0.6L3 -2.4',
  'earlier repair': 'M-2.4 -2.4L2.4 2.4M2.4 -2.4L-2.4 2.4',
};
const severityName = { 1: 'slight', 2: 'plain', 3: 'bad' } as const;
interface Outline {
  widthMm: number;
  heightMm: number;
  cornerMm: number;
}
interface Props {
  outline: Outline;
  marks: Mark[];
  photos: { id: string; mark?: string }[];
  photoUrl: (id: string) => string;
  onChange: (m: Mark[]) => void;
  onPhoto: (files: readonly File[], mark: string) => void;
}

/** State on arrival: marks on both outlines and on the frame, put down by click or key, moved by the arrow keys. */
export function OutlineMarks({ outline, marks, photos, photoUrl, onChange, onPhoto }: Props) {
  const [kind, setKind] = useState<Mark['kind']>('crack');
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
  const place = (side: Side, x: number, y: number) =>
    side === 'frame' ? ontoRim(x, y, outline) : { x: round(x, W), y: round(y, H) };
  const add = (side: Side, x: number, y: number) =>
    onChange([...marks, { id: fresh(), side, ...place(side, x, y), kind, severity: 2 }]);
  const edit = (id: string, c: Partial<Mark>) =>
    onChange(marks.map((k) => (k.id === id ? { ...k, ...c } : k)));
  const sets = [...new Set(marks.map((m) => conditionOfMark[m.kind]).filter(Boolean))];
  const noGo = noGoOfMarks(marks, outline);
  return (
    <div className="stack gap-8">
      <div role="radiogroup" aria-label="Kind of mark" className="grid thirds gap-4">
        {markKinds.map((k) => (
          <Button
            key={k}
            role="radio"
            aria-checked={k === kind}
            tabIndex={k === kind ? 0 : -1}
            onKeyDown={(e) => {
              const d = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key];
              if (d) {
                e.preventDefault();
                const i = (markKinds.indexOf(k) + d + markKinds.length) % markKinds.length;
                setKind(markKinds[i]!);
                (e.currentTarget.parentElement?.children[i] as HTMLElement | undefined)?.focus();
              }
            }}
            type={k === kind ? 'primary' : 'default'}
            className="small"
            style={{
              padding: '2px 7px',
              gap: 5,
              justifyContent: 'flex-start',
              textAlign: 'left',
              lineHeight: 1.1,
            }}
            onClick={() => setKind(k)}
          >
            <svg viewBox="-4 -4 8 8" width="16" height="16" aria-hidden="true">
              <path d={glyph[k]} fill="none" stroke="currentcolor" strokeWidth={0.9} />
            </svg>
            {k}
          </Button>
        ))}
      </div>
      <div className="row high gap-10 one-line apart">
        {markSides.map((side) => (
          <figure key={side} style={{ margin: 0, flex: '1 1 0', maxWidth: 132 }}>
            {/* biome-ignore lint/a11y/useKeyWithClickEvents: the button below puts a mark down by keyboard, the arrow keys move it */}
            <svg
              viewBox={`-4 -4 ${W + 8} ${H + 8}`}
              width="100%"
              role="img"
              aria-label={`Outline, ${side}`}
              style={{ cursor: 'crosshair', display: 'block' }}
              onClick={(e) => {
                const r = e.currentTarget.getBoundingClientRect();
                const s = (W + 8) / r.width;
                add(side, (e.clientX - r.left) * s - 4, (e.clientY - r.top) * s - 4);
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
              {side === 'front' && (
                <rect
                  x={4}
                  y={6}
                  width={W - 8}
                  height={H - 12}
                  rx={outline.cornerMm - 3}
                  fill="none"
                  stroke="var(--metal)"
                  strokeWidth={0.5}
                />
              )}
              {side === 'back' && (
                <circle cx={W - 16} cy={16} r={8} fill="none" stroke="var(--metal)" strokeWidth={0.5} />
              )}
              {side === 'frame' && (
                <>
                  <rect
                    x={7}
                    y={7}
                    width={W - 14}
                    height={H - 14}
                    rx={outline.cornerMm - 4}
                    fill="var(--card)"
                    stroke="var(--metal)"
                    strokeWidth={0.5}
                  />
                  <text x={W / 2} y={H / 2} textAnchor="middle" fontSize={7} fill="var(--muted)">
                    seen from front
                  </text>
                </>
              )}
              {side === 'front' &&
                noGo.map((n) => (
                  <line
                    key={`${n.edge}${n.fromMm}`}
                    {...stretchLine(n, W, H)}
                    stroke="var(--brick)"
                    strokeWidth={2}
                    strokeDasharray="2 1.4"
                  />
                ))}
              {marks
                .filter((m) => m.side === side)
                .map((m) => (
                  <g
                    key={m.id}
                    transform={`translate(${m.x} ${m.y}) scale(${1.3 + 0.35 * (m.severity ?? 2)})`}
                  >
                    <circle r={4} fill="var(--brick-soft)" stroke="var(--brick)" strokeWidth={0.5} />
                    <path d={glyph[m.kind]} fill="none" stroke="var(--brick)" strokeWidth={0.8} />
                  </g>
                ))}
            </svg>
            <figcaption className="to-middle top-4">
              <Button
                aria-label={`mark ${side}`}
                onClick={() => add(side, side === 'frame' ? W : W / 2, H / 2)}
              >
                {side}
              </Button>
            </figcaption>
          </figure>
        ))}
      </div>
      <ul className="list">
        {marks.length === 0 && (
          <li className="muted small">
            No marks: click where the device is damaged, or record that it is not by leaving this empty. A
            panel standing proud sets the device to “swollen” until a lead clears it.
          </li>
        )}
        {marks.map((m) => (
          <li key={m.id} className="row" style={{ gap: 6, flexWrap: 'nowrap', padding: '3px 0' }}>
            <Button
              className="fill to-left begin shrinks"
              aria-label={`${m.kind} on the ${m.side}: arrow keys move it`}
              onKeyDown={(e) => {
                const d = { ArrowLeft: [-2, 0], ArrowRight: [2, 0], ArrowUp: [0, -2], ArrowDown: [0, 2] }[
                  e.key
                ] as [number, number] | undefined;
                if (d) {
                  e.preventDefault();
                  edit(m.id, place(m.side, m.x + d[0], m.y + d[1]));
                }
              }}
            >
              <span>
                <span className="strong">{m.kind}</span>
                <span className="muted small">{` ${m.side}, ${Math.round(m.x)} × ${Math.round(m.y)} mm`}</span>
              </span>
            </Button>
            <Pick
              aria-label={`How bad: ${m.kind}`}
              value={m.severity ?? 2}
              onChange={(value) => edit(m.id, { severity: Number(value) as 1 | 2 | 3 })}
              options={([1, 2, 3] as const).map((s) => ({ value: s, label: severityName[s] }))}
            />
            {photos
              .filter((p) => p.mark === m.id)
              .map((p) => (
                <a key={p.id} href={photoUrl(p.id)} target="_blank" rel="noreferrer">
                  <img
                    src={photoUrl(p.id)}
                    alt={`${m.kind}, ${m.side}`}
                    width={44}
                    height={44}
                    style={{ objectFit: 'cover', borderRadius: 8, display: 'block' }}
                  />
                </a>
              ))}
            <PhotoButton label={`Photograph: ${m.kind}`} onFiles={(f) => onPhoto(f, m.id)} />
            <Button
              aria-label={`Remove ${m.kind}`}
              onClick={() => onChange(marks.filter((k) => k.id !== m.id))}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      {sets.length > 0 && (
        <Note
          tone="stop"
          className="small"
        >{`Sets the device to ${sets.map((c) => `“${c}”`).join(' and ')} until an owner or lead clears it.`}</Note>
      )}
      {noGo.length > 0 && (
        <Note className="small">{`No pick goes in at the ${[...new Set(noGo.map((n) => n.edge))].join(' and ')} edge where glass is missing.`}</Note>
      )}
    </div>
  );
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
function stretchLine(n: { edge: string; fromMm: number; toMm: number }, W: number, H: number) {
  if (n.edge === 'left' || n.edge === 'right') {
    const x = n.edge === 'left' ? 0 : W;
    return { x1: x, x2: x, y1: n.fromMm, y2: n.toMm };
  }
  const y = n.edge === 'top' ? 0 : H;
  return { x1: n.fromMm, x2: n.toMm, y1: y, y2: y };
}
