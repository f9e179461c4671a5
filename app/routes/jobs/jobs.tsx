import { Form, Link } from 'react-router';
import { useEffect, useRef } from 'react';
import { z } from 'zod';
import { jobsPage, stripFor } from '../../../server/use-cases/bench-page';
import { requirePerson } from '../../context';
import { startChannel } from '../../job/channel';
import { setServerTime } from '../../job/clock';
import { Head, screenFor, useStrip } from '../../ui/head';
import { usePageKeys } from '../../ui/page-keys';
import { dayAndClock } from '../../words/time';
import type { Route } from './+types/jobs';

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
    who,
    q,
    page,
    now: Date.now(),
    strip: await stripFor(who),
    ...(await jobsPage(who, q.trim(), page)),
  };
}

export default function Jobs({ loaderData }: Route.ComponentProps) {
  const { who, q, page, jobs, total } = loaderData;
  const strip = useStrip(loaderData.strip);
  const search = useRef<HTMLInputElement>(null);
  useEffect(() => {
    setServerTime(loaderData.now);
    startChannel();
  }, [loaderData.now]);
  usePageKeys(strip, { search: () => search.current?.focus() });
  return (
    <>
      <Head who={who} jobs={strip} />
      <main className="page stack">
        <section className="card">
          <div className="spread" style={{ marginBottom: 8 }}>
            <h1>Jobs</h1>
            <Form method="get" role="search" className="row">
              <label htmlFor="q" className="sr">
                Search jobs
              </label>
              <input
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
              <button type="submit" className="btn">
                Search
              </button>
            </Form>
          </div>
          {jobs.length === 0 ? (
            <p>
              {q
                ? `No job matches “${q}”.`
                : 'Every repair of this workshop stands here once it has been received.'}
            </p>
          ) : (
            <table className="tbl">
              <thead>
                <tr>
                  <th scope="col">job</th>
                  <th scope="col">device</th>
                  <th scope="col">owner</th>
                  <th scope="col">task</th>
                  <th scope="col">received</th>
                  <th scope="col">stands at</th>
                  <th scope="col">record</th>
                </tr>
              </thead>
              <tbody>
                {jobs.map((j) => (
                  <tr key={j.id}>
                    <td>{j.number}</td>
                    <td>
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
                    </td>
                    <td>{j.owner}</td>
                    <td>{j.summary.tasks?.join(', ')}</td>
                    <td suppressHydrationWarning>{dayAndClock(j.openedAt)}</td>
                    <td>{j.ending ?? j.stage}</td>
                    <td>
                      <Link to={`/jobs/${j.id}/report`}>report</Link>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <div className="row" style={{ marginTop: 8 }}>
            <span className="muted">{total} in all</span>
            {page > 0 && <Link to={`?q=${encodeURIComponent(q)}&page=${page - 1}`}>newer</Link>}
            {(page + 1) * 50 < total && (
              <Link to={`?q=${encodeURIComponent(q)}&page=${page + 1}`}>older</Link>
            )}
          </div>
        </section>
      </main>
    </>
  );
}
