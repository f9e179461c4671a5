import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/bench';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { DayPlan, PlannedBlock } from '../../../core/day/day-plan';
import * as day from '../../../words/screens/day';
import { useDay } from '../../job/use-day';
import { useKeys } from '../../ui/keys';
import { DayCard } from './day-card';
import { maySlip, namedByKey } from './day-rows';
import { benchPage } from '../../../server/use-cases/bench-page';
import type { Who } from '../../../core/wire/who';
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
import { minutes } from '../../../words/time';
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
  const here = useDay();
  const { plan } = here;
  const next = nextFor(plan, jobs, who);
  const go = useNavigate();
  useKeys({ next: () => next && void go(screenFor(next.job)) });
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
        <HandsNow jobs={jobs} time={time} next={next} plan={plan} />
        <RunningAlone jobs={jobs} time={time} />
        <PromisedCard jobs={jobs} time={time} plan={plan} />
      </div>
      {jobs.length > 0 && (
        <section className="card" aria-label={day.day}>
          <DayCard day={here} jobs={jobs} time={time} />
        </section>
      )}
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
/** What to do now by the plan, for whoever is signed in, and what comes after it. */
interface Next {
  job: JobLine;
  block: PlannedBlock | undefined;
  then: PlannedBlock | undefined;
}
function nextFor(
  plan: DayPlan | undefined,
  jobs: readonly JobLine[],
  { name: me, personId }: Pick<Who, 'name' | 'personId'>,
): Next | undefined {
  const hands = jobs.filter((j) => j.summary.waits !== 'time');
  // whoever the day is planned for has a row of their own; who has none sees what anybody does next
  const mine = plan?.people.some((p) => p.id === personId);
  const own = (plan?.blocks ?? [])
    .filter((b) => b.by === 'hands' && (!mine || b.person === personId))
    // what others have in hand is theirs
    .filter((b) => !b.begun || (jobs.find((j) => j.id === b.job)?.worker ?? me) === me)
    .sort((a, b) => Number(b.begun ?? 0) - Number(a.begun ?? 0) || a.startS - b.startS);
  const block = own.find((b) => hands.some((j) => j.id === b.job));
  const urgent = hands.find(isUrgent);
  const job = urgent ?? jobs.find((j) => j.id === block?.job) ?? hands[0];
  if (!job) return undefined;
  return {
    job,
    block: block?.job === job.id ? block : own.find((b) => b.job === job.id),
    then: own.find((b) => b.job !== job.id && b.startS >= (block?.startS ?? 0)),
  };
}
/** A plan that begins with an urgent device later than this says so, s. */
const laterS = 15 * 60;
function HandsNow({
  jobs,
  time,
  next,
  plan,
}: CardProps & { next: Next | undefined; plan: DayPlan | undefined }) {
  const { clock } = useFormats();
  const first = next?.job;
  const then = next?.then && jobs.find((j) => j.id === next.then!.job);
  const at = (s: number) => clock(plan!.now + s * 1000);
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
          {isUrgent(first) && next?.block && next.block.startS >= laterS && (
            <div className="small" data-testid="planned-later">
              {wording.planHasItAt(at(next.block.startS))}
            </div>
          )}
          {then && next?.then && (
            <div className="small" data-testid="then">
              {wording.thenComes(shortModel(then), at(next.then.startS))}
              {next.then.byS !== undefined && wording.by(at(next.then.byS))}
            </div>
          )}
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
function PromisedCard({ jobs, time, plan }: CardProps & { plan: DayPlan | undefined }) {
  const past = jobs.filter((j) => j.promisedAt !== null && j.promisedAt < time);
  const promised = plan ? plan.jobs.filter((j) => j.promisedAt !== null) : [];
  const late = promised.filter((j) => j.lateS >= 60);
  return (
    <section className="card" aria-label={wording.promisedLabel}>
      <div className="muted">{wording.promisedLabel}</div>
      <h2 data-testid="promises">
        {promised.length
          ? day.inTime(promised.length - late.length, promised.length)
          : plural(jobs.length, wording.openJob)}
      </h2>
      {late.map((j) => (
        <div key={j.id} className="brick strong">
          {day.late(namedByKey(jobs, j.id), minutes(j.lateS / 60))}
        </div>
      ))}
      {promised.filter(maySlip).map((j) => (
        <div key={j.id} className="brick">
          {day.slips(namedByKey(jobs, j.id), j.chance!)}
        </div>
      ))}
      {late.length > 0 && plan!.leastLateS >= 60 && (
        <div className="small muted">{day.avoided(minutes(plan!.leastLateS / 60))}</div>
      )}
      {!late.length && past.length > 0 && (
        <div className="brick strong">{wording.pastItsTime(past.map(shortModel).join(', '))}</div>
      )}
      {!late.length && !past.length && !promised.some(maySlip) && (
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
