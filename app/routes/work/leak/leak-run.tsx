import { Button, Tag } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { LeakAnswer } from '../../../../core/leak/leak';
import { trustOf } from '../../../../core/leak/self-test';
import { type LeakDevice, leakDevices } from '../../../../core/wire/leak-test';
import * as wording from '../../../../words/screens/leak';
import type { Role } from '../../../../core/vocabulary/roles';
import { benchTime } from '../../../job/clock';
import { Field } from '../../../ui/field';
import { LeakChart } from '../../../ui/leak/leak-chart';
import { Note } from '../../../ui/note';
import { Pick } from '../../../ui/pick';
import type { WorkState } from '../use-work';
import { noFocus } from '../work-keys';
import { useLeakTest } from './use-leak-test';

/** A test is one command of the bench, sent once. */
const command = () => ({ command: crypto.randomUUID(), ...benchTime() });
const kPa = (pa: number) => (pa / 1000).toFixed(1);

/** The leak tester is run from here: it draws down, holds, and its curve is judged and kept with the job. */
export function LeakRun({ work }: { work: WorkState }) {
  const { page, who, act, replica, target } = work;
  const set = who.settings.leakTester;
  const done = useCallback(() => void replica.sync(), [replica]);
  const { state, samples, run } = useLeakTest<LeakDevice>(`/jobs/${page.id}/leak-test`, command, done);
  const [device, setDevice] = useState<LeakDevice>('tight');
  const start = () => {
    if (!set) {
      document.getElementById('leak-lost')?.focus();
      return;
    }
    if (target === 'device:start')
      act({ type: 'acted', act: 'leak test', target: 'device:start', forS: set.holdS });
    void run(device);
  };
  const asked = useRef(work.leakRuns);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each press
  useEffect(() => {
    if (asked.current === work.leakRuns) return;
    asked.current = work.leakRuns;
    start();
  }, [work.leakRuns]);
  if (!set) return <NotSet role={who.role} />;
  const trust = trustOf(who.settings.leakSelfTest, page.now);
  const settled = state.at === 'done' ? state.answer.settling.amplitudePa : undefined;
  const running = state.at === 'evacuating' || state.at === 'holding';
  return (
    <section className="stack gap-8 below" aria-label={wording.leakTester}>
      {trust !== 'good' && set.referencePaS !== undefined && (
        <Note tone={trust === 'failed' ? 'stop' : 'warn'}>{wording.trust[trust]}.</Note>
      )}
      <span className="small muted">{wording.settings(kPa(set.setPa), set.holdS, String(set.limitPaS))}</span>
      <div className="row">
        <Button type="primary" onMouseDown={noFocus} loading={running} onClick={start}>
          {state.at === 'rest' ? wording.run : wording.runAgain}
        </Button>
        {running && (
          <span role="status">
            {state.at === 'evacuating'
              ? wording.evacuating
              : wording.holding((samples.at(-1)?.tS ?? 0).toFixed(0), set.holdS)}
          </span>
        )}
      </div>
      {state.at === 'done' && <Judged answer={state.answer} limitPaS={set.limitPaS} />}
      {samples.length > 0 && (
        <LeakChart
          samples={samples}
          holdS={set.holdS}
          limitPaS={set.limitPaS}
          settledPa={settled}
          height={180}
        />
      )}
      {running && <p className="small muted m-0">{wording.goesOn}</p>}
      {state.at === 'failed' && (
        <Note tone="stop" role="alert">
          {state.fault === 'no server' ? wording.noServer : wording.fault[state.fault]}
          {state.said && <span className="small muted"> {state.said}</span>}
        </Note>
      )}
      {page.testerSimulated && !running && (
        <Field label={wording.standIn} htmlFor="leak-device">
          <Pick
            id="leak-device"
            letGo
            value={device}
            onChange={setDevice}
            options={leakDevices.map((d) => ({ value: d, label: wording.deviceName[d] }))}
          />
        </Field>
      )}
      <p className="small muted m-0">{wording.byHand}</p>
    </section>
  );
}
function NotSet({ role }: { role: Role }) {
  return (
    <Note className="below">
      {wording.notSet}{' '}
      {role === 'owner' || role === 'lead' ? (
        <Link to="/workshop#leak-tester">{wording.setIt}</Link>
      ) : (
        wording.askSet
      )}
    </Note>
  );
}
const tones = { pass: 'success', fail: 'error', unclear: 'warning' } as const;
function Judged({ answer, limitPaS }: { answer: LeakAnswer; limitPaS: number }) {
  const { verdict, rateSteadyPaS, rateErrorPaS, leakSccm, leakTauS, settling, because } = answer;
  return (
    <div className="stack gap-4" data-testid="leak-verdict">
      <span>
        <Tag color={tones[verdict]}>{wording.verdictName[verdict]}</Tag>
      </span>
      {rateSteadyPaS !== undefined && rateErrorPaS !== undefined && leakSccm !== undefined && (
        <>
          <span>
            {wording.figures(rateSteadyPaS.toFixed(2), (2 * rateErrorPaS).toFixed(2), String(limitPaS))}
          </span>
          <span className="small muted">
            {[
              wording.sccm(leakSccm.toFixed(3)),
              settling.amplitudePa
                ? wording.settled(settling.amplitudePa.toFixed(0), settling.tauS.toFixed(0))
                : wording.nothingSettled,
              ...(leakTauS === undefined ? [] : [wording.fillsIn(leakTauS)]),
            ].join('; ')}
          </span>
        </>
      )}
      {verdict === 'unclear' && <Note>{because}</Note>}
      {verdict === 'fail' && (
        <Note tone="stop">
          <strong>{because}</strong> {wording.whereItLeaks}
        </Note>
      )}
    </div>
  );
}
