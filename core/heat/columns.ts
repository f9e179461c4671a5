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
}
/** A thickness that is known to a tenth of itself. */
const about = (mm: number, share = 0.15): Range => ({
  low: mm * (1 - share),
  likely: mm,
  high: mm * (1 + share),
});

/** What is usual of a device of this thickness, from the face of a bond inwards; common practice, from memory. */
function usual(index: IndexedModel, cover: Slot | undefined): Columns {
  const { thicknessMm } = index.model.outline;
  const back = cover?.face === 'back';
  // a thin bright panel lies on its glass; an older one has a plastic frame round it
  const glass: StackLayer = {
    name: 'glass',
    material: 'glass',
    thicknessMm: about(back ? 0.6 : 0.7),
  };
  const panel: StackLayer = { name: 'panel', material: 'panel', thicknessMm: about(1.1, 0.25) };
  const rim: StackLayer = { name: 'rim', material: 'rim', thicknessMm: about(1, 0.25) };
  const bond: StackLayer = { name: 'bond', material: 'adhesive', thicknessMm: about(0.25, 0.25) };
  // what is left of the thickness: of the frame that draws heat off, about half is metal
  const left = Math.max(2, thicknessMm - (back ? 1 : 2.2));
  const frame: StackLayer = { name: 'frame', material: 'aluminium', thicknessMm: about(left * 0.5, 0.25) };
  const gap: StackLayer = {
    name: 'gap',
    material: 'air',
    thicknessMm: { low: 0.35, likely: 0.5, high: 0.7 },
  };
  const cell: StackLayer = { name: 'cell', material: 'cell', thicknessMm: about(Math.min(5.5, left * 0.75)) };
  const behind: StackLayer = { name: 'behind', material: 'strip', thicknessMm: about(0.3, 0.3) };
  const floor: StackLayer = { name: 'floor', material: 'aluminium', thicknessMm: about(0.6, 0.3) };
  const over = back ? [glass, gap] : [glass, panel, gap];
  return {
    edge: back ? [glass, bond, frame] : [glass, rim, bond, frame],
    cell: index.cellSlot ? [...over, cell, behind, floor] : undefined,
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
  const standard = usual(index, cover);
  const stack = index.model.stack?.[cover?.face ?? 'front'];
  if (!stack) return standard;
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
  };
}
