import * as wording from '../../../words/screens/receive';
import { Button } from 'antd';
import type { Mark } from '../../../core/log/events';
import { PhotoButton } from '../../ui/photo-button';
import { Pick } from '../../ui/pick';

const severityName = { 1: 'slight', 2: 'plain', 3: 'bad' } as const;
const steps: Record<string, readonly [number, number]> = {
  ArrowLeft: [-2, 0],
  ArrowRight: [2, 0],
  ArrowUp: [0, -2],
  ArrowDown: [0, 2],
};

/** One mark: moved by the arrow keys, how bad it is, its photographs. */
export function MarkRow({
  mark: m,
  photos,
  onMove,
  onSeverity,
  onPhoto,
  onRemove,
}: {
  mark: Mark;
  /** Addresses of its photographs. */
  photos: readonly string[];
  onMove: (by: readonly [number, number]) => void;
  onSeverity: (s: 1 | 2 | 3) => void;
  onPhoto: (files: readonly File[]) => void;
  onRemove: () => void;
}) {
  return (
    <li className="row gap-6 one-line">
      <Button
        className="fill to-left begin shrinks"
        aria-label={wording.onTheArrowKeysMove(m.kind, m.side)}
        onKeyDown={(event) => {
          const by = steps[event.key];
          if (!by) return;
          event.preventDefault();
          onMove(by);
        }}
      >
        <span>
          <span className="strong">{m.kind}</span>
          <span className="muted small">{wording.mm(m.side, Math.round(m.x), Math.round(m.y))}</span>
        </span>
      </Button>
      <Pick
        aria-label={wording.howBad(m.kind)}
        value={m.severity ?? 2}
        onChange={(value) => onSeverity(Number(value) as 1 | 2 | 3)}
        options={([1, 2, 3] as const).map((s) => ({ value: s, label: severityName[s] }))}
      />
      {photos.map((src) => (
        <a key={src} href={src} target="_blank" rel="noreferrer">
          <img className="thumb" src={src} alt={`${m.kind}, ${m.side}`} width={44} height={44} />
        </a>
      ))}
      <PhotoButton label={wording.photograph(m.kind)} onFiles={onPhoto} />
      <Button aria-label={wording.remove(m.kind)} onClick={onRemove}>
        ×
      </Button>
    </li>
  );
}
