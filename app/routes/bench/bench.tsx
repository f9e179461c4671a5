import { Link, useSearchParams } from 'react-router';
import { draftsFor } from '../../../server/use-cases/bench-page';
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
import { soon } from '../../../words/time';
import type { Route } from './+types/bench';
import { OpenJobs, Promised } from './open-jobs';
import { WaitingReceipts } from './waiting-receipts';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  return { drafts: await draftsFor(who), now: Date.now() };
}

/** Without the server it shows the devices as this tab knows them. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOr(serverLoader, () => ({ drafts: [], now: Date.now() }));

/** All devices: which needs hands now, what runs by itself, what is promised. */
export default function Bench({ loaderData }: Route.ComponentProps) {
  const { who, strip: jobs } = useFrame();
  const time = useNow() || loaderData.now;
  return (
    <main className="page stack">
      <JustReceived />
      <WaitingReceipts />
      <div className="cols three-first">
        <HandsNow jobs={jobs} time={time} />
        <RunningAlone jobs={jobs} time={time} />
        <PromisedCard jobs={jobs} time={time} />
      </div>
      <section className="card" aria-label="Open jobs">
        <div className="spread under-6">
          <h2>On the bench</h2>
          <LinkButton type="primary" to="/receive">
            Receive a device
          </LinkButton>
        </div>
        <OpenJobs jobs={jobs} time={time} me={who.name} />
      </section>
      {loaderData.drafts.length > 0 && (
        <section className="card" aria-label="Drafts">
          <h2>Not finished receiving</h2>
          {loaderData.drafts.map((d) => (
            <p key={d.id}>
              <Link to={`/receive/${d.id}`}>{d.tag || 'without a tag'}</Link>{' '}
              <span className="muted" suppressHydrationWarning>
                kept {soon(d.updatedAt, time)}
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
    <section className="card first-thing" aria-label="Hands now">
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
            {first.owner ? ` · ${first.owner}` : ''} · promised <Promised job={first} time={time} />
          </div>
        </>
      ) : (
        <h1>{jobs.length ? 'Nothing waits for hands' : 'The bench is empty'}</h1>
      )}
    </section>
  );
}
function RunningAlone({ jobs, time }: CardProps) {
  const running = jobs.filter((j) => j.summary.running);
  return (
    <section className="card" aria-label="Running by itself">
      <div className="muted">Running by itself</div>
      {running.map((j) => (
        <h2 key={j.id}>{`${cap(runningText(j.summary.running!, time))} · ${shortModel(j)}`}</h2>
      ))}
      {running.length === 0 && <h2>nothing</h2>}
    </section>
  );
}
function PromisedCard({ jobs, time }: CardProps) {
  const late = jobs.filter((j) => j.promisedAt !== null && j.promisedAt < time);
  return (
    <section className="card" aria-label="Promised">
      <div className="muted">Promised</div>
      <h2>{plural(jobs.length, 'open job')}</h2>
      {late.length ? (
        <div className="brick strong">{`Past its time: ${late.map(shortModel).join(', ')}`}</div>
      ) : (
        <div className="muted">none is past its time</div>
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
      {`No network: ${tag} is kept here and received when the server is back.${params.has('passcode') ? ' Its passcode is not kept: write it on the slip.' : ''}`}
    </Note>
  );
}
