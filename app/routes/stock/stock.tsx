import { Form, Input, Button, type InputProps } from 'antd';
import { useEffect, useState } from 'react';
import { Form as SearchForm, Link } from 'react-router';
import { z } from 'zod';
import { provenances, releases } from '../../../core/job/events';
import { stripFor } from '../../../server/use-cases/bench-page';
import {
  changeStock,
  mayStock,
  stockPage,
  type StockModel,
  type StockPart,
} from '../../../server/use-cases/stock';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { CsvImport } from '../../ui/csv-import';
import { Head } from '../../ui/head';
import { StockTabs } from '../../ui/stock-tabs';
import { useStock } from '../../ui/use-stock';
import { Pick } from '../../ui/pick';
import { plural } from '../../words/things';
import { money } from '../../words/time';
import type { Route } from './+types/stock';
import { Field } from '../../ui/field';
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
    who,
    q,
    page,
    may: mayStock(who.role),
    now: Date.now(),
    strip: await stripFor(who),
    ...(await stockPage(who, q.trim(), page)),
  };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeStock(who, await jsonBody(request));
}
type Said = Awaited<ReturnType<typeof action>>;

export default function Stock({ loaderData }: Route.ComponentProps) {
  const { who, q, page, parts, total, free, models, may } = loaderData;
  const { strip, search, ask, said, busy } = useStock<Said>(loaderData);
  const name = (p: StockPart) => models.find((m) => m.id === p.modelId);
  return (
    <>
      <Head who={who} jobs={strip} />
      <main className="page stack">
        <StockTabs />
        <div
          className="cols"
          style={{ gridTemplateColumns: 'minmax(0,2.4fr) minmax(0,1fr)', alignItems: 'start' }}
        >
          <section className="card" aria-label="Parts">
            <div className="spread" style={{ marginBottom: 8 }}>
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
                    style={{ width: 300 }}
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
            <div className="row" style={{ marginTop: 8 }}>
              {page > 0 && <Link to={`?q=${encodeURIComponent(q)}&page=${page - 1}`}>before</Link>}
              {(page + 1) * 100 < total && (
                <Link to={`?q=${encodeURIComponent(q)}&page=${page + 1}`}>more</Link>
              )}
            </div>
          </section>
          <div className="stack">
            {said &&
              (said.ok ? (
                <div className="note safe" role="status">
                  {said.said}
                </div>
              ) : (
                said.errors.form && (
                  <div className="note stop" role="alert">
                    {said.errors.form}
                  </div>
                )
              ))}
            {may ? (
              <>
                <AddPart models={models} currency={who.settings.currency} said={said} busy={busy} ask={ask} />
                <CsvImport
                  hint="A CSV file whose first line names the columns: model, slot, provenance and price; name, supplier, lot, serial, arrives_with, released and proof where they are known."
                  error={said && !said.ok ? said.errors.csv : undefined}
                  onCsv={(csv) => ask({ do: 'import', csv })}
                />
              </>
            ) : (
              <section className="card">
                <p className="muted">
                  An owner or a lead adds parts. Everybody chooses from them, on a job’s Offer.
                </p>
              </section>
            )}
          </div>
        </div>
      </main>
    </>
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
  const [proof, setProof] = useState<string>();
  if (proof === undefined)
    return (
      <span className="row" style={{ gap: 6, marginTop: 4 }}>
        <span className="chip bad small" style={{ padding: '1px 8px' }}>
          locked to an account
        </span>
        {may && <Button onClick={() => setProof('')}>Released…</Button>}
      </span>
    );
  return (
    <Form
      className="field"
      onFinish={() => {
        ask({ do: 'change', id: part.id, released: 'proof seen', proof });
      }}
      layout="vertical"
    >
      <label htmlFor={`proof-${part.id}`} className="small">
        What proves it?
      </label>
      <Input
        id={`proof-${part.id}`}
        maxLength={200}
        value={proof}
        onChange={(e) => setProof(e.target.value)}
      />
      {said && !said.ok && said.errors.proof && (
        <span className="error small" role="alert">
          {said.errors.proof}
        </span>
      )}
      <Button htmlType="submit">Keep</Button>
    </Form>
  );
}

const blank = {
  name: '',
  model: '',
  slot: '',
  provenance: 'new original',
  supplier: '',
  lot: '',
  serial: '',
  price: '',
  arrives_with: '',
  released: 'not needed',
  proof: '',
};
function AddPart({
  models,
  currency,
  said,
  busy,
  ask,
}: {
  models: StockModel[];
  currency: string;
  said: Said | undefined;
  busy: boolean;
  ask: (b: Record<string, unknown>) => void;
}) {
  const [p, setP] = useState(blank);
  const [sent, setSent] = useState(false);
  const errors = sent && said && !said.ok ? said.errors : {};
  useEffect(() => {
    if (said?.ok && sent) {
      setP((old) => ({ ...blank, model: old.model, provenance: old.provenance, supplier: old.supplier }));
      setSent(false);
    }
  }, [said, sent]);
  const set = (k: keyof typeof blank) => (e: { target: { value: string } }) =>
    setP({ ...p, [k]: e.target.value });
  const slots = models.find((m) => m.id === p.model)?.slots ?? [];
  const seals = models.find((m) => m.id === p.model)?.seals ?? [];
  const field = (k: keyof typeof blank, label: string, more: InputProps = {}) => (
    <Field label={label} htmlFor={`part-${k}`} style={{ flex: '1 1 110px', minWidth: 0 }}>
      <Input
        id={`part-${k}`}
        value={p[k]}
        onChange={set(k)}
        aria-invalid={!!errors[k]}
        status={errors[k] ? 'error' : ''}
        {...more}
      />
      {errors[k] && (
        <span className="error small" role="alert">
          {errors[k]}
        </span>
      )}
    </Field>
  );
  const select = (k: keyof typeof blank, label: string, options: readonly (readonly [string, string])[]) => (
    <Field label={label} htmlFor={`part-${k}`} style={{ flex: '1 1 110px', minWidth: 0 }}>
      <Pick
        id={`part-${k}`}
        placeholder="choose…"
        value={p[k] || undefined}
        onChange={(value) => setP({ ...p, [k]: value })}
        status={errors[k] ? 'error' : ''}
        options={options.map(([value, label]) => ({ value, label }))}
      />
      {errors[k] && (
        <span className="error small" role="alert">
          {errors[k]}
        </span>
      )}
    </Field>
  );
  const plain = (list: readonly string[]) => list.map((x) => [x, x] as const);
  return (
    <section className="card" aria-label="Add a part">
      <Form
        className="stack"
        onFinish={() => {
          setSent(true);
          ask({ do: 'add', part: p });
        }}
        layout="vertical"
      >
        <h2>Add a part</h2>
        <div className="row" style={{ alignItems: 'flex-start', gap: 8, flexWrap: 'nowrap' }}>
          {select(
            'model',
            'Model',
            models.map((m) => [m.id, m.name] as const),
          )}
          {select(
            'slot',
            'Place',
            slots.map((s) => [s.id, s.name] as const),
          )}
        </div>
        <div className="row" style={{ alignItems: 'flex-start', gap: 8, flexWrap: 'nowrap' }}>
          {select('provenance', 'Where from', plain(provenances))}
          {field('price', `Price, ${currency}`, { inputMode: 'decimal', maxLength: 16 })}
        </div>
        <div className="row" style={{ alignItems: 'flex-start', gap: 8, flexWrap: 'nowrap' }}>
          {field('supplier', 'Supplier', { maxLength: 120 })}
          {field('lot', 'Lot', { maxLength: 60 })}
          {field('serial', 'Serial', { maxLength: 60 })}
        </div>
        {slots.length > 0 && (
          <details>
            <summary
              style={{ minHeight: 32, cursor: 'pointer' }}
            >{`Comes fitted with${p.arrives_with ? `: ${p.arrives_with.split(';').length}` : ' …'}`}</summary>
            <div className="row" style={{ gap: 6, maxHeight: 160, overflow: 'auto' }}>
              {[
                ...slots.filter((s) => s.id !== p.slot),
                ...seals.filter((b) => b.holds.includes(p.slot)),
              ].map((s) => {
                const list = p.arrives_with.split(';').filter(Boolean);
                const on = list.includes(s.id);
                return (
                  <Button
                    key={s.id}
                    type={on ? 'primary' : 'default'}
                    aria-pressed={on}
                    onClick={() =>
                      setP({
                        ...p,
                        arrives_with: (on ? list.filter((x) => x !== s.id) : [...list, s.id]).join(';'),
                      })
                    }
                  >
                    {s.name}
                  </Button>
                );
              })}
            </div>
          </details>
        )}
        <div className="row" style={{ alignItems: 'flex-start', gap: 8, flexWrap: 'nowrap' }}>
          {select('released', 'Former account', plain(releases))}
          {p.released === 'proof seen' && field('proof', 'What proves the release', { maxLength: 200 })}
        </div>
        <div className="row">
          <Button htmlType="submit" type="primary" disabled={busy}>
            Add
          </Button>
        </div>
      </Form>
    </section>
  );
}
