import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { areaRatio, ballOf, leastAreaRatio, pasteMetal } from '../../../core/rework/balls';
import { type Fit, findStencils } from '../../../core/rework/stencil';
import type { ChipChoice, StencilRow } from '../../../core/wire/stencils';
import { changeStencils, stencilsPage } from '../../../server/use-cases/stencils';
import { mayStock } from '../../../server/use-cases/stock';
import * as wording from '../../../words/screens/stencils';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { BallField } from '../../ui/ball-field';
import { type DataColumn, DataTable } from '../../ui/data-table';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import { SearchField } from '../../ui/search-field';
import { StockSide } from '../../ui/stock-side';
import { StockTabs } from '../../ui/stock-tabs';
import { useStock } from '../../ui/use-stock';
import type { Route } from './+types/stencils';
import { AddStencil } from './add-stencil';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  return { may: mayStock(who.role), ...(await stencilsPage(who)) };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeStencils(who, await jsonBody(request));
}
export type Said = Awaited<ReturnType<typeof action>>;

/** A stencil, and where a chip lies on it. */
type Row = StencilRow & { fit?: Fit };

/** The stencils of the workshop, and which of them a chip can be balled with. */
export default function Stencils({ loaderData: { may, stencils, chips } }: Route.ComponentProps) {
  const { ask, said, busy } = useStock<Said>();
  const [text, setText] = useState('');
  const [chipId, setChipId] = useState<string>();
  const chip = chips.find((c) => c.id === chipId);
  const found = useMemo(() => (chip ? findStencils(chip, stencils) : undefined), [chip, stencils]);
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const rows: Row[] = found
    ? found.fits.map((fit) => ({ ...stencils.find((s) => s.id === fit.id)!, fit }))
    : stencils;
  const shown = rows.filter((s) => words.every((w) => `${s.name} ${s.pitchMm}`.toLowerCase().includes(w)));
  const nearest = stencils.find((s) => s.id === found?.nearest?.id);
  return (
    <main className="page stack">
      <StockTabs />
      <div className="cols main-narrow high">
        <section className="card stack gap-8" aria-label={wording.stencils}>
          <div className="spread">
            <div>
              <h1>{wording.stencils}</h1>
              <span className="muted">{wording.count(stencils.length)}</span>
            </div>
            <div className="row">
              <SearchField
                label={wording.search}
                hint={wording.searchHint}
                className="w-240"
                value={text}
                onChange={(e) => setText(e.target.value)}
              />
              <Button href="/stock/stencils.csv" download>
                {wording.csv}
              </Button>
              <Button href="/stock/stencils.json" download>
                {wording.json}
              </Button>
            </div>
          </div>
          <Field label={wording.forChip} htmlFor="for-chip">
            <Pick
              id="for-chip"
              allowClear
              placeholder={wording.anyChip}
              value={chipId ?? null}
              onChange={(id) => setChipId(id ?? undefined)}
              options={chips.map((c) => ({ value: c.id, label: c.name }))}
            />
          </Field>
          {found && !found.fits.length && (
            <Note tone="warn">{wording.noneFits(nearest?.name, found.nearest?.why ?? '')}</Note>
          )}
          {stencils.length === 0 ? (
            <p>{wording.empty}</p>
          ) : (
            <DataTable
              name={wording.stencils}
              rows={shown}
              rowKey={(s) => s.id}
              columns={columnsOf(chip, may, ask)}
              empty={wording.noneMatches(text)}
            />
          )}
          <p className="muted small m-0">{wording.restsOn}</p>
        </section>
        <StockSide
          said={said}
          may={may}
          hint={wording.importHint}
          accept=".csv,text/csv,.json,application/json"
          whoMay={wording.whoMay}
          onCsv={(csv) => ask({ do: 'import', csv })}
        >
          <AddStencil said={said} busy={busy} ask={ask} />
        </StockSide>
      </div>
    </main>
  );
}
const ballMmOf = ({ shape, apertureMm, thicknessMm }: StencilRow): number | undefined =>
  apertureMm === null || thicknessMm === null
    ? undefined
    : ballOf({ shape, sizeMm: apertureMm }, thicknessMm, pasteMetal).ballMm;
function BallMade({ stencil, chip }: { stencil: StencilRow; chip: ChipChoice | undefined }) {
  const mm = ballMmOf(stencil);
  if (mm === undefined) return <span className="muted">{wording.unknown}</span>;
  return (
    <>
      {wording.mm(Math.round(mm * 1000) / 1000)}
      {chip && (
        <div className="small muted">{wording.ballOff(Math.round(((mm / chip.ballMm) ** 3 - 1) * 100))}</div>
      )}
    </>
  );
}
function Ratio({ stencil: { shape, apertureMm, thicknessMm } }: { stencil: StencilRow }) {
  if (apertureMm === null || thicknessMm === null) return <span className="muted">{wording.unknown}</span>;
  const ratio = areaRatio({ shape, sizeMm: apertureMm }, thicknessMm);
  return (
    <>
      {ratio.toFixed(2)}
      {ratio < leastAreaRatio && <div className="small brick">{wording.tooLow}</div>}
    </>
  );
}
const fitText = ({ exact, offset: [row, column], rotation }: Fit): string =>
  wording.turned(exact ? wording.exact : wording.inPart(row, column), rotation);
const columnsOf = (
  chip: ChipChoice | undefined,
  may: boolean,
  ask: (b: Record<string, unknown>) => void,
): DataColumn<Row>[] => [
  { title: wording.name, cell: (s) => <span className="strong">{s.name}</span>, sort: (s) => s.name },
  {
    title: wording.field,
    cell: (s) => (
      <span className="row gap-8 one-line">
        <BallField pattern={s.pattern} size={34} />
        <span className="small">
          {wording.fieldOf(
            s.pattern.length,
            s.pattern[0]?.length ?? 0,
            [...s.pattern.join('')].filter((dot) => dot === '1').length,
          )}
        </span>
      </span>
    ),
  },
  {
    title: wording.pitch,
    align: 'right',
    className: 'nowrap',
    cell: (s) => wording.mm(s.pitchMm),
    sort: (s) => s.pitchMm,
  },
  {
    title: wording.aperture,
    align: 'right',
    className: 'nowrap',
    cell: (s) => (s.apertureMm === null ? wording.unknown : wording.mm(s.apertureMm)),
  },
  {
    title: wording.ball,
    align: 'right',
    className: 'nowrap',
    cell: (s) => <BallMade stencil={s} chip={chip} />,
  },
  { title: wording.ratio, align: 'right', cell: (s) => <Ratio stencil={s} /> },
  ...(chip ? [{ title: wording.fits, cell: (s: Row) => (s.fit ? fitText(s.fit) : '') }] : []),
  ...(may
    ? [
        {
          title: '',
          align: 'right' as const,
          cell: (s: Row) => (
            <Button aria-label={wording.takeOut(s.name)} onClick={() => ask({ do: 'remove', id: s.id })}>
              ×
            </Button>
          ),
        },
      ]
    : []),
];
