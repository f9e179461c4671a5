import { useNavigation, useSearchParams } from 'react-router';
import { addressOf } from '../../../forms/address';
import { modelOrigins, type ModelsQuery, modelsQuery } from '../../../forms/models-query';
import type { LibraryLine } from '../../../core/wire/library';
import { libraryPage, mayModel } from '../../../server/use-cases/library';
import * as wording from '../../../words/screens/models';
import { plural } from '../../../words/things';
import { requirePerson } from '../../context';
import { type DataColumn, DataTable } from '../../ui/data-table';
import { Pick } from '../../ui/pick';
import { SearchForm } from '../../ui/search-field';
import { Link } from 'react-router';
import { Tag } from 'antd';
import type { Route } from './+types/models';
import { BringIn } from './bring-in';
import { RecordDevice } from './record-device';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const query = modelsQuery.parse(Object.fromEntries(new URL(request.url).searchParams));
  return { query, may: mayModel(who.role), models: await libraryPage(who, query) };
}
const columns: DataColumn<LibraryLine>[] = [
  {
    title: wording.model,
    cell: (line) => (
      <>
        <Link to={`/models/${line.hash}`} className="strong">
          {line.name}
        </Link>
        {line.practice && <Tag className="beside">{wording.practice}</Tag>}
        {line.parts === 0 && <Tag className="beside">{wording.toBeRecorded}</Tag>}
        {!line.offered && <Tag className="beside">{wording.notOffered}</Tag>}
      </>
    ),
    sort: (line) => line.name,
  },
  { title: wording.variants, align: 'right', cell: (line) => line.variants, sort: (line) => line.variants },
  { title: wording.partsOf, align: 'right', cell: (line) => line.parts, sort: (line) => line.parts },
  { title: wording.screws, align: 'right', cell: (line) => line.screws, sort: (line) => line.screws },
  { title: wording.versions, align: 'right', cell: (line) => line.versions, sort: (line) => line.versions },
  { title: wording.jobs, align: 'right', cell: (line) => line.jobs, sort: (line) => line.jobs },
];
/** The devices that the workshop knows: its own, and those to learn with. */
export default function Models({ loaderData: { query, may, models } }: Route.ComponentProps) {
  const [, setParams] = useSearchParams();
  const loading = useNavigation().state === 'loading';
  const ask = (change: Partial<ModelsQuery>) => setParams(addressOf(modelsQuery, { ...query, ...change }));
  return (
    <main className="page stack">
      <div className="cols main-narrow high">
        <section className="card stack" aria-label={wording.models}>
          <div>
            <h1>{wording.models}</h1>
            <span className="muted">{wording.known(plural(models.length, 'model'))}</span>
          </div>
          <SearchForm
            label={wording.search}
            hint={wording.searchHint}
            className="grow-260"
            words={query.q}
            onWords={(q) => ask({ q })}
          >
            <Pick
              aria-label={wording.whose}
              value={query.from}
              onChange={(from) => ask({ from: from as ModelsQuery['from'] })}
              options={[
                { value: '', label: wording.allOfThem },
                ...modelOrigins.map((origin) => ({
                  value: origin as string,
                  label: wording.originName[origin],
                })),
              ]}
            />
          </SearchForm>
          <DataTable
            name={wording.models}
            rows={models}
            columns={columns}
            rowKey={(line) => line.hash}
            loading={loading}
            empty={query.q || query.from ? wording.noneFound : wording.noneYet}
          />
        </section>
        <div className="stack">
          <RecordDevice models={models} />
          <BringIn may={may} />
        </div>
      </div>
    </main>
  );
}
