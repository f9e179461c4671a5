import * as wording from '../../../words/screens/offer';
import { Button } from 'antd';
import { Link } from 'react-router';
import { openConsents } from '../../../core/consents/consents';
import { flag } from '../../../core/log/state';
import { LinkButton } from '../../ui/link-button';
import { TaskPicker } from '../../ui/task-picker';
import { tasksText } from '../../../words/offer';
import type { OfferState } from './use-offer';

/** What is to be done, and where the offer leads. */
export function TasksCard({ offer }: { offer: OfferState }) {
  const { page, index, state, tasks, ended, recorded, consents, report } = offer;
  const open = openConsents(consents, state);
  const because = flag(state, 'cause')?.because ?? `“${(flag(state, 'complaint') ?? '').slice(0, 160)}”`;
  return (
    <section className="card stack" aria-label={wording.tasks}>
      <div className="spread high">
        <div>
          <h1>
            {ended
              ? wording.closedAs(String(flag(state, 'ending')))
              : tasks.length
                ? tasksText(index, tasks)
                : wording.whatIsToBeDone}
          </h1>
          <p className="muted">
            {tasks.length ? (
              because
            ) : (
              <>
                {index.slots.size ? wording.chooseTheTasksOr : wording.partsNotKnown}{' '}
                {index.slots.size ? (
                  <Link to={`/jobs/${page.id}/fault`}>{wording.findTheFaultFirst}</Link>
                ) : (
                  <Link to={`/jobs/${page.id}/work`}>{wording.recordThem}</Link>
                )}
                .
              </>
            )}
          </p>
        </div>
        {!ended && (
          <div className="row one-line">
            {recorded && <Button href={`/jobs/${page.id}/offer.pdf`}>{wording.pdf}</Button>}
            {tasks.length > 0 && (
              <LinkButton
                type={open.length ? 'default' : 'primary'}
                to={`/jobs/${page.id}/route`}
                reloadDocument
              >
                {open.length ? wording.seeTheRoute : wording.agreedToTheRoute}
              </LinkButton>
            )}
          </div>
        )}
      </div>
      {!ended && (
        <TaskPicker
          least={0}
          parts={index.model.slots}
          tasks={tasks}
          onSet={(slot, action) => void report({ type: 'taskSet', slot, action })}
        />
      )}
    </section>
  );
}
