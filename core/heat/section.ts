import { materialOf, type Range } from '../thermal/materials';
import type { Layer, Region, SectionProbe } from '../thermal/slab';
import type { Columns, StackLayer } from './columns';

/** How wide the ledge is that the seal lies on, and how far from it the cell begins, mm; from memory. */
const ledgeMm: Range = { low: 1.6, likely: 2.2, high: 3 };
const besideCellMm = 1.5;
/** How far from the edge reaches what warms the edge alone, mm; from memory. */
const stripMm = 12;

/** The next figure of the standard normal; 0 is the likely device. */
export type Next = () => number;
const spreadOf = ({ low, high }: Range) => Math.log(high / low) / 2 / 1.2816;
/** What is known to two in a hundred is taken as known. */
const exactly = 0.02;
/** The product of two figures that are not known exactly. */
function productOf(a: Range, b: Range): Range {
  const spread = Math.exp(1.2816 * Math.hypot(spreadOf(a), spreadOf(b)));
  const likely = a.likely * b.likely;
  return { low: likely / spread, likely, high: likely * spread };
}
/** A positive figure: low and high are the tenth and the ninetieth of a hundred, about the likely one by a factor. */
export const factor = (range: Range, z: number): number => range.likely * Math.exp(z * spreadOf(range));
/** A figure that may be below zero. */
export const shifted = ({ low, likely, high }: Range, z: number): number =>
  likely + (z * (high - low)) / 2 / 1.2816;

/**
 * The cross-section of a device at the long edge of its cover: the rim with the seal on its ledge, the air beside the cell, and
 * the cell to the middle of the device, of which the first stretch is warmed with the edge. Geometry is that of the likely device; a layer that is thicker by a factor resists as
 * much more and holds as much more, which is the same to heat.
 * @param next one figure for each thing that is not known exactly, always in the same order
 */
export function sectionOf(columns: Columns, next: Next): Region[] {
  const known = new Map<string, number>();
  // one material is one material, and one layer one layer, wherever it lies in this device
  const drawn = (key: string, range: Range): number => {
    const own = known.get(key) ?? (spreadOf(range) < exactly ? range.likely : factor(range, next()));
    known.set(key, own);
    return own;
  };
  const layer = ({ name, material, thicknessMm }: StackLayer): Layer => {
    const { kWmK, kAlongWmK, densityKgM3, cpJkgK } = materialOf(material);
    const thicker = drawn(`mm ${name} ${material}`, thicknessMm) / thicknessMm.likely;
    const k = drawn(`k ${material}`, kWmK);
    const along = kAlongWmK ? drawn(`along ${material}`, kAlongWmK) : k;
    // what a layer holds is density times heat capacity: one unknown with the spread of both
    const heat = drawn(`heat ${material}`, productOf(densityKgM3, cpJkgK));
    return {
      name,
      thicknessMm: thicknessMm.likely,
      kWmK: k / thicker,
      kAlongWmK: along * thicker,
      densityKgM3: densityKgM3.likely,
      cpJkgK: (heat * thicker) / densityKgM3.likely,
    };
  };
  const edge = columns.edge.map(layer);
  const cell = columns.cell?.map(layer);
  const wall = factor(ledgeMm, next());
  const high = Math.max(thickness(edge), cell ? thickness(cell) : 0);
  // what fills a column to the thickness of the device: a frame of metal goes on, else it is air
  const air = (mm: number): Layer =>
    layer({ name: 'air', material: 'air', thicknessMm: { low: mm, likely: mm, high: mm } });
  const filled = (own: readonly Layer[], of: readonly StackLayer[]): Layer[] => {
    const short = high - thickness(own);
    if (short < 1e-6) return [...own];
    const last = own.at(-1)!;
    return metal.has(of.at(-1)!.material)
      ? [...own.slice(0, -1), { ...last, thicknessMm: last.thicknessMm + short }]
      : [...own, air(short)];
  };
  const rim: Region = { name: 'rim', widthMm: wall, layers: filled(edge, columns.edge) };
  if (!cell) return [rim];
  const over = filled(cell, columns.cell!);
  const near = stripMm - ledgeMm.likely - besideCellMm;
  return [
    rim,
    { name: 'beside', widthMm: besideCellMm, layers: beside(cell, columns.cell!, air, high) },
    ...(['near', 'cell'] as const).map((name) => ({
      name,
      widthMm: name === 'near' ? near : Math.max(5, columns.halfWidthMm - stripMm),
      layers: over,
    })),
  ];
}
const metal: ReadonlySet<string> = new Set(['aluminium', 'steel']);
const thickness = (layers: readonly Layer[]) => layers.reduce((mm, l) => mm + l.thicknessMm, 0);
/** Between frame and cell: what lies over the cell, then air, then the floor that both stand on. */
function beside(
  cell: readonly Layer[],
  of: readonly StackLayer[],
  air: (mm: number) => Layer,
  high: number,
): Layer[] {
  const at = of.findIndex((l) => l.material === 'cell');
  const over = cell.slice(0, of[at - 1]?.material === 'air' ? at - 1 : at);
  const last = of.length - 1;
  const floor = last > at && metal.has(of[last]!.material) ? [cell[last]!] : [];
  const left = thickness(cell) - thickness(over) - thickness(floor);
  const above = high - thickness(cell);
  return [
    ...over,
    air(left),
    ...floor,
    ...(above > 1e-6 ? [air(above)].map((l) => ({ ...l, name: 'above' })) : []),
  ];
}

/** Where it is looked: the middle of the seal, the glass over it, and the places where a cell is warmest. */
export function probesOf(columns: Columns): SectionProbe[] {
  const rim = { region: 'rim', across: 0.5 };
  const cell = columns.cell?.find((l) => l.material === 'cell')?.name;
  return [
    { name: 'bond', ...rim, layer: columns.bond, at: 0.5 },
    { name: 'glass', ...rim, layer: columns.edge[0]!.name, at: 0 },
    ...(cell === undefined
      ? []
      : [
          { name: 'cell front', region: 'near', layer: cell, at: 0, across: 0 },
          { name: 'cell back', region: 'near', layer: cell, at: 1, across: 0 },
          { name: 'cell middle', region: 'cell', layer: cell, at: 0, across: 1 },
        ]),
  ];
}
