import * as wording from '../../../words/screens/work';
import { Link, useFetcher } from 'react-router';
import type { MustStop } from '../../../core/progress/running';
import type { Task } from '../../../core/log/events';
import type { IndexedModel } from '../../../core/model/index-model';
import { taskName } from '../../../words/steps';
import { list, thingName } from '../../../words/things';
import { functionName } from '../../../words/functions';
import { useNow } from '../../job/ticker';
import { Note } from '../../ui/note';
import { left } from '../../../words/time';
import { stopText } from '../../../words/stop-now';

/** Something runs that the device's condition forbids, or for longer than is safe. */
export function StopNow({
  what,
  ids,
  since,
  firstAt,
}: Pick<MustStop, 'what' | 'ids' | 'since'> & { firstAt: number }) {
  const text = stopText[what];
  const time = useNow() || firstAt;
  return (
    <Note tone="stop" role="alert">
      <h1 className="now-title" data-testid="instruction">
        {text.title}
      </h1>
      {since === undefined ? (
        <p className="strong">{wording.theDeviceIs(list([...ids]))}</p>
      ) : (
        <p className="big-timer" role="timer">
          {wording.overBy(left(Math.max(0, time - since) / 1000))}
        </p>
      )}
      <p>{since === undefined ? text.how : wording.overHow}</p>
    </Note>
  );
}

/**
 * Plans the rest of a job from where its device stands, through the Route screen's own action. Without the server it says
 * so and the screen stays: a route is adopted there and nowhere else.
 */
export function usePlanAgain(jobId: string): {
  run: (tasks?: readonly Task[]) => void;
  busy: boolean;
  error: string | undefined;
} {
  const fetcher = useFetcher<{ error?: string }>();
  const run = (tasks: readonly Task[]) =>
    void fetcher.submit(JSON.stringify({ command: crypto.randomUUID(), tasks }), {
      method: 'post',
      action: `/jobs/${jobId}/route`,
      encType: 'application/json',
    });
  return {
    run: (tasks = []) => run(tasks),
    busy: fetcher.state !== 'idle',
    error: fetcher.data?.error,
  };
}

/** A check said no: not back to the start, but to what was touched last. */
export function FailedCheck({
  index,
  functions,
  tasks,
  jobId,
  error,
  busy,
}: {
  index: IndexedModel;
  functions: readonly string[];
  tasks: readonly Task[];
  jobId: string;
  error: string | undefined;
  busy: boolean;
}) {
  return (
    <>
      <h1 className="now-title" data-testid="instruction">
        {wording.doesNotWork(list(functions.map((f) => functionName[f as 'touch'])))}
      </h1>
      <Note tone="stop">
        <p className="strong">{wording.cellOffReseatWhatWas}</p>
        <ol className="m-list indent-20">
          {tasks.map((t) => (
            <li key={t.slot}>{wording.taskOf(taskName[t.action], thingName(index, t.slot))}</li>
          ))}
        </ol>
        <p>{wording.ifTheOldPartShows}</p>
      </Note>
      {busy && <p role="status">{wording.planning}</p>}
      {error && (
        <Note tone="stop" role="alert">
          {error}
        </Note>
      )}
      <p className="top-10">
        <Link to={`/jobs/${jobId}/checks`}>{wording.answerItAgain}</Link> ·{' '}
        <Link to={`/jobs/${jobId}/fault`}>{wording.whatElseItCanBe}</Link>
      </p>
    </>
  );
}

/** The route in force was planned before these conditions or tasks: no instruction of it is given any more. */
export function PlanAgain({
  index,
  ids,
  tasks,
  jobId,
  error,
  busy,
}: {
  index: IndexedModel;
  ids: readonly string[];
  tasks: readonly Task[];
  jobId: string;
  error: string | undefined;
  busy: boolean;
}) {
  const agreed = tasks.map((t) => wording.taskOf(taskName[t.action], thingName(index, t.slot)));
  return (
    <>
      <h1 className="now-title" data-testid="instruction">
        {wording.planTheRestAgain}
      </h1>
      {tasks.length > 0 ? (
        <Note tone="warn">
          <p className="strong">{wording.agreedSinceThisRoute(list(agreed))}</p>
          <p>{wording.itsInstructionsWouldPutBack}</p>
        </Note>
      ) : (
        <Note tone="stop">
          <p className="strong">{wording.theDeviceIsSinceThis(list([...ids]))}</p>
          <p>{wording.itsInstructionsAreNotGiven}</p>
        </Note>
      )}
      {busy && <p role="status">{wording.planning}</p>}
      {error && (
        <Note tone="stop" role="alert">
          <p>{error}</p>
          <p>
            {wording.leaveItAsItIs} <Link to={`/jobs/${jobId}/route?again=1`}>{wording.lookAtTheRoute}</Link>
            {wording.anotherHouseMethodMayOpen}
          </p>
        </Note>
      )}
    </>
  );
}
