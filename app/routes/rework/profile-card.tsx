import { Button } from 'antd';
import { useState } from 'react';
import type { Chip } from '../../../core/model/schema';
import { highestPeakC, type Nozzle } from '../../../core/rework/profile';
import type { ReworkStep } from '../../../core/rework/work-plan';
import * as wording from '../../../words/screens/rework';
import { left } from '../../../words/time';
import type { ProfileTold } from '../../workers/rework.worker';
import { Field } from '../../ui/field';
import { FigureInput } from '../../ui/figure-input';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import { ProfileChart } from './profile-chart';
import { Readings } from './readings';
import { useOnFor } from './step-card';
import { draws, type Joint, joints, useProfile } from './use-profile';
import type { Rework } from './use-rework';

const usual: Nozzle = { setC: 300, airPercent: 10, distanceMm: 10, nozzleMm: 6, barriers: 2 };
/** What a step is set to; of what is not said there, what was set last. */
const nozzleOf = (step: ReworkStep | undefined, last: Nozzle): Nozzle =>
  step?.air
    ? { ...last, setC: step.air.setC, airPercent: step.air.airPercent, distanceMm: step.air.distanceMm }
    : last;
const jointOf = (step: ReworkStep | undefined): Joint => (step?.melts === 'low-melt' ? 'lowMelt' : 'factory');

/** The step whose heat is asked about: this one, or the next at which a joint melts. */
const heatingStep = ({ plan, step }: Rework): ReworkStep | undefined =>
  plan.slice(step ? plan.indexOf(step) : 0).find((s) => s.melts);

/** Chip, joint, flex and panel under hot air: from when to when the chip is lifted, and what ends it. */
export function ProfileCard({ rework, chip }: { rework: Rework; chip: Chip }) {
  const { frame } = rework;
  const step = heatingStep(rework);
  const [of, setOf] = useState(step?.id);
  const [nozzle, setNozzle] = useState<Nozzle>(() => nozzleOf(step, usual));
  const [joint, setJoint] = useState<Joint>(() => jointOf(step));
  const [readings, setReadings] = useState<{ atS: number; celsius: number }[]>([]);
  // a step with air of its own sets what is asked about; between such steps it stays
  if (of !== step?.id) {
    setOf(step?.id);
    if (step?.air) {
      setNozzle(nozzleOf(step, nozzle));
      setJoint(jointOf(step));
      setReadings([]);
    }
  }
  const kept = frame.who.settings.hotAir;
  const told = useProfile(chip, nozzle, joint, readings, kept?.filmWm2K);
  const onFor = useOnFor(rework);
  return (
    <section className="card stack gap-8" aria-label={wording.profile}>
      <h2>{wording.profile}</h2>
      <Settings nozzle={nozzle} joint={joint} onNozzle={setNozzle} onJoint={setJoint} />
      {told ? (
        <>
          <Window
            told={told}
            lifts={step?.id !== 'settle balls' && step?.id !== 'place'}
            onInstead={setNozzle}
          />
          <ProfileChart profile={told.profile} liquidusC={joints[joint]} nowS={onFor} />
        </>
      ) : (
        <p className="muted m-0">{wording.working}</p>
      )}
      <Readings rework={rework} told={told} readings={readings} onReadings={setReadings} />
      <p className="small muted m-0">{wording.restsOnDraws(draws, readings.length, kept !== undefined)}</p>
    </section>
  );
}
function Settings({
  nozzle,
  joint,
  onNozzle,
  onJoint,
}: {
  nozzle: Nozzle;
  joint: Joint;
  onNozzle: (nozzle: Nozzle) => void;
  onJoint: (joint: Joint) => void;
}) {
  const set = (change: Partial<Nozzle>) => onNozzle({ ...nozzle, ...change });
  return (
    <>
      <div className="fields">
        <FigureInput
          label={wording.setC}
          value={nozzle.setC}
          min={100}
          max={480}
          onChange={(setC) => set({ setC })}
        />
        <FigureInput
          label={wording.airPercent}
          value={nozzle.airPercent}
          min={1}
          max={100}
          onChange={(airPercent) => set({ airPercent })}
        />
        <FigureInput
          label={wording.distance}
          value={nozzle.distanceMm}
          min={2}
          max={60}
          onChange={(distanceMm) => set({ distanceMm })}
        />
        <FigureInput
          label={wording.nozzle}
          value={nozzle.nozzleMm}
          min={2}
          max={25}
          onChange={(nozzleMm) => set({ nozzleMm })}
        />
      </div>
      <div className="fields">
        <FigureInput
          label={wording.preheat}
          value={nozzle.preheatC}
          min={30}
          max={200}
          onChange={(preheatC) => set({ preheatC })}
        />
        <FigureInput
          label={wording.barriers}
          value={nozzle.barriers}
          min={0}
          max={2}
          onChange={(n) => set({ barriers: Math.round(n) })}
        />
        <Field label={wording.jointMelts} htmlFor="joint-melts">
          <Pick
            id="joint-melts"
            value={joint}
            onChange={(v) => onJoint((v ?? 'factory') as Joint)}
            options={(Object.keys(joints) as Joint[]).map((value) => ({
              value,
              label: wording.meltName[value],
            }))}
          />
        </Field>
      </div>
    </>
  );
}
/** The window in big type; where there is none, a setting at which there is one. */
function Window({
  told: { profile, instead },
  lifts,
  onInstead,
}: {
  told: ProfileTold;
  lifts: boolean;
  onInstead: (n: Nozzle) => void;
}) {
  const { lift, endedBy, peakC, aboveS, liquidLikelyS } = profile;
  return (
    <>
      <p className="size-24 strong m-0" data-testid="lift-window">
        {lift
          ? (lifts ? wording.liftBetween : wording.liquidBetween)(
              left(Math.ceil(lift.fromS)),
              left(Math.floor(lift.toS)),
            )
          : wording.noTime}
      </p>
      {lift && endedBy && <p className="m-0 muted">{wording.endsBy[endedBy]}</p>}
      {!lift && instead && (
        <div className="row">
          <span>
            {liquidLikelyS !== undefined && wording.likelyAt(left(Math.round(liquidLikelyS)))}
            {wording.insteadOf(instead.setC, instead.airPercent, instead.preheatC!)}
          </span>
          <Button onClick={() => onInstead(instead)}>{wording.takeIt}</Button>
        </div>
      )}
      <p className="m-0 small muted">{wording.likelyPeak(Math.round(peakC), Math.round(aboveS))}</p>
      {peakC > highestPeakC && <Note tone="warn">{wording.tooHotPeak(highestPeakC)}</Note>}
    </>
  );
}
