/** One layer of a column through the device; the first lies on the heat source. */
export interface Layer {
  name: string;
  thicknessMm: number;
  /** Conductivity across the layer, W/(m K). */
  kWmK: number;
  /** Conductivity along it, W/(m K); as across it where nothing is said. It counts in a cross-section only. */
  kAlongWmK?: number | undefined;
  densityKgM3: number;
  cpJkgK: number;
  /** Resistance of the contact to the layer below, m2 K/W; 0 where they are one. */
  contactBelowM2KW?: number | undefined;
}
/** A stretch of a cross-section from the edge inwards, with its own column of layers. */
export interface Region {
  name: string;
  widthMm: number;
  layers: readonly Layer[];
}
/** What a face meets: a body held at a temperature, moving air (0 W/(m2 K) is no exchange at all), or a flow of heat. */
export type Boundary =
  | { plateC: number; contactM2KW?: number | undefined }
  | { airC: number; hWm2K: number }
  | { fluxWm2: number };
/** No heat passes. */
export const insulated: Boundary = { fluxWm2: 0 };
export interface Phase {
  fromS: number;
  bottom: Boundary;
  top: Boundary;
}
/** What the faces of a cross-section meet; below and above one for all regions, or one for each. Sides without one are insulated. */
export interface SectionPhase {
  fromS: number;
  bottom: Boundary | readonly Boundary[];
  top: Boundary | readonly Boundary[];
  /** The edge, where x is 0. */
  left?: Boundary | undefined;
  /** The middle of the device, where it is as warm on either side. */
  right?: Boundary | undefined;
}
/** A place whose temperature is asked for: `at` 0 is the lower face of the layer, 1 its upper one. */
export interface Probe {
  name: string;
  layer: string;
  at: number;
}
/** The same in a cross-section: `across` 0 is the region's side towards the edge, 1 the one towards the middle. */
export interface SectionProbe extends Probe {
  region: string;
  across: number;
}

/** How finely it is cut. */
export interface Fineness {
  /** The first cell at a face, in parts of how far heat gets in a second; how cells grow from it. */
  firstCell: number;
  growth: number;
  /** Least cells of a stretch. */
  least: number;
  /** Cells grow inwards from the side towards the edge in all regions but the first: less and less happens towards the middle. */
  inwards: boolean;
}
export const fine: Fineness = { firstCell: 0.08, growth: 1.1, least: 16, inwards: false };
/** A cross-section has as many times the cells of a column: cut so it is right to some hundredths of a kelvin. */
export const middling: Fineness = { firstCell: 0.3, growth: 1.4, least: 6, inwards: true };
export const coarse: Fineness = { firstCell: 1.6, growth: 2, least: 1, inwards: true };

/** Widths of the cells of a stretch, m: growing from both faces towards the middle, alike on both sides, or from the first face alone. */
function widthsOf(lengthM: number, reachM: number, how: Fineness, oneSided = false): number[] {
  const { firstCell, growth, least } = how;
  const first = Math.min((2 * lengthM) / Math.max(2, least), firstCell * reachM);
  if (least === 1 && lengthM < 1.5 * firstCell * reachM) return [lengthM];
  const until = oneSided ? lengthM : lengthM / 2;
  const widths: number[] = [];
  for (let width = first, sum = 0; sum < until; width *= growth) {
    widths.push(width);
    sum += width;
  }
  const scale = until / widths.reduce((a, b) => a + b, 0);
  return [...widths, ...(oneSided ? [] : widths.toReversed())].map((width) => width * scale);
}
/** How far heat gets across a layer in a second, m. */
const reachOf = ({ kWmK, densityKgM3, cpJkgK }: Layer): number => Math.sqrt(kWmK / (densityKgM3 * cpJkgK));

/** A cross-section cut into cells, row by row from the face that is warmed, each row from the edge inwards. */
export interface Grid {
  regions: readonly Region[];
  columns: number;
  rows: number;
  regionOf: number[];
  widthM: number[];
  heightM: number[];
  /** Of each cell: the place of its layer in its region, and the heat that it takes for one kelvin, J/(m K). */
  layerOf: number[];
  heatJmK: Float64Array;
  /** Of each cell: to the one above it and to the one further inwards, W/(m K); 0 at the last. */
  upWmK: Float64Array;
  inWmK: Float64Array;
  /** From a cell's middle to its face below or above, and to its face beside, W/(m K). */
  halfUpWmK: Float64Array;
  halfInWmK: Float64Array;
}
/** Faces of layers that are nearer to each other than this are one, m. */
const sameM = 1e-9;

