import type { Columns, StackLayer } from '../../../core/heat/columns';
import * as wording from '../../../words/screens/heat';

const fillOf: Partial<Record<StackLayer['material'], string>> = {
  glass: 'var(--glass)',
  adhesive: 'var(--saffron)',
  aluminium: 'var(--metal)',
  steel: 'var(--metal)',
  air: 'none',
  cell: 'var(--moss-soft)',
  rim: 'var(--metal-soft)',
  panel: 'var(--metal-soft)',
};
/** Height of a millimetre, and the least height of a layer that has a name. */
const mmPx = 13;
const leastPx = 15;

/** The two ways through the device, layer by layer from the heated face, to scale where a layer is thick enough to be named. */
export function ColumnsDrawn({ columns }: { columns: Columns }) {
  return (
    <div className="row top gap-8">
      <Column title={wording.atTheEdge} layers={columns.edge} />
      {columns.cell && <Column title={wording.overTheCell} layers={columns.cell} />}
    </div>
  );
}
function Column({ title, layers }: { title: string; layers: readonly StackLayer[] }) {
  const heights = layers.map((l) => Math.max(leastPx, l.thicknessMm.likely * mmPx));
  const tops = heights.map((_, k) => heights.slice(0, k).reduce((sum, h) => sum + h, 0));
  const height = heights.reduce((sum, h) => sum + h, 0);
  return (
    <figure className="fill m-0">
      <figcaption className="small strong">{title}</figcaption>
      <svg
        viewBox={`0 0 200 ${height + 2}`}
        width="100%"
        role="img"
        aria-label={layers.map(nameOf).join(', ')}
      >
        {layers.map((layer, k) => (
          <g key={layer.name}>
            <rect
              x={1}
              y={tops[k]! + 1}
              width={66}
              height={heights[k]!}
              fill={fillOf[layer.material] ?? 'var(--part)'}
              stroke="var(--metal)"
              strokeDasharray={layer.material === 'air' ? '3 2' : undefined}
            />
            <text x={76} y={tops[k]! + heights[k]! / 2 + 5} fontSize={13}>
              {nameOf(layer)}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}
const nameOf = ({ name, thicknessMm }: StackLayer) => wording.layer(name, thicknessMm.likely.toFixed(1));
