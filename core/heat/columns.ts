import type { Slot } from '../model/schema';
import type { IndexedModel } from '../model/index-model';
import type { MaterialId, Range } from '../thermal/materials';

/** One layer of a column as it is known: of what, and between which thicknesses. */
export interface StackLayer {
  name: string;
  material: MaterialId;
  thicknessMm: Range;
}
/** Two ways through a device from the face that is warmed: at the rim, where the bond is, and over the cell. */
export interface Columns {
  edge: StackLayer[];
  /** Undefined of a device without a cell in it. */
  cell: StackLayer[] | undefined;
  /** The names of the layers that are asked for. */
  bond: string;
  /** Whether the model says so, or what is usual was taken. */
  from: 'model' | 'usual';
  /** Half of the device across, mm: from the edge to where it is as warm on either side. */
  halfWidthMm: number;
}
/** A thickness that is known to a tenth of itself. */
const about = (mm: number, share = 0.15): Range => ({
  low: mm * (1 - share),
  likely: mm,
  high: mm * (1 + share),
});

/** What is usual of a device of this thickness, from the face of a bond inwards; common practice, from memory. */
function usual(index: IndexedModel, cover: Slot | undefined): Omit<Columns, 'halfWidthMm'> {
  const { thicknessMm } = index.model.outline;
  const back = cover?.face === 'back';
  const layer = (name: string, material: MaterialId, mm: Range): StackLayer => ({
    name,
    material,
    thicknessMm: mm,
  });
  // a thin bright panel lies on its glass; an older one has a plastic frame round it
  const glass = layer('glass', 'glass', about(back ? 0.6 : 0.7));
  const panel = layer('panel', 'panel', about(1.1, 0.25));
  const rim = layer('rim', 'rim', { low: 0.3, likely: 0.6, high: 0.9 });
  const bond = layer('bond', 'adhesive', about(0.25, 0.25));
  const over = back ? [glass] : [glass, panel];
  const gap = layer('gap', 'air', { low: 0.5, likely: 0.7, high: 1 });
  const behind = layer('behind', 'strip', about(0.3, 0.3));
  /*
   * The floor between frame and cell is a thin plate of steel, or of aluminium that meets the frame through plastic. One of
   * thick aluminium would draw so much heat off the rim that no seal softens before the cell is at its limit, and five minutes
   * on a plate, which is common practice, would open nothing.
   */
  const floor = layer('floor', 'steel', about(0.3, 0.3));
  const sum = (layers: readonly StackLayer[]) => layers.reduce((mm, l) => mm + l.thicknessMm.likely, 0);
  const rest = (layers: readonly StackLayer[]) => Math.max(1, thicknessMm - sum(layers));
  const edge = back ? [glass, bond] : [glass, rim, bond];
  return {
    edge: [...edge, layer('frame', 'aluminium', about(rest(edge), 0.05))],
    cell: index.cellSlot
      ? [
          ...over,
          gap,
          layer('cell', 'cell', about(Math.min(5.5, rest([...over, gap, behind, floor])))),
          behind,
          floor,
        ]
      : undefined,
    bond: 'bond',
    from: 'usual',
  };
}

/**
 * The columns through a device at a bond of its cover, from the face that is warmed. What the model says of its stack is
 * taken; what it does not say, as is usual for a device of its thickness.
 */
export function columnsOf(index: IndexedModel, bondId: string): Columns {
  const bond = index.bonds.get(bondId);
  const cover = bond?.holds.map((id) => index.slots.get(id)).find((slot) => slot !== undefined);
  const halfWidthMm = index.model.outline.widthMm / 2;
  const stack = index.model.stack?.[cover?.face ?? 'front'];
  if (!stack) return { ...usual(index, cover), halfWidthMm };
  const layer = ({ name, material, thicknessMm }: (typeof stack.edge)[number]): StackLayer => ({
    name,
    material,
    thicknessMm: about(thicknessMm, 0.08),
  });
  return {
    edge: stack.edge.map(layer),
    cell: index.cellSlot ? stack.cell.map(layer) : undefined,
    bond: stack.edge.find((l) => l.material === 'adhesive')!.name,
    from: 'model',
    halfWidthMm,
  };
}
