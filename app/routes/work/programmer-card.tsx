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
  'no server':
    'The server is away, and the programmer with it. Nothing was written; try again when it is back.',
  'no programmer': 'The programmer does not answer. Is it on, and on the network? Nothing was written.',
  'no adapter':
    'It has no adapter for this model. Move the identity chip, or record that the notice is accepted.',
  unreadable:
    'The part does not answer. Clean its plug, seat it again and try once more; a torn flex is not read. Else move the chip, or record that the notice is accepted.',
  'wrong model':
    'The part in the adapter is of another model. Look at what lies there before anything is written.',
  'power lost':
    'The power went while it was writing: the part may hold half of it. The saved data are safe here; write again.',
  checksum: 'The checksum is wrong: what was read is not kept. Clean the plug and read again.',
  differs: 'Read back, it is not what was written. Write again; a part that does so twice is bad.',
  'nothing saved': 'No data of the old part are saved with this job: read that one first.',
  'not understood': 'That was not understood. Load the page again.',
  'no such job': 'This workshop has no such job.',
  refused: 'The job does not take it now; see the stop.',
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
    <section className="stack top-10" aria-label="Programmer">
      <p className="size-17">
        {reads
          ? `Put the old ${thingName(index, step.targets[0]!)} into the adapter.`
          : `Put the new ${thingName(index, step.targets[0]!)} into the adapter. It is written, read back and compared.`}
      </p>
      {work.busy && <Note role="status">{reads ? 'Reading…' : 'Writing, reading back, comparing…'}</Note>}
      {work.fault && (
        <Note role="alert" tone="stop">
          {wayOut[work.fault]}
          {work.said && <div className="small muted">{`The programmer says: ${work.said}`}</div>}
        </Note>
      )}
      {work.fault && (
        <div className="row">
          <Button onClick={work.run} disabled={work.busy}>
            Try again
          </Button>
          <Button onClick={onByHand}>
            {reads ? 'The notice is accepted instead' : 'Left as it is: the notice is accepted'}
          </Button>
        </div>
      )}
      {simulated && (
        <Field label="The programmer is a stand-in. It behaves as if the part were:" htmlFor="simulate">
          <Pick
            id="simulate"
            letGo
            value={work.simulate}
            onChange={(value) => work.setSimulate(value)}
            options={[
              { value: 'none', label: 'sound' },
              { value: 'unreadable', label: 'not readable' },
              { value: 'wrong model', label: 'of another model' },
              { value: 'power', label: 'sound, but the power goes while writing' },
              { value: 'checksum', label: 'sound, but the checksum is wrong' },
            ]}
          />
        </Field>
      )}
    </section>
  );
}
