import * as wording from '../../../words/screens/checks';
import { Button } from 'antd';
import { enrolments } from '../../../core/log/events';
import { useJobFrame } from '../../ui/job-frame';

/** Fingers and faces that were enrolled to test a sensor: each is removed before the owner has the phone. */
export function EnrolmentsCard() {
  const { state, ended, report } = useJobFrame();
  return (
    <section className="card row">
      <span className="strong">{wording.madeForTesting}</span>
      {enrolments.map((what) => (
        <span key={what} className="row gap-6">
          {state.enrolment[what] === 'made' ? (
            <Button danger onClick={() => void report({ type: 'unenrolled', what })}>
              {wording.unlockIsEnrolledRemovedAgain(what)}
            </Button>
          ) : (
            <Button disabled={ended} onClick={() => void report({ type: 'enrolled', what })}>
              {wording.enrolledA(what, state.enrolment[what] === 'removed' ? ' again' : '')}
            </Button>
          )}
        </span>
      ))}
      <span className="muted small">{wording.anEnrolmentIsRemovedBefore}</span>
    </section>
  );
}
