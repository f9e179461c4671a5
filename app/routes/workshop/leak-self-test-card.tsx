import { Button } from 'antd';
import { useCallback, useState } from 'react';
import { useRevalidator } from 'react-router';
import { trustOf } from '../../../core/leak/self-test';
import { type ReferenceDevice, referenceDevices } from '../../../core/wire/leak-test';
import type { ShopSettings } from '../../../core/wire/who';
import * as wording from '../../../words/screens/leak';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { LeakChart } from '../../ui/leak/leak-chart';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import { useLeakTest } from '../work/leak/use-leak-test';

const tones = { good: 'safe', due: 'warn', failed: 'stop' } as const;
const nothingMore = () => ({});

/** The tester's own test: it has to find a leak of known size. */
export function LeakSelfTest({
  settings,
  simulated,
  now,
}: {
  settings: ShopSettings;
  simulated: boolean;
  now: number;
}) {
  const { leakTester: set, leakSelfTest: last } = settings;
  const { revalidate } = useRevalidator();
  const done = useCallback(() => void revalidate(), [revalidate]);
  const { state, samples, run } = useLeakTest<ReferenceDevice>('/leak-self-test', nothingMore, done);
  const [device, setDevice] = useState<ReferenceDevice>('reference');
  const { dayAndClock } = useFormats();
  const running = state.at === 'evacuating' || state.at === 'holding';
  const trust = trustOf(last, now);
  if (!set) return null;
  return (
    <section className="stack gap-8" aria-label={wording.ownTest}>
      <h3>{wording.ownTest}</h3>
      <p className="muted small m-0">{wording.ownTestMeans}</p>
      <Note tone={tones[trust]} role="status">
        {last ? (
          <span suppressHydrationWarning>
            {`${wording.trust[trust]}: ${dayAndClock(last.at)}, ${wording.triedAs(last.ratePaS.toFixed(2), (2 * last.errorPaS).toFixed(2), String(last.referencePaS))}.`}
          </span>
        ) : (
          wording.neverTried
        )}
      </Note>
      <div className="row">
        <Button loading={running} onClick={() => void run(device)}>
          {wording.tryIt}
        </Button>
        {running && (
          <span role="status">
            {state.at === 'evacuating'
              ? wording.evacuating
              : wording.holding((samples.at(-1)?.tS ?? 0).toFixed(0), set.holdS)}
          </span>
        )}
      </div>
      {state.at === 'failed' && (
        <Note tone="stop" role="alert">
          {state.fault === 'no server' ? wording.noServer : wording.fault[state.fault]}
        </Note>
      )}
      {samples.length > 0 && (
        <LeakChart
          samples={samples}
          holdS={set.holdS}
          limitPaS={set.limitPaS}
          settledPa={state.at === 'done' ? state.answer.settling.amplitudePa : undefined}
          height={160}
        />
      )}
      {simulated && !running && (
        <Field label={wording.standIn} htmlFor="reference-device">
          <Pick
            id="reference-device"
            value={device}
            onChange={setDevice}
            options={referenceDevices.map((d) => ({ value: d, label: wording.referenceName[d] }))}
          />
        </Field>
      )}
    </section>
  );
}
