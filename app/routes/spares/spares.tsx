import * as wording from '../../../words/screens/spares';
import { Button } from 'antd';
import { useState } from 'react';
import { changeSpares, sparesPage } from '../../../server/use-cases/spares';
import type { SpareRow } from '../../../core/wire/stock';
import { mayStock } from '../../../server/use-cases/stock';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { LengthBar, Recess } from '../../ui/recess';
import { SearchField } from '../../ui/search-field';
import { StockTabs } from '../../ui/stock-tabs';
import { useStock } from '../../ui/use-stock';
import type { Route } from './+types/spares';
import { type DataColumn, DataTable } from '../../ui/data-table';
import { AddScrew } from './add-screw';
import { StockSide } from '../../ui/stock-side';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  return {
    may: mayStock(who.role),
    now: Date.now(),
    screws: await sparesPage(who),
  };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeSpares(who, await jsonBody(request));
}
export type Said = Awaited<ReturnType<typeof action>>;

/** Loose screws by what they are: what stands in when one is lost, stripped or does not hold. */
export default function Spares({ loaderData }: Route.ComponentProps) {
  const { may, screws } = loaderData;
  const { ask, said, busy } = useStock<Said>();
  const [text, setText] = useState('');
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const shown = screws.filter((s) =>
    words.every((w) =>
      `${s.drive} ${s.thread} ${s.lengthMm} ${s.headMm} ${s.note}`.toLowerCase().includes(w),
    ),
  );
  const longest = Math.max(2.4, ...screws.map((s) => s.lengthMm));
  const total = screws.reduce((n, s) => n + s.count, 0);
  return (
    <main className="page stack">
      <StockTabs />
      <div className="cols main-narrow high">
        <section className="card" aria-label={wording.sparesBox}>
          <div className="spread under-8">
            <div>
              <h1>{wording.sparesBox}</h1>
              <span className="muted">{wording.screwsOfKinds(total, screws.length)}</span>
            </div>
            <div className="row">
              <SearchField
                label={wording.searchTheBox}
                hint={wording.driveThreadLength}
                className="w-240"
                value={text}
                onChange={(e) => setText(e.target.value)}
              />
              <Button href="/stock/spares.csv" download>
                {wording.csv}
              </Button>
            </div>
          </div>
          {screws.length === 0 ? (
            <p>{wording.screwsThatAreLeftOver}</p>
          ) : shown.length === 0 ? (
            <p>{wording.nothingInTheBoxMatches(text)}</p>
          ) : (
            <DataTable
              name={wording.screwsInTheBox}
              rows={shown}
              rowKey={(s) => s.id}
              columns={columnsOf(longest, may, ask)}
            />
          )}
        </section>
        <StockSide
          said={said}
          may={may}
          hint={wording.aCsvFileWhoseFirst}
          whoMay={wording.anOwnerOrALead}
          onCsv={(csv) => ask({ do: 'import', csv })}
        >
          <AddScrew said={said} busy={busy} ask={ask} />
        </StockSide>
      </div>
    </main>
  );
}

/** A kind of screw with its drive, thread and length to scale; how many there are, and for those who may, one more or less. */
const columnsOf = (
  longest: number,
  may: boolean,
  ask: (b: Record<string, unknown>) => void,
): DataColumn<SpareRow>[] => [
  {
    title: wording.drive,
    kind: (s) => s.drive,
    sort: (s) => s.drive,
    className: 'nowrap',
    cell: (spareRow) => (
      <span className="row gap-8 one-line">
        <Recess drive={spareRow.drive as 'P2'} size={24} />
        {spareRow.drive}
      </span>
    ),
  },
  { title: wording.thread, kind: (s) => s.thread, sort: (s) => s.thread, cell: (s) => s.thread },
  {
    title: wording.length,
    sort: (s) => s.lengthMm,
    className: 'nowrap',
    cell: (spareRow) => (
      <span className="row gap-8 one-line">
        <LengthBar lengthMm={spareRow.lengthMm} longestMm={longest} />
        {wording.inMm(spareRow.lengthMm)}
      </span>
    ),
  },
  { title: wording.head, sort: (s) => s.headMm, className: 'nowrap', cell: (s) => wording.inMm(s.headMm) },
  { title: wording.note, className: 'small', cell: (s) => s.note },
  {
    title: wording.howMany,
    className: 'nowrap',
    align: 'right',
    sort: (s) => s.count,
    cell: (s) => <HowMany screw={s} may={may} ask={ask} />,
  },
];

function HowMany({
  screw: s,
  may,
  ask,
}: {
  screw: SpareRow;
  may: boolean;
  ask: (b: Record<string, unknown>) => void;
}) {
  return (
    <>
      {may && (
        <Button
          aria-label={wording.oneLessMm(s.drive, s.lengthMm)}
          disabled={s.count === 0}
          onClick={() => ask({ do: 'count', id: s.id, by: -1 })}
        >
          −
        </Button>
      )}{' '}
      <span className={`inline-block min-w-34 to-middle strong ${s.count === 0 ? 'brick' : ''}`}>
        {s.count}
      </span>{' '}
      {may && (
        <>
          <Button
            aria-label={wording.oneMoreMm(s.drive, s.lengthMm)}
            onClick={() => ask({ do: 'count', id: s.id, by: 1 })}
          >
            +
          </Button>{' '}
          <Button
            aria-label={wording.takeOutOfTheBox(s.drive, s.thread, s.lengthMm)}
            onClick={() => ask({ do: 'remove', id: s.id })}
          >
            ×
          </Button>
        </>
      )}
    </>
  );
}
