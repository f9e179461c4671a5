import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/bench';
import { Tag } from 'antd';
import { Link } from 'react-router';
import { stages } from '../../../core/progress/stage';
import type { JobLine } from '../../../core/wire/job-line';
import { type DataColumn, DataTable } from '../../ui/data-table';
import { screenFor } from '../../ui/head';
import { shortModel, waitsFor } from '../../../words/bench';
import { runningText } from '../../../words/things';

/** The devices on the bench, the soonest promised first. */
export function OpenJobs({ jobs, time, me }: { jobs: readonly JobLine[]; time: number; me: string }) {
  if (jobs.length === 0) return <p>{wording.everyOpenRepairStandsHere}</p>;
  return (
    <DataTable
      name={wording.openDevices}
      rows={jobs}
      rowKey={(j) => j.id}
      onRow={(j) => ({ 'data-testid': `job-${j.tag}` })}
      columns={columnsFor(time, me)}
    />
  );
}

const columnsFor = (time: number, me: string): DataColumn<JobLine>[] => [
  { title: wording.key, cell: (_, i) => (i < 9 ? <kbd>{i + 1}</kbd> : '') },
  {
    title: wording.device,
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
  { title: wording.owner, cell: (j) => j.owner ?? '' },
  { title: wording.task, cell: (j) => j.summary.tasks.join(', ') },
  { title: wording.stage, width: 210, cell: (j) => <StageBar job={j} /> },
  {
    title: wording.waitsFor,
    cell: (j) =>
      j.summary.running
        ? runningText(j.summary.running, time)
        : (waitsFor[j.summary.waits] ?? j.summary.waits),
  },
  {
    title: wording.atWork,
    className: 'small',
    cell: (j) =>
      j.worker ? (
        <>
          {j.worker === me ? wording.you : j.worker}
          <div className="muted">{j.summary.worker?.bench}</div>
        </>
      ) : (
        <span className="muted">{wording.nobody}</span>
      ),
  },
  {
    title: wording.promised,
    cell: (j) => (
      <>
        <Promised job={j} time={time} />
        <div className="muted small">{j.summary.promisedAs}</div>
      </>
    ),
  },
];

export function Promised({ job, time }: { job: JobLine; time: number }) {
  const { soon } = useFormats();
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
        <span className="muted small">{wording.steps(job.summary.done, job.summary.total)}</span>
      )}
      <div className="bars on-card" aria-hidden="true">
        {stages.map((s, i) => (
          <i key={s} className={i < at ? 'done' : i === at ? 'now' : ''} />
        ))}
      </div>
    </>
  );
}
