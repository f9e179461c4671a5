/** One layer of a column through the device; the first lies on the heat source. */
export interface Layer {
  name: string;
  thicknessMm: number;
  /** Conductivity, W/(m K). */
  kWmK: number;
  densityKgM3: number;
  cpJkgK: number;
  /** Resistance of the contact to the layer below, m2 K/W; 0 where they are one. */
  contactBelowM2KW?: number | undefined;
}
/** What a face of the column meets: a body held at a temperature, moving air, or a flow of heat. */
export type Boundary =
  | { plateC: number; contactM2KW?: number | undefined }
  | { airC: number; hWm2K: number }
  | { fluxWm2: number };
export interface Phase {
  fromS: number;
  bottom: Boundary;
  top: Boundary;
}
/** A place whose temperature is asked for: `at` 0 is the lower face of the layer, 1 its upper one. */
export interface Probe {
  name: string;
  layer: string;
  at: number;
}

/** The column cut into cells, fine at the faces of each layer where temperatures change first. */
export interface Grid {
  layers: readonly Layer[];
  /** Of each cell: its layer, its width in m, and the heat that it takes for one kelvin, J/(m2 K). */
  layerOf: number[];
  widthM: number[];
  heatJm2K: number[];
  /** Between a cell and the next, W/(m2 K). */
  linkWm2K: number[];
  /** Half of the first and of the last cell, W/(m2 K). */
  halfBottomWm2K: number;
  halfTopWm2K: number;
}

/** How finely a column is cut: the first cell of a layer in parts of how far heat gets in a second, and how cells grow from it. */
export interface Fineness {
  firstCell: number;
  growth: number;
}
const fine: Fineness = { firstCell: 0.08, growth: 1.1 };

/** Widths of the cells of a layer, m: growing from both faces towards the middle, alike on both sides. */
function widthsOf(
  { thicknessMm, kWmK, densityKgM3, cpJkgK }: Layer,
  { firstCell, growth }: Fineness,
): number[] {
  const thickness = thicknessMm / 1000;
  const reach = Math.sqrt(kWmK / (densityKgM3 * cpJkgK));
  const first = Math.min(thickness / (firstCell < 0.2 ? 8 : 3), firstCell * reach);
  const half: number[] = [];
  for (let width = first, sum = 0; sum < thickness / 2; width *= growth) {
    half.push(width);
    sum += width;
  }
  const scale = thickness / 2 / half.reduce((a, b) => a + b, 0);
  return [...half, ...half.toReversed()].map((width) => width * scale);
}

/** @throws RangeError for no layer */
export function gridOf(layers: readonly Layer[], fineness: Fineness = fine): Grid {
  if (!layers.length) throw new RangeError('a column has at least one layer');
  const cells = layers.flatMap((layer, at) =>
    widthsOf(layer, fineness).map((widthM) => ({ layer, at, widthM })),
  );
  const half = (cell: (typeof cells)[number]) => cell.widthM / 2 / cell.layer.kWmK;
  return {
    layers,
    layerOf: cells.map((cell) => cell.at),
    widthM: cells.map((cell) => cell.widthM),
    heatJm2K: cells.map(({ layer, widthM }) => layer.densityKgM3 * layer.cpJkgK * widthM),
    linkWm2K: cells.slice(1).map((cell, k) => {
      const below = cells[k]!;
      const contact = cell.at === below.at ? 0 : (cell.layer.contactBelowM2KW ?? 0);
      return 1 / (half(below) + contact + half(cell));
    }),
    halfBottomWm2K: 1 / half(cells[0]!),
    halfTopWm2K: 1 / half(cells.at(-1)!),
  };
}