/**
 * @param fineness of a cross-section; one column of cells is taken of a region that stands alone
 * @throws RangeError for no layer, or for regions that are not of one thickness
 */
export function gridOf(regions: readonly Region[], fineness: Fineness = fine): Grid {
  if (!regions.length || regions.some((r) => !r.layers.length))
    throw new RangeError('a column has at least one layer');
  const faces = regions.map(({ layers }) => {
    const own = [0];
    for (const { thicknessMm } of layers) own.push(own.at(-1)! + thicknessMm / 1000);
    return own;
  });
  const whole = faces[0]!.at(-1)!;
  for (const [k, own] of faces.entries())
    if (Math.abs(own.at(-1)! - whole) > sameM)
      throw new RangeError(
        `region ${regions[k]!.name}: its layers are together not as thick as those of the first`,
      );
  const { heightM, layersAt } = rowsOf(regions, faces, fineness);
  const columns = columnsOf(regions, fineness);
  return linked({ regions, heightM, ...columns }, layersAt);
}
/** The rows: every face of a layer in any region is a line of the grid; each stretch between two is cut as its slowest layer asks. */
function rowsOf(regions: readonly Region[], faces: readonly number[][], fineness: Fineness) {
  const lines = faces
    .flat()
    .toSorted((a, b) => a - b)
    .filter((z, k, all) => k === 0 || z - all[k - 1]! > sameM);
  const heightM: number[] = [];
  /** Of each row the layer's place in each region. */
  const layersAt: number[][] = [];
  for (const [k, z] of lines.slice(1).entries()) {
    const middle = (lines[k]! + z) / 2;
    const at = faces.map((own) => own.findIndex((face) => face > middle) - 1);
    const reach = Math.min(...at.map((layer, r) => reachOf(regions[r]!.layers[layer]!)));
    for (const height of widthsOf(z - lines[k]!, reach, fineness)) {
      heightM.push(height);
      layersAt.push(at);
    }
  }
  return { heightM, layersAt };
}
/** The columns: a region alone is one; of several each is cut from both its sides. */
function columnsOf(regions: readonly Region[], fineness: Fineness) {
  if (regions.length === 1) return { widthM: [regions[0]!.widthMm / 1000], regionOf: [0] };
  const cut = regions.map(({ widthMm, layers }, r) => {
    // sideways heat goes furthest in what conducts best
    const reach = Math.max(...layers.map((l) => reachOf({ ...l, kWmK: l.kAlongWmK ?? l.kWmK })));
    return widthsOf(widthMm / 1000, reach / 3, fineness, fineness.inwards && r > 0);
  });
  return { widthM: cut.flat(), regionOf: cut.flatMap((widths, r) => widths.map(() => r)) };
}
function linked(
  { regions, heightM, widthM, regionOf }: Pick<Grid, 'regions' | 'heightM' | 'widthM' | 'regionOf'>,
  layersAt: readonly number[][],
): Grid {
  const [columns, rows] = [widthM.length, heightM.length];
  const size = columns * rows;
  const layerOf = Array.from(
    { length: size },
    (_, n) => layersAt[Math.floor(n / columns)]![regionOf[n % columns]!]!,
  );
  const layer = (n: number) => regions[regionOf[n % columns]!]!.layers[layerOf[n]!]!;
  const of = (value: (n: number, width: number, height: number) => number) =>
    Float64Array.from({ length: size }, (_, n) =>
      value(n, widthM[n % columns]!, heightM[Math.floor(n / columns)]!),
    );
  const halfUpWmK = of((n, width, height) => (2 * layer(n).kWmK * width) / height);
  const halfInWmK = of((n, width, height) => (2 * (layer(n).kAlongWmK ?? layer(n).kWmK) * height) / width);
  return {
    ...{ regions, columns, rows, regionOf, widthM, heightM, layerOf, halfUpWmK, halfInWmK },
    heatJmK: of((n, width, height) => layer(n).densityKgM3 * layer(n).cpJkgK * width * height),
    upWmK: of((n, width) => {
      if (n + columns >= size) return 0;
      const contact = layerOf[n] === layerOf[n + columns] ? 0 : (layer(n + columns).contactBelowM2KW ?? 0);
      return 1 / (1 / halfUpWmK[n]! + contact / width + 1 / halfUpWmK[n + columns]!);
    }),
    inWmK: of((n) => ((n + 1) % columns === 0 ? 0 : 1 / (1 / halfInWmK[n]! + 1 / halfInWmK[n + 1]!))),
  };
}
