import * as wording from '../../../words/screens/stock';
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigation, useSearchParams } from 'react-router';
import { addressOf } from '../../../forms/address';
import { partPlaces, partsPerPage, type StockQuery, stockQuery } from '../../../forms/stock-query';
import { provenances } from '../../../core/log/events';
import { changeStock, mayStock, stockPage } from '../../../server/use-cases/stock';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { ColumnChoice, useShownColumns } from '../../ui/column-choice';
import { DataTable } from '../../ui/data-table';
import { useFormats } from '../../ui/formats';
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
  const { models, may } = loaderData;
  const stock = useStock<Said>();
  return (
    <main className="page stack">
      <StockTabs />
      <div className="cols main-narrow high">
        <Parts loaded={loaderData} stock={stock} />
        <StockSide
          said={stock.said}
          may={may}
          hint={wording.aCsvFileWhoseFirst}
          whoMay={wording.anOwnerOrALead}
          onCsv={(csv) => stock.ask({ do: 'import', csv })}
        >
          <AddPart models={models} said={stock.said} busy={stock.busy} ask={stock.ask} />
        </StockSide>
      </div>
    </main>
  );
}

type Loaded = Route.ComponentProps['loaderData'];
type StockState = ReturnType<typeof useStock<Said>>;
function Parts({ loaded, stock }: { loaded: Loaded; stock: StockState }) {
  const { query, parts, total, free, models, may } = loaded;
  const [, setParams] = useSearchParams();
  const loading = useNavigation().state === 'loading';
  const [picked, setPicked] = useState<string[]>([]);
  const ask = (change: Partial<StockQuery>) =>
    setParams(addressOf(stockQuery, { ...query, page: 0, ...change }));
  const { money } = useFormats();
  const choice = useShownColumns('stock', columnsOf({ models, money, may, ...stock }));
  const chosen = picked.filter((id) => parts.some((p) => p.id === id && p.jobId === null));
  return (
    <section className="card stack" aria-label={wording.parts}>
      <div className="spread">
        <div>
          <h1>{wording.stock}</h1>
          <span className="muted">{wording.freeChosenOrUsedUp(plural(free, 'part'), total - free)}</span>
        </div>
        <div className="row one-line">
          {chosen.length > 0 && (
            <Button danger onClick={() => stock.ask({ do: 'remove', ids: chosen })}>
              {wording.takeOutOf(chosen.length)}
            </Button>
          )}
          <ColumnChoice {...choice} />
          <Button href={`/stock.csv?${addressOf(stockQuery, query)}`} download>
            {wording.csv}
          </Button>
        </div>
      </div>
      <StockFilter query={query} onAsk={ask} />
      {parts.length === 0 ? (
        <p>{addressOf(stockQuery, query) ? wording.noPartMatchesAllOf : wording.partsWithWhereTheyCame}</p>
      ) : (
        <DataTable
          name={wording.partsInStock}
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
          <Button onClick={() => ask({ page: query.page - 1 })}>{wording.theOnesBefore(partsPerPage)}</Button>
        )}
        {(query.page + 1) * partsPerPage < total && (
          <Button onClick={() => ask({ page: query.page + 1 })}>{wording.theNext(partsPerPage)}</Button>
        )}
      </div>
    </section>
  );
}

const placeName = { free: 'free', chosen: wording.chosenForAJob, used: wording.usedUp } as const;
function StockFilter({ query, onAsk }: { query: StockQuery; onAsk: (c: Partial<StockQuery>) => void }) {
  return (
    <SearchForm
      label={wording.searchTheStock}
      hint={wording.partModelSupplierSerial}
      className="grow-200"
      words={query.q}
      onWords={(q) => onAsk({ q })}
    >
      <Pick
        aria-label={wording.whereFromLabel}
        value={query.from}
        onChange={(value) => onAsk({ from: value as StockQuery['from'] })}
        options={[
          { value: '', label: wording.fromAnywhere },
          ...provenances.map((p) => ({ value: p as string, label: p as string })),
        ]}
      />
      <Pick
        aria-label={wording.whereItIsLabel}
        value={query.at}
        onChange={(value) => onAsk({ at: value as StockQuery['at'] })}
        options={[
          { value: '', label: wording.whereverItIs },
          ...partPlaces.map((p) => ({ value: p as string, label: placeName[p] })),
        ]}
      />
    </SearchForm>
  );
}
