import * as wording from '../../../words/screens/receive';
import { Button } from 'antd';
import { useState } from 'react';
import { conditionOfMark } from '../../../core/rules/condition-rules';
import { type Mark, markKinds, markSides } from '../../../core/log/events';
import { noGoOfMarks } from '../../../core/rules/mark-rules';
import { Note } from '../../ui/note';
import { glyph } from './mark-glyph';
import { MarkRow } from './mark-row';
import { OutlineFigure } from './outline-figure';
import { type Outline, useMarks } from './use-marks';

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
  const { add, edit, move, remove } = useMarks(outline, marks, onChange);
  const sets = [...new Set(marks.map((m) => conditionOfMark[m.kind]).filter(Boolean))];
  const noGo = noGoOfMarks(marks, outline);
  return (
    <div className="stack gap-8">
      <MarkKinds kind={kind} onKind={setKind} />
      <div className="row high gap-10 one-line apart">
        {markSides.map((side) => (
          <OutlineFigure
            key={side}
            side={side}
            outline={outline}
            marks={marks.filter((m) => m.side === side)}
            noGo={noGo}
            onAdd={(x, y) => add(kind, side, x, y)}
          />
        ))}
      </div>
      <ul className="list">
        {marks.length === 0 && <li className="muted small">{wording.noMarksClickWhereThe}</li>}
        {marks.map((m) => (
          <MarkRow
            key={m.id}
            mark={m}
            photos={photos.filter((p) => p.mark === m.id).map((p) => photoUrl(p.id))}
            onMove={(by) => move(m, by)}
            onSeverity={(severity) => edit(m.id, { severity })}
            onPhoto={(f) => onPhoto(f, m.id)}
            onRemove={() => remove(m.id)}
          />
        ))}
      </ul>
      {sets.length > 0 && (
        <Note tone="stop" className="small">
          {wording.setsTheDeviceToUntil(sets.map((c) => `“${c}”`).join(' and '))}
        </Note>
      )}
      {noGo.length > 0 && (
        <Note className="small">
          {wording.noPickGoesInAt([...new Set(noGo.map((n) => n.edge))].join(' and '))}
        </Note>
      )}
    </div>
  );
}

/** What the next click puts down: one of the kinds, by click or by the arrow keys. */
function MarkKinds({ kind, onKind }: { kind: Mark['kind']; onKind: (k: Mark['kind']) => void }) {
  const steps: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };
  return (
    <div role="radiogroup" aria-label={wording.kindOfMark} className="grid thirds gap-4">
      {markKinds.map((k) => (
        <Button
          key={k}
          role="radio"
          aria-checked={k === kind}
          tabIndex={k === kind ? 0 : -1}
          onKeyDown={(event) => {
            const by = steps[event.key];
            if (!by) return;
            event.preventDefault();
            const i = (markKinds.indexOf(k) + by + markKinds.length) % markKinds.length;
            onKind(markKinds[i]!);
            (event.currentTarget.parentElement?.children[i] as HTMLElement | undefined)?.focus();
          }}
          type={k === kind ? 'primary' : 'default'}
          className="small mark-kind"
          onClick={() => onKind(k)}
        >
          <svg viewBox="-4 -4 8 8" width="16" height="16" aria-hidden="true">
            <path d={glyph[k]} fill="none" stroke="currentcolor" strokeWidth={0.9} />
          </svg>
          {k}
        </Button>
      ))}
    </div>
  );
}
