import * as wording from '../../../words/screens/sort';
import { Button } from 'antd';
import { useState } from 'react';
import type { Body } from '../../../core/log/events';
import type { JobState } from '../../../core/log/state';
import { originalPiece } from '../../../core/vocabulary/pieces';
import { pieceInHole, piecesAt } from '../../../core/log/view';
import type { IndexedModel } from '../../../core/model/index-model';
import { plural, thingName } from '../../../words/things';

/** Which screws are mixed: those of a knocked mat, or of a device that came with its screws in a bag. */
export function LooseForm({
  index,
  state,
  onReport,
}: {
  index: IndexedModel;
  state: JobState;
  onReport: (b: Body) => void;
}) {
  const brackets = [...new Set(index.model.fasteners.map((f) => f.holds[0]!))];
  const [on, setOn] = useState<readonly string[]>([]);
  const piece = (f: string) => piecesAt(state, `mat/${f}`)[0] ?? pieceInHole(state, f) ?? originalPiece(f);
  const pieces = index.model.fasteners.filter((f) => on.includes(f.holds[0]!)).map((f) => piece(f.id));
  const lying = Object.keys(state.place).filter((p) => state.place[p]!.startsWith('mat/'));
  return (
    <section className="card stack" aria-label={wording.whichScrewsAreMixed}>
      <h1>{wording.sortScrews}</h1>
      <p>{wording.whenAMatWasKnocked}</p>
      {lying.length > 0 && (
        <div>
          <Button type="primary" onClick={() => onReport({ type: 'spilled', pieces: lying })}>
            {wording.allOfTheMat(plural(lying.length, 'screw'))}
          </Button>
        </div>
      )}
      <div className="field">
        <span className="label">{wording.screwsThatCameLooseWith}</span>
        <div className="row gap-6">
          {brackets.map((b) => (
            <Button
              key={b}
              type={on.includes(b) ? 'primary' : 'default'}
              aria-pressed={on.includes(b)}
              onClick={() => setOn(on.includes(b) ? on.filter((x) => x !== b) : [...on, b])}
            >{`${thingName(index, b)} (${index.model.fasteners.filter((f) => f.holds[0] === b).length})`}</Button>
          ))}
          <Button onClick={() => setOn(on.length === brackets.length ? [] : brackets)}>
            {on.length === brackets.length ? wording.none : wording.allOfTheDevice}
          </Button>
        </div>
      </div>
      <div>
        <Button disabled={!pieces.length} onClick={() => onReport({ type: 'spilled', pieces })}>
          {wording.inTheHeap(plural(pieces.length, 'screw'))}
        </Button>
      </div>
    </section>
  );
}
