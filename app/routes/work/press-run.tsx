import { Button } from 'antd';
import { useRef, useState } from 'react';
import { forceN, pressureKPa, sealAreaMm2, usualPress } from '../../../core/seal/press';
import type { ForceSample, Pressed } from '../../../core/seal/press-curve';
import {
  type PressedDevice,
  pressedDevices,
  type PressFault,
  type PressLine,
} from '../../../core/wire/press-run';
import { perimeterSeal } from '../../../core/model/seals';
import * as wording from '../../../words/screens/press';
import { benchTime } from '../../job/clock';
import { toldBy } from '../../job/told';
import { Field } from '../../ui/field';
import { ForceChart } from '../../ui/force-chart';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import type { WorkState } from './use-work';
import { noFocus } from './work-keys';

type State =
  | { at: 'rest' | 'pressing' }
  | { at: 'pressed'; pressed: Pressed }
  | { at: 'failed'; fault: PressFault | 'no server' };

/** Runs the press by its gauge, and has its curve as it grows. */
function usePress(work: WorkState, target: string, holdS: number) {
  const [state, setState] = useState<State>({ at: 'rest' });
  const [samples, setSamples] = useState<readonly ForceSample[]>([]);
  const running = useRef(false);
  const run = async (simulate: PressedDevice, begins: boolean): Promise<PressFault | undefined> => {
    if (running.current) return undefined;
    running.current = true;
    setSamples([]);
    setState({ at: 'pressing' });
    let ended = false;
    let fault: PressFault | undefined;
    try {
      const ask = { command: crypto.randomUUID(), ...benchTime(), target, holdS, begins, simulate };
      for await (const line of toldBy<PressLine>(`/jobs/${work.page.id}/press`, ask)) {
        if (line.say === 'pressing') {
          setSamples((before) => [...before, ...line.samples]);
          continue;
        }
        ended = true;
        if (line.say === 'failed') fault = line.fault;
        setState(
          line.say === 'pressed'
            ? { at: 'pressed', pressed: line.pressed }
            : { at: 'failed', fault: line.fault },
        );
      }
    } catch {
      // said below
    } finally {
      running.current = false;
      if (!ended) setState({ at: 'failed', fault: 'no server' });
      void work.replica.sync();
    }
    return fault;
  };
  return { state, samples, run };
}

/** A seal under the press: what it is set to and what that is over this seal; run by its gauge, its curve is kept. */
export function PressRun({ work, holdS }: { work: WorkState; holdS: number }) {
  const { index, who, act, page } = work;
  const target = work.target?.split(':')[0] ?? 'frame';
  const { state, samples, run } = usePress(work, target, holdS);
  const [device, setDevice] = useState<PressedDevice>('holds');
  const set = who.settings.press ?? usualPress;
  const setN = forceN(set);
  const seal = index.bonds.get(target) ?? perimeterSeal(index);
  const kPa = seal && pressureKPa(setN, sealAreaMm2(seal));
  const pressing = state.at === 'pressing';
  const last = samples.at(-1);
  const start = async () => {
    const begins = work.target?.endsWith(':start') ?? false;
    // what stands against it is shown as for the pedal
    if ((await run(device, begins)) === 'stopped by a rule' && begins)
      act({ type: 'acted', act: 'press', target: work.target!, forS: holdS });
  };
  return (
    <Note role="region" className="top-10" layout="stack" aria-label={wording.press}>
      {kPa !== undefined && (
        <p className="m-0 strong" data-testid="press-set">
          {wording.setTo(set.force, set.unit, Math.round(setN), Math.round(kPa / 10) * 10)}
        </p>
      )}
      <p className="m-0">{wording.checkFirst}</p>
      {set.models && !set.models.includes(index.model.id) && <p className="m-0 brick">{wording.noPlate}</p>}
      <div className="row mid">
        <Button onMouseDown={noFocus} loading={pressing} onClick={() => void start()}>
          {wording.byGauge}
        </Button>
        {pressing && (
          <span role="status">{wording.now(Math.round(last?.forceN ?? 0), (last?.tS ?? 0).toFixed(0))}</span>
        )}
        {state.at === 'pressed' && (
          <span role="status" data-testid="press-verdict">
            {wording.verdict[state.pressed.verdict](
              Math.round(state.pressed.meanN || state.pressed.peakN),
              Math.round(state.pressed.heldS),
            )}
          </span>
        )}
      </div>
      {state.at === 'failed' && (
        <p className="brick m-0" role="alert">
          {wording.fault[state.fault]}
        </p>
      )}
      {samples.length > 0 && <ForceChart samples={samples} setN={setN} />}
      {page.gaugeSimulated && !pressing && (
        <Field label={wording.standIn} htmlFor="pressed-device">
          <Pick
            id="pressed-device"
            letGo
            value={device}
            onChange={setDevice}
            options={pressedDevices.map((d) => ({ value: d, label: wording.deviceName[d] }))}
          />
        </Field>
      )}
      <p className="small muted m-0">{wording.orByHand}</p>
    </Note>
  );
}
