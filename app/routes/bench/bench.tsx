import { Tag } from 'antd';
import { Link } from 'react-router';
import { badCell } from '../../../core/job/conditions';
import { draftsOf, type JobLine } from '../../../server/use-cases/bench-page';
import { requirePerson } from '../../context';
import { useNow } from '../../job/ticker';
import { screenFor } from '../../ui/head';
import { soon } from '../../words/time';
import { cap, plural, runningText } from '../../words/things';
import { stages } from '../../../core/job/stage';
import type { Route } from './+types/bench';
import { LinkButton } from '../../ui/link-button';
import { DataTable } from '../../ui/data-table';
import { useFrame } from '../../ui/frame';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  return { who, drafts: await draftsOf(who), now: Date.now() };
}

const isUrgent = (j: JobLine) => badCell(j.summary.conditions);
const waitsFor: Record<string, string> = {
  hands: 'hands',
  checks: 'checks to be answered',
  'a route': 'a route',
  'the fault': 'the fault to be found',
  agreement: 'the owner’s agreement',
  'an answer': 'a question to be answered',
  time: 'the clock',
  'hand-over': 'hand-over',
  receiving: 'receiving',
};

export default function Bench({ loaderData }: Route.ComponentProps) {
  const { who } = loaderData;
  const { strip: jobs } = useFrame();
  const time = useNow() || loaderData.now;
  const running = jobs.filter((j) => j.summary.running);
  const hands = jobs.filter((j) => j.summary.waits !== 'time');
  const late = jobs.filter((j) => j.promisedAt !== null && j.promisedAt < time);
  // a bad cell is urgent even when all works: it damages the panel in time, and more
  const first = hands.find(isUrgent) ?? hands[0];
  return (
    <main className="page stack">
      <div className="cols three-first">
        <section className="card first-thing" aria-label="Hands now">
          <div className={first && isUrgent(first) ? 'brick strong' : 'muted'}>
            {first && isUrgent(first)
              ? `Urgent: ${first.summary.conditions.filter((c) => badCell([c])).join(', ')} cell`
              : 'Promised soonest, and waits for hands'}
          </div>
          {first ? (
            <>
              <h1>
                <Link
                  to={screenFor(first)}
                  style={{ color: 'inherit', textDecoration: 'none' }}
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
        <section className="card" aria-label="Running by itself">
          <div className="muted">Running by itself</div>
          {running.length ? (
            running.map((j) => (
              <h2 key={j.id}>{`${cap(runningText(j.summary.running!, time))} · ${shortModel(j)}`}</h2>
            ))
          ) : (
            <h2>nothing</h2>
          )}
        </section>
        <section className="card" aria-label="Promised">
          <div className="muted">Promised</div>
          <h2>{plural(jobs.length, 'open job')}</h2>
          {late.length ? (
            <div className="brick strong">{`Past its time: ${late.map(shortModel).join(', ')}`}</div>
          ) : (
            <div className="muted">none is past its time</div>
          )}
        </section>
      </div>
      <section className="card" aria-label="Open jobs">
        <div className="spread under-6">
          <h2>On the bench</h2>
          <LinkButton type="primary" to="/receive">
            Receive a device
          </LinkButton>
        </div>
        {jobs.length === 0 ? (
          <p>
            Every open repair stands here with its stage, what it waits for and when it is promised. Receive a
            device to begin.
          </p>
        ) : (
          <DataTable
            rows={jobs}
            rowKey={(j) => j.id}
            onRow={(j) => ({ 'data-testid': `job-${j.tag}` })}
            columns={[
              { title: 'key', cell: (_, i) => <kbd>{i + 1}</kbd> },
              {
                title: 'device',
                cell: (j) => (
                  <>
                    <Link to={screenFor(j)} className="strong">
                      {shortModel(j)}
                    </Link>{' '}
                    <span className="muted small nowrap">{j.tag}</span>
                    {j.summary.conditions.map((c) => (
                      <div key={c}>
                        <Tag color="error">{c}</Tag>
                      </div>
                    ))}
                  </>
                ),
              },
              { title: 'owner', cell: (j) => j.owner ?? '' },
              { title: 'task', cell: (j) => j.summary.tasks.join(', ') },
              { title: 'stage', width: 210, cell: (j) => <StageBar job={j} /> },
              {
                title: 'waits for',
                cell: (j) =>
                  j.summary.running ? (
                    <span>{runningText(j.summary.running, time)}</span>
                  ) : (
                    (waitsFor[j.summary.waits] ?? j.summary.waits)
                  ),
              },
              {
                title: 'at work',
                className: 'small',
                cell: (j) =>
                  j.worker ? (
                    <>
                      {j.worker === who.name ? 'you' : j.worker}
                      <div className="muted">{j.summary.worker?.bench}</div>
                    </>
                  ) : (
                    <span className="muted">nobody</span>
                  ),
              },
              {
                title: 'promised',
                cell: (j) => (
                  <>
                    <Promised job={j} time={time} />
                    <div className="muted small">{j.summary.promisedAs}</div>
                  </>
                ),
              },
            ]}
          />
        )}
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
const shortModel = (j: JobLine) => j.summary.model.split(' ').slice(1).join(' ');
const nowText = (j: JobLine): string =>
  ({
    Receive:
      { 'the fault': 'find the fault', agreement: 'make the offer' }[j.summary.waits] ?? 'plan the route',
    'Hand over': 'hand it over',
  })[j.stage] ??
  (j.summary.waits === 'checks'
    ? 'answer the checks'
    : `${j.stage.toLowerCase()}, step ${j.summary.done + 1} of ${j.summary.total}`);
function Promised({ job, time }: { job: JobLine; time: number }) {
  return job.promisedAt === null ? null : (
    <span className={job.promisedAt < time ? 'brick strong' : 'strong'} suppressHydrationWarning>
      {soon(job.promisedAt, time)}
    </span>
  );
}
function StageBar({ job }: { job: JobLine }) {
  const at = stages.indexOf(job.stage as 'Open');
  return (
    <>
      <span className="strong">{job.stage}</span>
      {job.summary.total > 0 && (
        <span className="muted small">
          {' '}
          {job.summary.done} / {job.summary.total} steps
        </span>
      )}
      <div className="bars" aria-hidden="true">
        {stages.map((s, i) => (
          <i
            key={s}
            className={i < at ? 'done' : i === at ? 'now' : ''}
            style={
              i < at ? { background: 'var(--petrol)' } : i === at ? { background: 'var(--saffron)' } : {}
            }
          />
        ))}
      </div>
    </>
  );
}
