import { Button } from 'antd';
import { useState } from 'react';
import { useNavigation, useSearchParams } from 'react-router';
import { addressOf } from '../../../core/forms/address';
import { partPlaces, partsPerPage, type StockQuery, stockQuery } from '../../../core/forms/stock-query';
import { provenances } from '../../../core/log/events';
import { changeStock, mayStock, stockPage } from '../../../server/use-cases/stock';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { ColumnChoice, useShownColumns } from '../../ui/column-choice';
import { DataTable } from '../../ui/data-table';
import { useFrame } from '../../ui/frame';
import { Pick } from '../../ui/pick';
import { SearchForm } from '../../ui/search-field';
import { StockSide } from '../../ui/stock-side';
import { StockTabs } from '../../ui/stock-tabs';
import { useStock } from '../../ui/use-stock';
import { plural } from '../../../words/things';
import type { Route } from './+types/stock';
import { AddPart } from './add-part';
import { columnsOf } from './parts-table';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const query = stockQuery.parse(Object.fromEntries(new URL(request.url).searchParams));
  return { query, may: mayStock(who.role), ...(await stockPage(who, query)) };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeStock(who, await jsonBody(request));
}
export type Said = Awaited<ReturnType<typeof action>>;

/** The parts in the drawer, with where they came from and where they went. */
export default function Stock({ loaderData }: Route.ComponentProps) {
  const { currency } = useFrame().who.settings;
  const { models, may } = loaderData;
  const stock = useStock<Said>();
  return (
    <main className="page stack">
      <StockTabs />
      <div className="cols main-narrow high">
        <Parts loaded={loaderData} stock={stock} currency={currency} />
        <StockSide
          said={stock.said}
          may={may}
          hint="A CSV file whose first line names the columns: model, slot, provenance and price; name, supplier, lot, serial, arrives_with, released and proof where they are known."
          whoMay="An owner or a lead adds parts. Everybody chooses from them, on a job’s Offer."
          onCsv={(csv) => stock.ask({ do: 'import', csv })}
        >
          <AddPart models={models} currency={currency} said={stock.said} busy={stock.busy} ask={stock.ask} />
        </StockSide>
      </div>
    </main>
  );
}

type Loaded = Route.ComponentProps['loaderData'];
type StockState = ReturnType<typeof useStock<Said>>;
function Parts({ loaded, stock, currency }: { loaded: Loaded; stock: StockState; currency: string }) {
  const { query, parts, total, free, models, may } = loaded;
  const [, setParams] = useSearchParams();
  const loading = useNavigation().state === 'loading';
  const [picked, setPicked] = useState<string[]>([]);
  const ask = (change: Partial<StockQuery>) =>
    setParams(addressOf(stockQuery, { ...query, page: 0, ...change }));
  const choice = useShownColumns('stock', columnsOf({ models, currency, may, ...stock }));
  const chosen = picked.filter((id) => parts.some((p) => p.id === id && p.jobId === null));
  return (
    <section className="card stack" aria-label="Parts">
      <div className="spread">
        <div>
          <h1>Stock</h1>
          <span className="muted">{`${plural(free, 'part')} free, ${total - free} chosen or used up`}</span>
        </div>
        <div className="row one-line">
          {chosen.length > 0 && (
            <Button danger onClick={() => stock.ask({ do: 'remove', ids: chosen })}>
              {`Take ${chosen.length} out`}
            </Button>
          )}
          <ColumnChoice {...choice} />
          <Button href={`/stock.csv?${addressOf(stockQuery, query)}`} download>
            CSV
          </Button>
        </div>
      </div>
      <StockFilter query={query} onAsk={ask} />
      {parts.length === 0 ? (
        <p>
          {addressOf(stockQuery, query)
            ? 'No part matches all of this. Leave something out.'
            : 'Parts with where they came from, their price and serial lie here; they are chosen for a job on its Offer and used up by it. Add one, or import a CSV file.'}
        </p>
      ) : (
        <DataTable
          name="Parts in stock"
          rows={parts}
          rowKey={(p) => p.id}
          onRow={(p) => ({ 'data-testid': `part-${p.serial || p.id}` })}
          columns={choice.shown}
          loading={loading}
          ordered={{ by: query.sort, dir: query.dir }}
          onOrder={({ by, dir }) => ask({ sort: by as StockQuery['sort'], dir })}
          chosen={may ? { keys: chosen, onChange: setPicked, may: (p) => p.jobId === null } : undefined}
        />
      )}
      <div className="row">
        {query.page > 0 && (
          <Button onClick={() => ask({ page: query.page - 1 })}>The {partsPerPage} before</Button>
        )}
        {(query.page + 1) * partsPerPage < total && (
          <Button onClick={() => ask({ page: query.page + 1 })}>The next {partsPerPage}</Button>
        )}
      </div>
    </section>
  );
}

const placeName = { free: 'free', chosen: 'chosen for a job', used: 'used up' } as const;
function StockFilter({ query, onAsk }: { query: StockQuery; onAsk: (c: Partial<StockQuery>) => void }) {
  return (
    <SearchForm
      label="Search the stock"
      hint="part, model, supplier, serial"
      className="grow-200"
      words={query.q}
      onWords={(q) => onAsk({ q })}
    >
      <Pick
        aria-label="Where from"
        value={query.from}
        onChange={(value) => onAsk({ from: value as StockQuery['from'] })}
        options={[
          { value: '', label: 'from anywhere' },
          ...provenances.map((p) => ({ value: p as string, label: p as string })),
        ]}
      />
      <Pick
        aria-label="Where it is"
        value={query.at}
        onChange={(value) => onAsk({ at: value as StockQuery['at'] })}
        options={[
          { value: '', label: 'wherever it is' },
          ...partPlaces.map((p) => ({ value: p as string, label: placeName[p] })),
        ]}
      />
    </SearchForm>
  );
}
