import { useEffect, useState } from 'react';
import type { LeakSample } from '../../../core/leak/fit';
import type { BodyOf } from '../../../core/log/events';
import { leakMeasured } from '../../../words/report';
import { LeakChart } from '../../ui/leak/leak-chart';

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
  const [curve, setCurve] = useState<Curve>();
  const address = `/jobs/${job}/leak/${measured.id}.json`;
  useEffect(() => {
    const gone = new AbortController();
    void fetch(address, { signal: gone.signal })
      .then(async (res) => (res.ok ? ((await res.json()) as Curve) : undefined))
      .then(setCurve)
      .catch(() => {});
    return () => gone.abort();
  }, [address]);
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
