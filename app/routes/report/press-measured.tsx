import type { BodyOf } from '../../../core/log/events';
import type { ForceSample } from '../../../core/seal/press-curve';
import { pressText } from '../../../words/press-text';
import { cap } from '../../../words/things';
import { ForceChart } from '../../ui/force-chart';
import { useCurve } from './use-curve';

/** What a press did by its gauge, and its curve. */
export function PressMeasured({ job, read }: { job: string; read: BodyOf<'pressRead'> }) {
  const curve = useCurve<{ samples: ForceSample[] }>(`/jobs/${job}/press/${read.id}.json`);
  return (
    <>
      <p>{cap(pressText(read))}.</p>
      {curve && <ForceChart samples={curve.samples} setN={read.setN} />}
    </>
  );
}
