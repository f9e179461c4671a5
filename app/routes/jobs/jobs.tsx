import type { Formats } from '../../../words/formats';
import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/jobs';
import { Button } from 'antd';
import { Link, useNavigation, useSearchParams } from 'react-router';
import type { JobLine } from '../../../core/wire/job-line';
import { addressOf } from '../../../forms/address';
import { type JobsQuery, jobsPerPage, jobsQuery } from '../../../forms/jobs-query';
import { jobsPage } from '../../../server/use-cases/find-jobs';
import { requirePerson } from '../../context';
import { ColumnChoice, useShownColumns } from '../../ui/column-choice';
import { type DataColumn, DataTable } from '../../ui/data-table';
import { screenFor } from '../../ui/head';
import { plural } from '../../../words/things';
import type { Route } from './+types/jobs';
import { JobsFilter } from './jobs-filter';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const query = jobsQuery.parse(Object.fromEntries(new URL(request.url).searchParams));
  return { query, ...(await jobsPage(who, query)) };
}

/** Every repair of this workshop, by anything that one may remember of it. */
export default function Jobs({ loaderData }: Route.ComponentProps) {
  const { query, jobs, total, models, people } = loaderData;
  const [, setParams] = useSearchParams();
  const loading = useNavigation().state === 'loading';
  const ask = (change: Partial<JobsQuery>) =>
    setParams(addressOf(jobsQuery, { ...query, page: 0, ...change }));
  const choice = useShownColumns('jobs', columnsOf(useFormats()));
  const narrowed = addressOf(jobsQuery, { ...query, page: 0, sort: 'number', dir: 'down' }) !== '';
  return (
    <main className="page stack">
      <section className="card stack" aria-label={wording.jobs}>
        <div className="spread">
          <div>
            <h1>{wording.jobs}</h1>
            <span className="muted">{`${plural(total, 'job')}${narrowed ? ' found' : ''}`}</span>
          </div>
          <div className="row one-line">
            <ColumnChoice {...choice} />
            <Button href={`/jobs.csv?${addressOf(jobsQuery, { ...query, page: 0 })}`} download>
              {wording.csv}
            </Button>
          </div>
        </div>
        <JobsFilter query={query} models={models} people={people} narrowed={narrowed} onAsk={ask} />
        {jobs.length === 0 ? (
          <p>{narrowed ? wording.noJobMatchesAllOf : wording.everyRepairOfThisWorkshop}</p>
        ) : (
          <DataTable
            name={wording.jobsFound}
            rows={jobs}
            rowKey={(j) => j.id}
            columns={choice.shown}
            loading={loading}
            most={jobsPerPage}
            ordered={{ by: query.sort, dir: query.dir }}
            onOrder={({ by, dir }) => ask({ sort: by as JobsQuery['sort'], dir })}
          />
        )}
        <div className="row">
          {query.page > 0 && (
            <Button onClick={() => ask({ page: query.page - 1 })}>
              {wording.theOnesBefore(jobsPerPage)}
            </Button>
          )}
          {(query.page + 1) * jobsPerPage < total && (
            <Button onClick={() => ask({ page: query.page + 1 })}>{wording.theNext(jobsPerPage)}</Button>
          )}
        </div>
      </section>
    </main>
  );
}

const columnsOf = ({ dayAndClock }: Formats): DataColumn<JobLine>[] => [
  { title: wording.job, order: 'number', always: true, cell: (j) => j.number },
  {
    title: wording.device,
    order: 'model',
    always: true,
    cell: (j) => (
      <>
        <Link to={j.ending ? `/jobs/${j.id}/report` : screenFor(j)} className="strong">
          {j.summary.model}
        </Link>{' '}
        <span className="muted small nowrap">{j.tag}</span>
      </>
    ),
  },
  { title: wording.owner, cell: (j) => j.owner },
  { title: wording.task, cell: (j) => j.summary.tasks?.join(', ') },
  { title: wording.workedOnBy2, cell: (j) => j.worker ?? <span className="muted">–</span> },
  { title: wording.received, order: 'received', cell: (j) => dayAndClock(j.openedAt) },
  {
    title: wording.promised,
    order: 'promised',
    cell: (j) => (j.promisedAt === null ? <span className="muted">–</span> : dayAndClock(j.promisedAt)),
  },
  { title: wording.standsAt2, order: 'stage', cell: (j) => j.ending ?? j.stage },
  { title: wording.record, cell: (j) => <Link to={`/jobs/${j.id}/report`}>{wording.report}</Link> },
];
