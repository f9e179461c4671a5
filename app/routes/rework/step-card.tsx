import { Button, Switch } from 'antd';
import type { ReworkStep } from '../../../core/rework/work-plan';
import { warms } from '../../../core/rework/work-plan';
import type { HotAirSaid } from '../../../core/wire/hot-air';
import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { left } from '../../../words/time';
import { useNow } from '../../job/ticker';
import { Note } from '../../ui/note';
import { useSpoken } from './use-spoken';
import { EndCard } from './end-card';
import { HeldCard } from './held-card';
import { ModuleSaid } from './module-test';
import { TrialButtons, Tries } from './trial-buttons';
import type { Rework } from './use-rework';

/** What to set for a step, in one line; empty where nothing is. */
export function settingOf({ air, ironC, lampS }: ReworkStep): string {
  if (air) return wording.air(air.setC, air.airPercent, air.distanceMm);
  if (ironC) return wording.iron(ironC);
  return lampS ? wording.lamp(lampS) : '';
}
/** What the pedal does now, in a word. */
export function pressOf(rework: Rework): string {
  const { step, work, blocked, pads, flashS, extraction, held } = rework;
  if (!step) return '';
  if (blocked === 'flash') return wording.flashing(left(flashS));
  if (blocked === 'pads') return wording.restGood(pads!.unseen);
  if (blocked === 'data') return step.id === 'save data' ? wording.readData : wording.writeData;
  if (blocked === 'module') return wording.moduleTest;
  if (blocked === 'trial') return wording.trialName.works;
  if (held.length) return wording.answerFirst;
  if (work?.heat?.step === step.id) return wording.done;
  if (warms(step) && !extraction) return wording.extraction;
  if (step.air) return wording.startAir;
  if (step.ironC) return wording.startIron;
  return step.lampS ? wording.startLamp : wording.done;
}
/** Whether a press of the pedal does something now. */
export const isPressable = ({ blocked, held, ended }: Rework): boolean =>
  !ended && blocked !== 'flash' && (blocked !== undefined || held.length === 0);
/** How long air, iron or lamp has been on this step, s; undefined where none is. */
export function useOnFor({ work, step }: Rework): number | undefined {
  const now = useNow();
  return work?.heat && work.heat.step === step?.id
    ? Math.max(0, Math.round((now - work.heat.since) / 1000))
    : undefined;
}
/** The step that is next, with its setting, what ends it and what to look at. */
export function StepCard({ rework, onScope }: { rework: Rework; onScope: () => void }) {
  const { step, plan, blocked, next, skip, programmer, module, due, work, slot, report } = rework;
  const onFor = useOnFor(rework);
  useSpoken(step && words.reworkSay(step.id).say);
  if (!step) return <EndCard rework={rework} />;
  const { name, say, stop, look } = words.reworkSay(step.id);
  const optional = step.optional || (step.id === 'save data' && !due);
  const goesWithout = step.id === 'save data' && due;
  return (
    <section className="card stack gap-8" aria-label={name}>
      <div className="spread">
        <span className="muted">
          {wording.stepOf(plan.findIndex((s) => s.id === step.id) + 1, plan.length)}
        </span>
        <Button onClick={onScope}>{wording.microscope}</Button>
      </div>
      {step.at && <p className="m-0 strong">{words.inClamp[step.at]}</p>}
      <h1 data-testid="rework-say">{say}</h1>
      <Tries rework={rework} />
      {step.laser && <Note tone="stop">{wording.laser}</Note>}
      <Setting step={step} />
      {warms(step) && <Extraction rework={rework} />}
      {onFor !== undefined && (
        <div className="big-timer" role="timer" data-testid="rework-timer">
          {left(onFor)}
        </div>
      )}
      {rework.station && <StationSaid said={rework.station} />}
      <dl className="facts m-0">
        <dt>{wording.stopsWhen}</dt>
        <dd>{stop}</dd>
        <dt>{wording.lookFor}</dt>
        <dd>{look}</dd>
      </dl>
      {module && <ModuleSaid test={module} work={work} />}
      {programmer?.fault && <Note tone="stop">{programmer.said || programmer.fault}</Note>}
      {blocked === 'pads' && <Note tone="warn">{wording.lookAtAll}</Note>}
      <HeldCard rework={rework} />
      <div className="row">
        <Button
          type="primary"
          size="large"
          disabled={!isPressable(rework)}
          loading={(programmer?.busy || module?.busy) ?? false}
          onMouseDown={(e) => e.preventDefault()}
          onClick={next}
        >
          {pressOf(rework)}
        </Button>
        {blocked === 'trial' && <TrialButtons rework={rework} />}
        {optional && <Button onClick={skip}>{wording.leaveOut}</Button>}
        {goesWithout && (
          <Button
            onClick={() =>
              void report({ type: 'dataDeclined', slot: slot!.id, reason: wording.customerGoesWithout })
            }
          >
            {wording.customerGoesWithout}
          </Button>
        )}
      </div>
    </section>
  );
}
/** Fumes are not breathed: said by hand for each job. */
export function Extraction({ rework: { extraction, setExtraction } }: { rework: Rework }) {
  return (
    <div className="row gap-8 one-line">
      <Switch id="extraction" checked={extraction} onChange={setExtraction} />
      <label htmlFor="extraction">{wording.extraction}</label>
    </div>
  );
}
function StationSaid({ said }: { said: HotAirSaid }) {
  if (said.ok) return <p className="m-0 small muted">{wording.stationSet(said.setC, said.airPercent)}</p>;
  return <Note tone="warn">{said.outOfRange ? wording.stationScale : wording.noStation(said.said)}</Note>;
}
function Setting({ step }: { step: ReworkStep }) {
  const said = settingOf(step);
  if (!said) return null;
  return (
    <p className="size-20 strong m-0">
      {said}
      {step.air && (
        <span className="block plain small muted">
          {wording.tradeSays(left(step.air.leastS), left(step.air.mostS))}
        </span>
      )}
    </p>
  );
}
