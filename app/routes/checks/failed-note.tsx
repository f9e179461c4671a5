import * as wording from '../../../words/screens/checks';
import { Button } from 'antd';
import { useNavigation, useSubmit } from 'react-router';
import { reseatFor } from '../../../core/checks/reseat';
import { Note } from '../../ui/note';
import { list, thingName } from '../../../words/things';
import { functionName } from '../../../words/functions';
import type { ChecksState } from './use-checks';

/** What does not work now, and the way to what was touched last. */
export function FailedNote({ checks }: { checks: ChecksState }) {
  const { failed, index, state, page } = checks;
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const functions = failed.map((f) => f.function);
  const look = reseatFor(index, state, functions);
  return (
    <Note tone="stop">
      <div className="strong">
        {wording.doesNotWorkNowThe(list(functions.map((f) => functionName[f as 'touch'])))}
      </div>
      <p>{wording.cellOffReseatWhatWas}</p>
      <div className="row top-6">
        <Button
          danger
          disabled={busy || !look.length}
          onClick={() => {
            void submit(JSON.stringify({ command: crypto.randomUUID(), tasks: look }), {
              method: 'post',
              action: `/jobs/${page.id}/route`,
              encType: 'application/json',
            });
          }}
        >
          {wording.planTheWayToThe(list(look.map((t) => thingName(index, t.slot))))}
        </Button>
      </div>
    </Note>
  );
}
