import { Input, Button, type InputRef } from 'antd';
import { Form, Link } from 'react-router';
import { useRef } from 'react';
import { z } from 'zod';
import { jobsPage } from '../../../server/use-cases/bench-page';
import { requirePerson } from '../../context';
import { screenFor } from '../../ui/head';
import { useKeys } from '../../ui/keys';
import { dayAndClock } from '../../words/time';
import type { Route } from './+types/jobs';
import { DataTable } from '../../ui/data-table';

const query = z.object({
  q: z.string().max(80).catch(''),
  page: z.coerce.number().int().min(0).max(10_000).catch(0),
});

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const url = new URL(request.url);
  const { q, page } = query.parse({
    q: url.searchParams.get('q') ?? '',
    page: url.searchParams.get('page') ?? 0,
  });
  return {
    q,
    page,
    now: Date.now(),
    ...(await jobsPage(who, q.trim(), page)),
  };
}

export default function Jobs({ loaderData }: Route.ComponentProps) {
  const { q, page, jobs, total } = loaderData;
  const search = useRef<InputRef>(null);
  useKeys({ search: () => search.current?.focus() });
  return (
    <main className="page stack">
      <section className="card">
        <div className="spread under-8">
          <h1>Jobs</h1>
          <Form method="get" role="search" className="row">
            <label htmlFor="q" className="sr">
              Search jobs
            </label>
            <Input
              ref={search}
              id="q"
              name="q"
              type="search"
              defaultValue={q}
              maxLength={80}
              placeholder="number, tag, model or owner  ( / )"
              style={{
                font: 'inherit',
                minHeight: 44,
                width: 340,
                padding: '0 12px',
                borderRadius: 10,
                border: '1px solid var(--metal)',
                background: 'var(--card)',
              }}
            />
            <Button htmlType="submit">Search</Button>
          </Form>
        </div>
        {jobs.length === 0 ? (
          <p>
            {q
              ? `No job matches “${q}”.`
              : 'Every repair of this workshop stands here once it has been received.'}
          </p>
        ) : (
          <DataTable
            rows={jobs}
            rowKey={(j) => j.id}
            columns={[
              { title: 'job', cell: (j) => j.number },
              {
                title: 'device',
                cell: (j) => (
                  <>
                    {j.ending ? (
                      <Link to={`/jobs/${j.id}/report`} className="strong">
                        {j.summary.model}
                      </Link>
                    ) : (
                      <Link to={screenFor(j)} className="strong">
                        {j.summary.model}
                      </Link>
                    )}{' '}
                    <span className="muted small nowrap">{j.tag}</span>
                  </>
                ),
              },
              { title: 'owner', cell: (j) => j.owner },
              { title: 'task', cell: (j) => j.summary.tasks?.join(', ') },
              { title: 'received', cell: (j) => dayAndClock(j.openedAt) },
              { title: 'stands at', cell: (j) => j.ending ?? j.stage },
              { title: 'record', cell: (j) => <Link to={`/jobs/${j.id}/report`}>report</Link> },
            ]}
          />
        )}
        <div className="row top-8">
          <span className="muted">{total} in all</span>
          {page > 0 && <Link to={`?q=${encodeURIComponent(q)}&page=${page - 1}`}>newer</Link>}
          {(page + 1) * 50 < total && <Link to={`?q=${encodeURIComponent(q)}&page=${page + 1}`}>older</Link>}
        </div>
      </section>
    </main>
  );
}
