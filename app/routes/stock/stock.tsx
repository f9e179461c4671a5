import { Tag, Form, Input, Button } from 'antd';
import { useState } from 'react';
import { Form as SearchForm, Link } from 'react-router';
import { z } from 'zod';
import { changeStock, mayStock, stockPage, type StockPart } from '../../../server/use-cases/stock';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { StockTabs } from '../../ui/stock-tabs';
import { useStock } from '../../ui/use-stock';
import { plural } from '../../words/things';
import { money } from '../../words/time';
import type { Route } from './+types/stock';
import { Field } from '../../ui/field';
import { DataTable } from '../../ui/data-table';
import { proofField } from '../../../core/forms/part-fields';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import { AddPart } from './add-part';
import { StockSide } from '../../ui/stock-side';

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
    may: mayStock(who.role),
    now: Date.now(),
    ...(await stockPage(who, q.trim(), page)),
  };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeStock(who, await jsonBody(request));
}
export type Said = Awaited<ReturnType<typeof action>>;

export default function Stock({ loaderData }: Route.ComponentProps) {
  const { who, q, page, parts, total, free, models, may } = loaderData;
  const { search, ask, said, busy } = useStock<Said>();
  const name = (p: StockPart) => models.find((m) => m.id === p.modelId);
  return (
    <main className="page stack">
      <StockTabs />
      <div className="cols main-narrow high">
        <section className="card" aria-label="Parts">
          <div className="spread under-8">
            <div>
              <h1>Stock</h1>
              <span className="muted">{`${plural(free, 'part')} free, ${total - free} chosen or used up`}</span>
            </div>
            <div className="row">
              <SearchForm method="get" role="search">
                <label htmlFor="q" className="sr">
                  Search the stock
                </label>
                <Input
                  ref={search}
                  id="q"
                  name="q"
                  type="search"
                  defaultValue={q}
                  maxLength={80}
                  placeholder="part, model, supplier, serial  ( / )"
                  className="w-300"
                />
              </SearchForm>
              <Button href="/stock.csv" download>
                CSV
              </Button>
            </div>
          </div>
          {parts.length === 0 ? (
            <p>
              {q
                ? `No part matches “${q}”.`
                : 'Parts with where they came from, their price and serial lie here; they are chosen for a job on its Offer and used up by it. Add one, or import a CSV file.'}
            </p>
          ) : (
            <DataTable
              rows={parts}
              rowKey={(p) => p.id}
              onRow={(p) => ({ 'data-testid': `part-${p.serial || p.id}` })}
              columns={[
                {
                  title: 'part',
                  cell: (p) => (
                    <>
                      <span className="strong">{p.name}</span>{' '}
                      <span className="muted nowrap">
                        {name(p)?.name.split(' ').slice(1).join(' ') ?? p.modelId}
                      </span>
                      {p.arrivesWith.length > 0 && (
                        <div className="small muted">{`with ${p.arrivesWith.map((s) => [...(name(p)?.slots ?? []), ...(name(p)?.seals ?? [])].find((x) => x.id === s)?.name ?? s).join(', ')}`}</div>
                      )}
                    </>
                  ),
                },
                {
                  title: 'where from',
                  cell: (p) => (
                    <>
                      {p.provenance}
                      <span className="small muted">{` ${p.supplier}`}</span>
                      {p.released === 'locked' ? (
                        <Locked part={p} may={may} ask={ask} said={said} />
                      ) : (
                        p.released === 'proof seen' && (
                          <div className="small muted">{`released: ${p.proof}`}</div>
                        )
                      )}
                    </>
                  ),
                },
                {
                  title: 'lot, serial',
                  className: 'small',
                  cell: (p) => (
                    <>
                      {p.lot && <span className="nowrap muted">{p.lot} </span>}
                      <span className="nowrap">{p.serial || (p.lot ? '' : '–')}</span>
                    </>
                  ),
                },
                {
                  title: 'price',
                  className: 'nowrap',
                  align: 'right',
                  cell: (p) => money(p.priceMinor, who.settings.currency),
                },
                {
                  title: 'where it is',
                  className: 'small nowrap',
                  cell: (p) =>
                    p.jobId ? (
                      <Link
                        to={`/jobs/${p.jobId}/${p.jobEnding ? 'report' : 'offer'}`}
                      >{`${p.jobEnding ? 'used by' : 'chosen for'} job ${p.jobNumber}`}</Link>
                    ) : may ? (
                      <Button
                        aria-label={`Take out of the stock: ${p.name} ${p.serial}`}
                        onClick={() => ask({ do: 'remove', id: p.id })}
                      >
                        Take out
                      </Button>
                    ) : (
                      <span className="moss">free</span>
                    ),
                },
              ]}
            />
          )}
          <div className="row top-8">
            {page > 0 && <Link to={`?q=${encodeURIComponent(q)}&page=${page - 1}`}>before</Link>}
            {(page + 1) * 100 < total && (
              <Link to={`?q=${encodeURIComponent(q)}&page=${page + 1}`}>more</Link>
            )}
          </div>
        </section>
        <StockSide
          said={said}
          may={may}
          hint="A CSV file whose first line names the columns: model, slot, provenance and price; name, supplier, lot, serial, arrives_with, released and proof where they are known."
          whoMay="An owner or a lead adds parts. Everybody chooses from them, on a job’s Offer."
          onCsv={(csv) => ask({ do: 'import', csv })}
        >
          <AddPart models={models} currency={who.settings.currency} said={said} busy={busy} ask={ask} />
        </StockSide>
      </div>
    </main>
  );
}

/** A part still locked to a former owner's account is not used until somebody has seen the proof of its release. */
function Locked({
  part,
  may,
  ask,
  said,
}: {
  part: StockPart;
  may: boolean;
  ask: (b: Record<string, unknown>) => void;
  said: Said | undefined;
}) {
  const [form] = Form.useForm<{ proof: string }>();
  const [open, setOpen] = useState(false);
  useServerErrors(form, open && said && !said.ok ? said.errors : undefined);
  if (!open)
    return (
      <span className="row">
        <Tag color="error">locked to an account</Tag>
        {may && <Button onClick={() => setOpen(true)}>Released…</Button>}
      </span>
    );
  return (
    <Form
      form={form}
      layout="vertical"
      className="stack"
      initialValues={{ proof: '' }}
      onFinish={({ proof }) => ask({ do: 'change', id: part.id, released: 'proof seen', proof })}
    >
      <Field name="proof" htmlFor={`proof-${part.id}`} label="What proves it?" rules={[ruleOf(proofField)]}>
        <Input id={`proof-${part.id}`} maxLength={200} />
      </Field>
      <Button htmlType="submit">Keep</Button>
    </Form>
  );
}
