import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/bench';
import { Link, useSearchParams } from 'react-router';
import { benchPage } from '../../../server/use-cases/bench-page';
import type { JobLine } from '../../../core/wire/job-line';
import { requirePerson } from '../../context';
import { fromServerOr } from '../../job/offline-page';
import { useNow } from '../../job/ticker';
import { useFrame } from '../../ui/frame';
import { screenFor } from '../../ui/head';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';
import { isUrgent, nowText, shortModel, urgentText } from '../../../words/bench';
import { cap, plural, runningText } from '../../../words/things';
import type { Route } from './+types/bench';
import { FirstStepsCard } from './first-steps';
import { OpenJobs, Promised } from './open-jobs';
import { WaitingReceipts } from './waiting-receipts';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const now = Date.now();
  return { ...(await benchPage(who, now)), now };
}

/** Without the server it shows the devices as this tab knows them. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOr(serverLoader, () => ({ drafts: [], first: undefined, backup: undefined, now: Date.now() }));

/** All devices: which needs hands now, what runs by itself, what is promised. */
export default function Bench({ loaderData }: Route.ComponentProps) {
  const { soon } = useFormats();
  const { who, openJobs: jobs } = useFrame();
  const time = useNow() || loaderData.now;
  return (
    <main className="page stack">
      <JustReceived />
      <WaitingReceipts />
      {loaderData.backup && (
        <Note tone="warn" role="alert">
          {wording.backupFailed(loaderData.backup)}{' '}
          {who.role === 'owner' && <Link to="/workshop/data">{wording.toTheBackups}</Link>}
        </Note>
      )}
      {loaderData.first && <FirstStepsCard first={loaderData.first} />}
      <div className="cols three-first">
        <HandsNow jobs={jobs} time={time} />
        <RunningAlone jobs={jobs} time={time} />
        <PromisedCard jobs={jobs} time={time} />
      </div>
      <section className="card" aria-label={wording.openJobs}>
        <div className="spread under-6">
          <h2>{wording.onTheBench}</h2>
          <LinkButton type="primary" to="/receive">
            {wording.receiveADevice}
          </LinkButton>
        </div>
        <OpenJobs jobs={jobs} time={time} me={who.name} />
      </section>
      {loaderData.drafts.length > 0 && (
        <section className="card" aria-label={wording.drafts}>
          <h2>{wording.notFinishedReceiving}</h2>
          {loaderData.drafts.map((d) => (
            <p key={d.id}>
              <Link to={`/receive/${d.id}`}>{d.tag || wording.withoutATag}</Link>{' '}
              <span className="muted" suppressHydrationWarning>
                {wording.keptSince(soon(d.updatedAt, time))}
              </span>
            </p>
          ))}
        </section>
      )}
    </main>
  );
}

interface CardProps {
  jobs: readonly JobLine[];
  time: number;
}
function HandsNow({ jobs, time }: CardProps) {
  const hands = jobs.filter((j) => j.summary.waits !== 'time');
  const first = hands.find(isUrgent) ?? hands[0];
  return (
    <section className="card first-thing" aria-label={wording.handsNow}>
      <div className={first && isUrgent(first) ? 'brick strong' : 'muted'}>{urgentText(first)}</div>
      {first ? (
        <>
          <h1>
            <Link
              to={screenFor(first)}
              className="plain-link"
            >{`${shortModel(first)}: ${nowText(first)}`}</Link>
          </h1>
          <div className="muted">
            {first.tag}
            {first.owner ? ` · ${first.owner}` : ''} {wording.promisedFor}{' '}
            <Promised job={first} time={time} />
          </div>
        </>
      ) : (
        <h1>{jobs.length ? wording.nothingWaitsForHands : wording.theBenchIsEmpty}</h1>
      )}
    </section>
  );
}
function RunningAlone({ jobs, time }: CardProps) {
  const running = jobs.filter((j) => j.summary.running);
  return (
    <section className="card" aria-label={wording.runningByItself}>
      <div className="muted">{wording.runningByItself}</div>
      {running.map((j) => (
        <h2 key={j.id}>{`${cap(runningText(j.summary.running!, time))} · ${shortModel(j)}`}</h2>
      ))}
      {running.length === 0 && <h2>{wording.nothing}</h2>}
    </section>
  );
}
function PromisedCard({ jobs, time }: CardProps) {
  const late = jobs.filter((j) => j.promisedAt !== null && j.promisedAt < time);
  return (
    <section className="card" aria-label={wording.promisedLabel}>
      <div className="muted">{wording.promisedLabel}</div>
      <h2>{plural(jobs.length, wording.openJob)}</h2>
      {late.length ? (
        <div className="brick strong">{wording.pastItsTime(late.map(shortModel).join(', '))}</div>
      ) : (
        <div className="muted">{wording.noneIsPastItsTime}</div>
      )}
    </section>
  );
}

/** A device that was received without the server: said once, where one comes back to. */
function JustReceived() {
  const [params] = useSearchParams();
  const tag = params.get('received');
  if (!tag) return null;
  return (
    <Note role="status">
      {wording.noNetworkIsKeptHere(tag, params.has('passcode') ? wording.itsPasscodeIsNotKept : '')}
    </Note>
  );
}
