import * as wording from '../../../words/screens/work';
import { Button } from 'antd';
import type { Step } from '../../../core/steps/route';
import { thingName } from '../../../words/things';
import type { IndexedModel } from '../../../core/model/index-model';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { Note } from '../../ui/note';
import type { ProgrammerWork } from './use-programmer';

/** What went wrong at the programmer, and the way out of it. */
const wayOut: Record<NonNullable<ProgrammerWork['fault']>, string> = {
  'no server': wording.theServerIsAwayAnd,
  'no programmer': wording.theProgrammerDoesNotAnswer,
  'no adapter': wording.itHasNoAdapterFor,
  unreadable: wording.thePartDoesNotAnswer,
  'wrong model': wording.thePartInTheAdapter,
  'power lost': wording.thePowerWentWhileIt,
  checksum: wording.theChecksumIsWrongWhat,
  differs: wording.readBackItIsNot,
  'nothing saved': wording.noDataOfTheOld,
  'not understood': wording.thatWasNotUnderstoodLoad,
  'no such job': wording.thisWorkshopHasNoSuch,
  refused: wording.theJobDoesNotTake,
};

/** What the programmer is doing or could not do, and what can be done about it. */
export function ProgrammerCard({
  index,
  step,
  work,
  simulated,
  onByHand,
}: {
  index: IndexedModel;
  step: Step;
  work: ProgrammerWork;
  simulated: boolean;
  onByHand: () => void;
}) {
  const reads = step.action === 'read data';
  return (
    <section className="stack top-10" aria-label={wording.programmer}>
      <p className="size-17">
        {reads
          ? wording.putTheOldIntoThe(thingName(index, step.targets[0]!))
          : wording.putTheNewIntoThe(thingName(index, step.targets[0]!))}
      </p>
      {work.busy && (
        <Note role="status">{reads ? wording.reading : wording.writingReadingBackComparing}</Note>
      )}
      {work.fault && (
        <Note role="alert" tone="stop">
          {wayOut[work.fault]}
          {work.said && <div className="small muted">{wording.theProgrammerSays(work.said)}</div>}
        </Note>
      )}
      {work.fault && (
        <div className="row">
          <Button onClick={work.run} disabled={work.busy}>
            {wording.tryAgain}
          </Button>
          <Button onClick={onByHand}>
            {reads ? wording.theNoticeIsAcceptedInstead : wording.leftAsItIsThe}
          </Button>
        </div>
      )}
      {simulated && (
        <Field label={wording.theProgrammerIsAStand} htmlFor="simulate">
          <Pick
            id="simulate"
            letGo
            value={work.simulate}
            onChange={(value) => work.setSimulate(value)}
            options={[
              { value: 'none', label: wording.sound },
              { value: 'unreadable', label: wording.notReadable },
              { value: 'wrong model', label: wording.ofAnotherModel },
              { value: 'power', label: wording.soundButThePowerGoes },
              { value: 'checksum', label: wording.soundButTheChecksumIs },
            ]}
          />
        </Field>
      )}
    </section>
  );
}
