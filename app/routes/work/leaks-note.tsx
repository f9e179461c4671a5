import * as wording from '../../../words/screens/work';
import { Button } from 'antd';
import type { Task } from '../../../core/log/events';
import { leaks } from '../../../core/rules/interlocks/closing';
import { flag, type JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { perimeterSeal } from '../../../core/model/seals';
import { Note } from '../../ui/note';

/** The device as it is closed has failed its leak test: what can be done, and that nothing is claimed. */
export function LeaksNote({
  index,
  state,
  onReseal,
}: {
  index: IndexedModel;
  state: JobState;
  onReseal: (tasks: Task[]) => void;
}) {
  const leak = flag(state, 'leak');
  if (!leak || !leaks(state) || flag(state, 'ending') !== undefined) return null;
  const cover = perimeterSeal(index)?.holds[0] ?? index.coverSlots[0];
  return (
    <Note tone="stop" role="status" className="top-10">
      <p className="strong">
        {wording.itDoesNotHoldNothing(leak.lost ? `: ${leak.lost.value} ${leak.lost.unit} lost` : '')}
      </p>
      <p>{wording.lookForAProudCorner}</p>
      {cover && (
        <Button onClick={() => onReseal([{ slot: cover, action: 'reach' }])}>
          {wording.openItAndSealIt}
        </Button>
      )}
    </Note>
  );
}
