import * as wording from '../../../words/screens/work';
import type { JobState } from '../../../core/log/state';
import { holderOf } from '../../../core/vocabulary/pieces';
import type { IndexedModel } from '../../../core/model/index-model';
import { replacedSlots } from '../../../core/log/view';
import { pieceName } from '../../../words/things';

/** Parts that lie beside the device, and what has been put aside for good. */
export function Tray({
  index,
  state,
  lit,
}: {
  index: IndexedModel;
  state: JobState;
  lit: readonly string[];
}) {
  const replaced = replacedSlots(state);
  const pieces = Object.keys(state.place).filter(
    (p) => state.place[p] === 'tray' || state.place[p]!.startsWith('aside/'),
  );
  return (
    <div>
      <div className="small muted under-4">{wording.tray}</div>
      <div className="grid halves gap-6">
        {pieces.length === 0 && <span className="muted small">{wording.noPartIsOut}</span>}
        {pieces.map((p) => {
          const aside = state.place[p]!.startsWith('aside/');
          return (
            <span key={p} className={`small in-tray ${lit.includes(holderOf(p)) ? 'lit' : ''}`}>
              {pieceName(index, p, aside ? [holderOf(p)] : replaced)}
              {aside && <span className="muted"> → {state.place[p]!.slice(6)}</span>}
            </span>
          );
        })}
      </div>
    </div>
  );
}
