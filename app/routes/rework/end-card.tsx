import { Button } from 'antd';
import * as wording from '../../../words/screens/rework';
import { EndButtons } from './end-buttons';
import type { Rework } from './use-rework';

/** All steps are done: how it ended. It closes the step of the route and counts for the next one's chance. */
export function EndCard({ rework }: { rework: Rework }) {
  return (
    <section className="card stack gap-8" aria-label={wording.howEnded}>
      <h1>{wording.howEnded}</h1>
      <div className="row">
        <Button
          size="large"
          type="primary"
          disabled={rework.ended}
          onMouseDown={(e) => e.preventDefault()}
          onClick={rework.next}
        >
          {wording.outcomeName.works}
        </Button>
        <EndButtons rework={rework} />
      </div>
    </section>
  );
}
