import { Button } from 'antd';
import { reworkOutcomes } from '../../../core/log/events';
import * as wording from '../../../words/screens/rework';
import type { Rework } from './use-rework';

/** All steps are done: how it ended. It closes the step of the route and counts for the next one's chance. */
export function EndCard({ rework: { end, ended } }: { rework: Rework }) {
  return (
    <section className="card stack gap-8" aria-label={wording.howEnded}>
      <h1>{wording.howEnded}</h1>
      <div className="row">
        {reworkOutcomes.map((outcome) => (
          <Button
            key={outcome}
            size="large"
            type={outcome === 'works' ? 'primary' : 'default'}
            danger={outcome === 'part lost'}
            disabled={ended}
            onClick={() => end(outcome)}
          >
            {wording.outcomeName[outcome]}
          </Button>
        ))}
      </div>
    </section>
  );
}
