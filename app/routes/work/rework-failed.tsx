import { Button } from 'antd';
import { Link, useNavigate } from 'react-router';
import type { Body } from '../../../core/log/events';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Instruction } from '../../../core/progress/instruct';
import { noticeConsent } from '../../../core/rules/interlocks/rework';
import * as wording from '../../../words/screens/rework-failed';
import { thingName } from '../../../words/things';
import { useJobFrame } from '../../ui/job-frame';
import { Note } from '../../ui/note';
import { usePlanAgain } from './urgent-panel';

/** Work under the microscope did not succeed: what the customer may decide, each with what follows from it. */
export function ReworkFailed({
  index,
  now: { slot, outcome, step },
}: {
  index: IndexedModel;
  now: Extract<Instruction, { kind: 'rework failed' }>;
}) {
  const { page, report, state } = useJobFrame();
  const go = useNavigate();
  const planning = usePlanAgain(page.id);
  const part = thingName(index, slot);
  const lost = state.rework[slot]?.lost;
  const moves = step.action === 'move chip';
  const then = (then: () => void, ...bodies: Body[]) => void report(...bodies).then((ok) => ok && then());
  const offer = () => void go(`/jobs/${page.id}/offer`);
  return (
    <>
      <h1 className="now-title" data-testid="instruction">
        {wording.title(part)}
      </h1>
      <Note tone="stop" role="alert">
        <p className="m-0 strong">{wording.what[outcome as keyof typeof wording.what](lost ?? part)}</p>
        <p className="m-0">{wording.ask}</p>
      </Note>
      <div className="stack gap-8 top-10">
        <div className="row">
          <Button
            size="large"
            onClick={() => (moves ? offer() : then(offer, { type: 'taskSet', slot, action: 'replace' }))}
          >
            {wording.newPart(part)}
          </Button>
          {outcome === 'notice stays' && (
            <Button
              size="large"
              onClick={() =>
                void report(
                  { type: 'consentGiven', effect: noticeConsent(slot), by: 'owner' },
                  { type: 'acted', act: step.action as 'rework', target: slot },
                )
              }
            >
              {wording.takesNotice}
            </Button>
          )}
          {outcome !== 'notice stays' && (
            <Button
              size="large"
              onClick={() =>
                then(
                  () => planning.run(),
                  moves
                    ? { type: 'remedySet', slot, remedy: 'accept' }
                    : { type: 'taskSet', slot, action: 'none' },
                )
              }
            >
              {moves ? wording.withNotice : wording.without}
            </Button>
          )}
          {outcome !== 'part lost' && (
            <Button size="large" onClick={() => void go(`/jobs/${page.id}/rework`)}>
              {wording.again}
            </Button>
          )}
        </div>
        <Link to={`/jobs/${page.id}/hand-over`}>{wording.end}</Link>
      </div>
      {planning.busy && <p role="status">{wording.planning}</p>}
      {planning.error && (
        <Note tone="stop" role="alert">
          {planning.error}
        </Note>
      )}
    </>
  );
}
