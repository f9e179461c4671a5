/** A figure that is not known exactly: what it is likely to be, and between what it lies for eight of ten. */
export interface Range {
  low: number;
  likely: number;
  high: number;
}
export interface Material {
  id: string;
  name: string;
  /** Conductivity across the layer, W/(m K). */
  kWmK: Range;
  /** Along it, where that is otherwise, W/(m K). */
  kAlongWmK?: Range;
  densityKgM3: Range;
  cpJkgK: Range;
  /** Where the figures are from. */
  from: string;
}
const range = (low: number, likely: number, high: number): Range => ({ low, likely, high });

/**
 * What phones are made of, as far as heat goes. All from memory: glass, aluminium and air are near handbook values
 * (Incropera and DeWitt, appendix A); the others are what is usual for such stacks, with ranges that are honest about it.
 */
export const materials = [
  {
    id: 'glass',
    name: 'cover glass',
    kWmK: range(0.95, 1.1, 1.25),
    densityKgM3: range(2400, 2450, 2500),
    cpJkgK: range(750, 800, 850),
    from: 'aluminosilicate glass, from memory',
  },
  {
    id: 'panel',
    name: 'display panel with its films',
    kWmK: range(0.24, 0.3, 0.4),
    // a film of graphite or copper behind it spreads heat
    kAlongWmK: range(1, 3, 9),
    densityKgM3: range(1650, 1800, 1950),
    cpJkgK: range(850, 1000, 1200),
    from: 'layers of glass, polymer and films together, from memory',
  },
  {
    id: 'rim',
    name: 'plastic frame of the panel',
    kWmK: range(0.2, 0.25, 0.35),
    densityKgM3: range(1100, 1250, 1400),
    cpJkgK: range(1200, 1400, 1600),
    from: 'glass-filled polycarbonate or nylon, from memory',
  },
  {
    id: 'adhesive',
    name: 'seal of acrylic foam',
    kWmK: range(0.13, 0.17, 0.21),
    densityKgM3: range(700, 900, 1050),
    cpJkgK: range(1600, 1900, 2100),
    from: 'acrylic foam tape, from memory',
  },
  {
    id: 'aluminium',
    name: 'frame of aluminium',
    kWmK: range(130, 160, 200),
    densityKgM3: range(2680, 2700, 2720),
    cpJkgK: range(880, 900, 920),
    from: 'wrought aluminium alloys; Incropera and DeWitt, appendix A, from memory',
  },
  {
    id: 'steel',
    name: 'frame of stainless steel',
    kWmK: range(14, 15, 16.5),
    densityKgM3: range(7850, 7900, 8000),
    cpJkgK: range(470, 480, 500),
    from: 'austenitic steel; Incropera and DeWitt, appendix A, from memory',
  },
  {
    id: 'air',
    name: 'air gap',
    kWmK: range(0.026, 0.028, 0.032),
    densityKgM3: range(1, 1.1, 1.2),
    cpJkgK: range(1000, 1006, 1010),
    from: 'air at 300 to 350 K; Incropera and DeWitt, appendix A, from memory',
  },
  {
    id: 'cell',
    name: 'lithium cell in its pouch',
    kWmK: range(0.6, 0.9, 1.3),
    // its foils of copper and aluminium lie along it
    kAlongWmK: range(15, 22, 32),
    densityKgM3: range(2200, 2500, 2700),
    cpJkgK: range(900, 1000, 1150),
    from: 'wound or stacked pouch cells, across the layers, from memory',
  },
  {
    id: 'strip',
    name: 'strip or glue under the cell',
    // strips lie under a third of it, air under the rest
    kWmK: range(0.05, 0.08, 0.13),
    densityKgM3: range(250, 400, 600),
    cpJkgK: range(1700, 1900, 2100),
    from: 'strips of acrylic adhesive under a part of the cell and air beside them, from memory',
  },
  {
    id: 'board',
    name: 'board with its shields',
    kWmK: range(0.3, 0.6, 1),
    densityKgM3: range(2000, 2400, 2900),
    cpJkgK: range(800, 950, 1100),
    from: 'glass-epoxy with parts and shields, from memory',
  },
] as const satisfies readonly Material[];
export type MaterialId = (typeof materials)[number]['id'];
export const materialIds = materials.map((m) => m.id) as [MaterialId, ...MaterialId[]];
const byId = new Map<string, Material>(materials.map((m) => [m.id, m]));
export const materialOf = (id: MaterialId): Material => byId.get(id)!;
