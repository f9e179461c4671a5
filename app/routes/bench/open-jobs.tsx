import { Tag } from 'antd';
import { Link } from 'react-router';
import { stages } from '../../../core/progress/stage';
import type { JobLine } from '../../../core/wire/job-line';
import { type DataColumn, DataTable } from '../../ui/data-table';
import { screenFor } from '../../ui/head';
import { shortModel, waitsFor } from '../../../words/bench';
import { runningText } from '../../../words/things';
import { soon } from '../../../words/time';

/** The devices on the bench, the soonest promised first. */
export function OpenJobs({ jobs, time, me }: { jobs: readonly JobLine[]; time: number; me: string }) {
  if (jobs.length === 0)
    return (
      <p>
        Every open repair stands here with its stage, what it waits for and when it is promised. Receive a
        device to begin.
      </p>
    );
  return (
    <DataTable
      name="Open devices"
      rows={jobs}
      rowKey={(j) => j.id}
      onRow={(j) => ({ 'data-testid': `job-${j.tag}` })}
      columns={columnsFor(time, me)}
    />
  );
}

const columnsFor = (time: number, me: string): DataColumn<JobLine>[] => [
  { title: 'key', cell: (_, i) => (i < 9 ? <kbd>{i + 1}</kbd> : '') },
  {
    title: 'device',
    cell: (j) => (
      <>
        <Link to={screenFor(j)} className="strong">
          {shortModel(j)}
        </Link>{' '}
        <span className="muted small nowrap">{j.tag}</span>
        {j.summary.conditions.map((c) => (
          <div key={c} className="under-6">
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
      j.summary.running
        ? runningText(j.summary.running, time)
        : (waitsFor[j.summary.waits] ?? j.summary.waits),
  },
  {
    title: 'at work',
    className: 'small',
    cell: (j) =>
      j.worker ? (
        <>
          {j.worker === me ? 'you' : j.worker}
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
];

export function Promised({ job, time }: { job: JobLine; time: number }) {
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
        <span className="muted small">{` ${job.summary.done} / ${job.summary.total} steps`}</span>
      )}
      <div className="bars on-card" aria-hidden="true">
        {stages.map((s, i) => (
          <i key={s} className={i < at ? 'done' : i === at ? 'now' : ''} />
        ))}
      </div>
    </>
  );
}
