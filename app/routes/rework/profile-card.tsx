import { Button } from 'antd';
import { highestPeakC, type Nozzle } from '../../../core/rework/profile';
import * as words from '../../../words/rework';
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
import { draws, type Joint, joints } from './use-profile';
import type { Rework } from './use-rework';

/** Chip, joint, flex and panel under hot air: from when to when the chip is lifted, and what ends it. */
export function ProfileCard({ rework }: { rework: Rework }) {
  const { frame, heat } = rework;
  const { of, nozzle, joint, readings, told } = heat;
  const onFor = useOnFor(rework);
  return (
    <section className="card stack gap-8" aria-label={wording.profile}>
      <div className="spread">
        <h2>{wording.profile}</h2>
        {of && <span className="muted small">{words.reworkStepName[of.id]}</span>}
      </div>
      <Settings nozzle={nozzle} joint={joint} onNozzle={heat.setNozzle} onJoint={heat.setJoint} />
      {told ? (
        <>
          <Window told={told} lifts={of?.id === 'lift' || of?.id === 'lift new'} onInstead={heat.setNozzle} />
          <ProfileChart profile={told.profile} liquidusC={joints[joint]} nowS={onFor} />
        </>
      ) : (
        <p className="muted m-0">{wording.working}</p>
      )}
      <Readings rework={rework} told={told} readings={readings} onReadings={heat.setReadings} />
      <p className="small muted m-0">
        {wording.restsOnDraws(draws, readings.length, frame.who.settings.hotAir !== undefined)}
      </p>
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
