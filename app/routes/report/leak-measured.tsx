import type { LeakSample } from '../../../core/leak/fit';
import type { BodyOf } from '../../../core/log/events';
import { leakMeasured } from '../../../words/report';
import { LeakChart } from '../../ui/leak/leak-chart';
import { useCurve } from './use-curve';

interface Curve {
  samples: LeakSample[];
  settledPa: number;
}
/** What the leak tester read, and its curve. */
export function LeakMeasured({
  job,
  measured,
}: {
  job: string;
  measured: NonNullable<BodyOf<'leakTested'>['measured']>;
}) {
  const curve = useCurve<Curve>(`/jobs/${job}/leak/${measured.id}.json`);
  return (
    <>
      <p>{leakMeasured(measured)}</p>
      {curve && (
        <LeakChart
          samples={curve.samples}
          holdS={measured.holdS}
          limitPaS={measured.limitPaS}
          settledPa={curve.settledPa}
          height={170}
        />
      )}
    </>
  );
}
