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
import { ModuleTest } from './module-test';
import type { Rework } from './use-rework';

/** What to set for a step, in one line; empty where nothing is. */
export function settingOf({ air, ironC, lampS }: ReworkStep): string {
  if (air) return wording.air(air.setC, air.airPercent, air.distanceMm);
  if (ironC) return wording.iron(ironC);
  return lampS ? wording.lamp(lampS) : '';
}
/** What the pedal does now, in a word. */
export function pressOf({ step, work, blocked, pads, flashS }: Rework): string {
  if (!step) return '';
  if (blocked === 'flash') return wording.flashing(left(flashS));
  if (blocked === 'pads') return wording.restGood(pads!.unseen);
  if (blocked === 'data') return step.id === 'save data' ? wording.readData : wording.writeData;
  if (work?.heat?.step === step.id) return wording.done;
  if (step.air) return wording.startAir;
  if (step.ironC) return wording.startIron;
  return step.lampS ? wording.startLamp : wording.done;
}
/** How long air, iron or lamp has been on this step, s; undefined where none is. */
export function useOnFor({ work, step }: Rework): number | undefined {
  const now = useNow();
  return work?.heat && work.heat.step === step?.id
    ? Math.max(0, Math.round((now - work.heat.since) / 1000))
    : undefined;
}
/** The step that is next, with its setting, what ends it and what to look at. */
export function StepCard({ rework, onScope }: { rework: Rework; onScope: () => void }) {
  const { step, plan, blocked, next, skip, ended, programmer, due } = rework;
  const onFor = useOnFor(rework);
  useSpoken(step && words.reworkSay(step.id).say);
  if (!step) return <EndCard rework={rework} />;
  const { name, say, stop, look } = words.reworkSay(step.id);
  const optional = step.optional || (step.id === 'save data' && !due) || step.id === 'write data';
  return (
    <section className="card stack gap-8" aria-label={name}>
      <div className="spread">
        <span className="muted">{wording.stepOf(plan.indexOf(step) + 1, plan.length)}</span>
        <Button onClick={onScope}>{wording.microscope}</Button>
      </div>
      <h1 data-testid="rework-say">{say}</h1>
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
      {(step.id === 'module test' || step.id === 'module test again') && <ModuleTest rework={rework} />}
      {programmer?.fault && <Note tone="stop">{programmer.said || programmer.fault}</Note>}
      {blocked === 'pads' && <Note tone="warn">{wording.lookAtAll}</Note>}
      <div className="row">
        <Button
          type="primary"
          size="large"
          disabled={ended || blocked === 'flash'}
          loading={programmer?.busy ?? false}
          onMouseDown={(e) => e.preventDefault()}
          onClick={next}
        >
          {pressOf(rework)}
        </Button>
        {optional && <Button onClick={skip}>{wording.leaveOut}</Button>}
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
