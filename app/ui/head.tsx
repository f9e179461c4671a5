import { useFormats } from './formats';
import * as wording from '../../words/screens/head';
import { Button } from 'antd';
import { memo, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { Form, Link, useLocation } from 'react-router';
import type { JobLine } from '../../core/wire/job-line';
import type { Who } from '../../core/wire/who';
import { stages } from '../../core/progress/stage';
import { listen } from '../job/channel';
import { forgetPages } from '../job/install';
import { ownerKey } from '../job/outbox';
import { senderFor } from '../job/sender';
import { useNow } from '../job/ticker';
import { runningOver, runningText } from '../../words/things';
import { shortModel } from '../../words/bench';
import { left } from '../../words/time';
import { useAlarms } from '../job/alarms';
import { NavTabs } from './nav-tabs';

/** A list that has come, with what was known better already: an answer that was read earlier may come later. */
const newest = (known: readonly JobLine[], come: readonly JobLine[]): JobLine[] =>
  come.map((line) => known.find((j) => j.id === line.id && j.seq > line.seq) ?? line);
/** The open devices, kept up to date: the list that came with the page, then what the server says has changed. */
export function useOpenJobs(first: JobLine[]): JobLine[] {
  const [jobs, setJobs] = useState(first);
  useEffect(() => setJobs((known) => newest(known, first)), [first]);
  useEffect(() => {
    let timeout: ReturnType<typeof setTimeout> | undefined;
    const fetchStrip = () => {
      clearTimeout(timeout);
      timeout = setTimeout(
        () =>
          void fetch('/open-jobs')
            .then(async (r) => {
              if (!r.ok) return;
              const come = (await r.json()) as JobLine[];
              setJobs((known) => newest(known, come));
            })
            .catch(() => {}),
        250,
      );
    };
    const stop = listen((message) => {
      if (message.type === 'changed' || message.type === 'resync' || message.type === 'settled') fetchStrip();
    });
    return () => {
      clearTimeout(timeout);
      stop();
    };
  }, []);
  return jobs;
}
export const screenFor = (j: Pick<JobLine, 'stage' | 'id' | 'summary'>): string =>
  `/jobs/${j.id}/${j.stage === 'Receive' ? receiving(j) : j.stage === 'Hand over' ? 'hand-over' : j.summary.waits === 'checks' ? 'checks' : 'work'}`;
/** While nobody knows what is to be done, the fault; then the offer. */
const receiving = (j: Pick<JobLine, 'summary'>) => (j.summary.tasks.length ? 'offer' : 'fault');
/** Where the device keys lead: Work once there is a route. */
export const workFor = (j: JobLine): string =>
  `/jobs/${j.id}/${j.stage === 'Receive' ? receiving(j) : 'work'}`;

function Device({ job, n, current, time }: { job: JobLine; n: number; current: boolean; time: number }) {
  const { soon, soonShort } = useFormats();
  const jobSummary = job.summary;
  const run = jobSummary.running && time ? runningText(jobSummary.running, time) : undefined;
  const at = stages.indexOf(job.stage as 'Open');
  const promised = job.promisedAt === null ? '' : `, promised ${soon(job.promisedAt, time || job.updatedAt)}`;
  const late = job.promisedAt !== null && time > 0 && job.promisedAt < time;
  return (
    <Link
      to={workFor(job)}
      className="dev"
      aria-current={current ? 'page' : undefined}
      title={`${jobSummary.model}, ${job.tag}: ${job.stage}${promised}`}
      suppressHydrationWarning
    >
      <span className="top">
        {n <= 9 && <span className="n">{n}</span>}
        <span className="name">{shortModel({ summary: jobSummary })}</span>
        {run !== undefined ? (
          <span className="due">{run}</span>
        ) : (
          <span className={late ? 'late' : ''} suppressHydrationWarning>
            {job.promisedAt === null ? '' : soonShort(job.promisedAt, time || job.updatedAt)}
          </span>
        )}
      </span>
      <span className="sub block">{`${jobSummary.tasks.join(', ') || (jobSummary.waits === 'recording' ? wording.recording : wording.faultOpen)} · ${job.stage} ${jobSummary.total ? `${jobSummary.done}/${jobSummary.total}` : ''}`}</span>
      <span className="bars" aria-hidden="true">
        {stages.map((st, i) => (
          <i key={st} className={i < at ? 'done' : i === at ? 'now' : ''} />
        ))}
      </span>
    </Link>
  );
}

/** How much this browser has kept and not sent: said on every screen, not only at the bench. */
function useKept(who: Who): number {
  const sender = useMemo(
    () => senderFor(ownerKey(who.shopId, who.personId), who.personId),
    [who.shopId, who.personId],
  );
  useEffect(() => {
    void sender.count();
    sender.flush();
  }, [sender]);
  return useSyncExternalStore(
    sender.watch,
    () => sender.state.kept,
    () => 0,
  );
}

const mainTabs = [
  { to: '/', name: 'Bench' },
  { to: '/jobs', name: 'Jobs' },
  { to: '/stock', name: 'Stock' },
  { to: '/models', name: 'Models' },
  { to: '/workshop', name: 'Workshop' },
];

/** What a notification says. */
const rungText = (j: JobLine) => `${shortModel(j)}, ${j.tag}: ${runningOver(j.summary.running!)}`;

export const Head = memo(function Head({
  who,
  jobs,
  current,
}: {
  who: Who;
  jobs: JobLine[];
  current?: string | undefined;
}) {
  const time = useNow();
  const { soon } = useFormats();
  const kept = useKept(who);
  const here = `/${useLocation().pathname.split('/')[1]}`;
  useAlarms(jobs, time, rungText);
  // beside the menu there is room for fewer
  const room = current === undefined ? 3 : 6;
  const most = jobs.findIndex((j) => j.id === current) >= room ? room - 1 : room;
  // a timer of a device that is not in sight counts down all the same
  const hidden = jobs
    .filter((j, i) => i >= most && j.id !== current && j.summary.running)
    .map((j) => j.summary.running!)
    .sort((a, b) => a.until - b.until)[0];
  return (
    <header className="head">
      <Link to="/" className="brand">
        {wording.snavek}
      </Link>
      {current === undefined && <NavTabs className="nav" label={wording.main} here={here} tabs={mainTabs} />}
      <nav className="strip" aria-label={wording.openDevices}>
        {jobs.map((j, i) =>
          i < most || j.id === current ? (
            <Device key={j.id} job={j} n={i + 1} current={j.id === current} time={time} />
          ) : null,
        )}
        {jobs.length > room && (
          <Link to="/" className="dev more">
            <span className="top">{`+ ${jobs.length - room}`}</span>
            <span className="sub">
              {hidden ? (
                <span className="due">
                  {hidden.until > time ? left((hidden.until - time) / 1000) : wording.over}
                </span>
              ) : (
                wording.more
              )}
            </span>
          </Link>
        )}
      </nav>
      <div className="who">
        <div>
          {kept > 0 && (
            <strong className="due" role="status">
              {wording.kept(kept)}
            </strong>
          )}
          {who.bench && `${who.bench} · `}
          <Link to="/account" className="own">
            {who.name}
          </Link>
        </div>
        <Form
          method="post"
          action="/sign-out"
          onSubmit={() => {
            void import('../job/outbox').then((o) => o.wipeReplica());
            void forgetPages();
          }}
        >
          <span className="strong" suppressHydrationWarning>
            {time ? soon(time, time) : ''}
          </span>{' '}
          <Button htmlType="submit" type="link" className="signout">
            {wording.signOut}
          </Button>
        </Form>
      </div>
    </header>
  );
});
