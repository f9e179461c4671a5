import * as wording from '../../../words/screens/checks';
import { Button } from 'antd';
import { type Body, enrolments } from '../../../core/log/events';
import { isProved } from '../../../core/rules/interlocks/transfers-and-data';
import type { ChecksState } from './use-checks';

/**
 * Fingers and faces that were enrolled to test a sensor: one counts when it has unlocked twice and once after a knock; each is
 * removed before the owner has the phone, and then its check is answered.
 */
export function EnrolmentsCard({ checks }: { checks: ChecksState }) {
  const { state, ended, report, round, rows, may } = checks;
  const remove = (what: (typeof enrolments)[number]) => {
    const open = may && rows.some((r) => r.fn === what && r.now && !r.now.passed);
    const works: Body[] =
      open && isProved(state, what) ? [{ type: 'checked', round, function: what, result: 'works' }] : [];
    void report({ type: 'unenrolled', what }, ...works);
  };
  return (
    <section className="card row" aria-label={wording.madeForTesting}>
      <span className="strong">{wording.madeForTesting}</span>
      {enrolments.map((what) => {
        const { plain, knocked } = state.unlocked[what] ?? { plain: 0, knocked: false };
        return (
          <span key={what} className="row gap-6" data-testid={`enrolment-${what}`}>
            {state.enrolment[what] === 'made' ? (
              <>
                <span className={isProved(state, what) ? 'moss' : ''}>
                  {wording.unlockedSo(what, plain, knocked)}
                </span>
                {plain < 2 && (
                  <Button onClick={() => void report({ type: 'unlocked', what, knocked: false })}>
                    {wording.itUnlocked(what)}
                  </Button>
                )}
                {!knocked && (
                  <Button onClick={() => void report({ type: 'unlocked', what, knocked: true })}>
                    {wording.itUnlockedKnocked(what)}
                  </Button>
                )}
                <Button danger onClick={() => remove(what)}>
                  {wording.unlockIsEnrolledRemovedAgain(what)}
                </Button>
              </>
            ) : (
              <Button disabled={ended} onClick={() => void report({ type: 'enrolled', what })}>
                {wording.enrolledA(what, state.enrolment[what] === 'removed' ? ' again' : '')}
              </Button>
            )}
          </span>
        );
      })}
      <span className="muted small">{wording.anEnrolmentIsRemovedBefore}</span>
    </section>
  );
}
