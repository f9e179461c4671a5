import * as wording from '../../../words/screens/work';
import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { flag } from '../../../core/log/state';
import { type IndexedModel, indexModel } from '../../../core/model/index-model';
import { indexOfJob } from '../../../core/record/model-of-job';
import { type MatCell, matPage } from '../../../core/screws/mat-layout';
import { ScrewHead } from '../../ui/recess';
import { loadJob } from '../job-loader';
import type { Route } from './+types/mat-print';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  return loadJob(request, context, params.job);
}

/** The mat on paper, 1:1 on A4 or Letter, to lie under a magnetic mat: four pages of it to a sheet. */
export default function MatPrint({ loaderData: { page } }: Route.ComponentProps) {
  const index = indexOfJob(indexModel(page.model), page.state);
  const route = new Set(
    (page.route?.steps ?? [])
      .filter((s) => s.action === 'unscrew' || s.action === 'fasten')
      .flatMap((s) => s.targets),
  );
  const [all, setAll] = useState(route.size === 0);
  const cells = page.mat.filter((c) => all || route.has(c.id));
  const pages = [...new Set(cells.map((c) => c.page))].sort((a, b) => a - b);
  return (
    <main className="page stack mat-print">
      <div className="row noprint">
        <Link to={`/jobs/${page.id}/work`}>{wording.backToWork}</Link>
        <Button type="primary" onClick={() => window.print()}>
          {wording.print}
        </Button>
        {route.size > 0 && (
          <Checkbox checked={all} onChange={(e) => setAll(e.target.checked)}>
            {wording.everyScrewOfTheModel}
          </Checkbox>
        )}
        <span className="muted">{wording.printAt100NotFitted}</span>
      </div>
      <div className="spread small">
        <span className="strong">{wording.matOf(index.model.name, flag(page.state, 'tag') ?? '')}</span>
        <span className="row gap-6">
          {wording.n50Mm}
          <Ruler />
        </span>
      </div>
      <div className="mat-sheets">
        {pages.map((p) => (
          <MatSheet
            key={p}
            index={index}
            cells={cells.filter((c) => c.page === p)}
            nr={pages.indexOf(p) + 1}
            of={pages.length}
          />
        ))}
      </div>
    </main>
  );
}

/** By which one sees that it was printed at 100 %. */
function Ruler() {
  return (
    <svg width="50mm" height="3mm" viewBox="0 0 50 3" role="img" aria-label={wording.n50MmRuler}>
      {Array.from({ length: 6 }, (_, i) => (
        <line
          key={`r${i * 10}`}
          x1={Math.min(49.85, Math.max(0.15, i * 10))}
          x2={Math.min(49.85, Math.max(0.15, i * 10))}
          y1={0}
          y2={3}
          stroke="var(--ink)"
          strokeWidth={0.3}
        />
      ))}
      <line x1={0} x2={50} y1={2.8} y2={2.8} stroke="var(--ink)" strokeWidth={0.3} />
    </svg>
  );
}

/** One page of the mat: every screw's place with its head and its length, both to scale. */
function MatSheet({
  index,
  cells,
  nr,
  of,
}: {
  index: IndexedModel;
  cells: readonly MatCell[];
  nr: number;
  of: number;
}) {
  return (
    <svg
      width={`${matPage.widthMm}mm`}
      height={`${matPage.heightMm}mm`}
      viewBox={`0 0 ${matPage.widthMm} ${matPage.heightMm}`}
      role="img"
      aria-label={wording.matPageOf(nr, of)}
    >
      <rect
        x={0.2}
        y={0.2}
        width={matPage.widthMm - 0.4}
        height={matPage.heightMm - 0.4}
        rx={3}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.3}
      />
      <text
        x={matPage.widthMm - 2}
        y={matPage.heightMm - 2}
        fontSize={3}
        textAnchor="end"
      >{`${nr} / ${of}`}</text>
      {cells.map(({ id, x, y }) => {
        const fastener = index.fasteners.get(id)!;
        return (
          <g key={id} data-cell={id}>
            <circle
              cx={x}
              cy={y - 2.6}
              r={3.4}
              fill="none"
              stroke="var(--metal)"
              strokeWidth={0.2}
              strokeDasharray="0.8 0.6"
            />
            <ScrewHead drive={fastener.drive} x={x} y={y - 2.6} r={fastener.headMm / 2} tone="dim" />
            <text x={x} y={y + 3.8} fontSize={3.2} textAnchor="middle" fontWeight={700}>
              {id}
            </text>
            <rect
              x={x - fastener.lengthMm / 2}
              y={y + 4.8}
              width={fastener.lengthMm}
              height={0.7}
              fill="var(--ink)"
            />
            <text x={x + fastener.lengthMm / 2 + 0.5} y={y + 6.1} fontSize={2.6}>
              {fastener.lengthMm}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
