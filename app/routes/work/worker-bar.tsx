import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/work';
import { Button } from 'antd';
import { flag, type JobState } from '../../../core/log/state';
import type { JobPage } from '../../../core/wire/job-page';
import type { Who } from '../../../core/wire/who';
import { Note } from '../../ui/note';

/** Somebody else works on this device: said, and taken over by an entry of its own. */
export function WorkerBar({
  state,
  who,
  page,
  onTake,
}: {
  state: JobState;
  who: Who;
  page: JobPage;
  onTake: () => void;
}) {
  const { soon } = useFormats();
  const w = flag(state, 'worker');
  if (!w || w.by === who.personId || flag(state, 'ending') !== undefined) return null;
  return (
    <Note layout="row" role="status" className="worker-bar">
      <span className="fill">
        {wording.worksOnThisSince(
          page.people[w.by] ?? 'Somebody',
          w.bench ? ` at ${w.bench}` : '',
          soon(w.at, page.now),
        )}
      </span>
      <Button onMouseDown={(e) => e.preventDefault()} onClick={onTake}>
        {wording.takeItOver}
      </Button>
    </Note>
  );
}
