import { useEffect, useState } from 'react';
import type { LeakSample } from '../../../core/leak/fit';
import type { BodyOf } from '../../../core/log/events';
import { leakMeasured } from '../../../words/report';
import { LeakChart } from '../../ui/leak/leak-chart';

/** What the leak tester read, and its curve. */
export function LeakMeasured({
  job,
  measured,
}: {
  job: string;
  measured: NonNullable<BodyOf<'leakTested'>['measured']>;
}) {
  const [samples, setSamples] = useState<readonly LeakSample[]>([]);
  const address = `/jobs/${job}/leak/${measured.id}.json`;
  useEffect(() => {
    const gone = new AbortController();
    void fetch(address, { signal: gone.signal })
      .then(async (res) => (res.ok ? ((await res.json()) as { samples: LeakSample[] }).samples : []))
      .then(setSamples)
      .catch(() => {});
    return () => gone.abort();
  }, [address]);
  return (
    <>
      <p>{leakMeasured(measured)}</p>
      {samples.length > 0 && (
        <LeakChart samples={samples} holdS={measured.holdS} limitPaS={measured.limitPaS} height={170} />
      )}
    </>
  );
}
