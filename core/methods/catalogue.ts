/**
 * What methods and conditions bring to the bench beside what a model names: tools, stations and items that belong to
 * a workshop and not to a device. A model that names the same id has its own name and price for it.
 */
export interface Thing {
  id: string;
  name: string;
}
export interface Item extends Thing {
  unit: string;
  price: number;
}

export const generalTools: readonly Thing[] = [
  { id: 'spudger', name: 'plastic spudger' },
  { id: 'fine-tweezers', name: 'fine metal tweezers' },
  { id: 'wide-card', name: 'wide plastic card' },
  { id: 'pick', name: 'thin plastic pick' },
  { id: 'cup', name: 'suction cup' },
  { id: 'blade', name: 'thin metal blade' },
  { id: 'chisel', name: 'glass chisel' },
  { id: 'spring-punch', name: 'spring punch' },
  { id: 'rotary-tool', name: 'rotary tool with extraction' },
  { id: 'scraper', name: 'flat scraper' },
  { id: 'calliper', name: 'calliper' },
  { id: 'magnetic-mat', name: 'magnetic mat' },
  { id: 'step-trays', name: 'trays, one a step' },
  { id: 'roller', name: 'plastic roller' },
  { id: 'torque-driver', name: 'torque driver' },
  { id: 'swabs', name: 'lint-free swabs' },
  { id: 'brush', name: 'soft brush' },
  { id: 'sand-box', name: 'fire-safe container with dry sand' },
  { id: 'glasses', name: 'safety glasses and gloves' },
];
export const generalItems: readonly Item[] = [
  { id: 'solvent', name: 'isopropyl alcohol, 91 % or stronger', unit: 'ml', price: 3 },
  { id: 'acetone', name: 'acetone', unit: 'ml', price: 4 },
  { id: 'screw-kit', name: 'new screws with thread-lock', unit: 'set', price: 900 },
  { id: 'clear-tape', name: 'clear packing tape', unit: 'strip', price: 10 },
  { id: 'cup-glass', name: 'tempered glass to stick on', unit: 'piece', price: 250 },
  { id: 'mask-tape', name: 'masking tape for optics', unit: 'piece', price: 5 },
  { id: 'flux', name: 'flux', unit: 'dab', price: 20 },
  { id: 'low-melt-paste', name: 'low-melt solder paste', unit: 'dab', price: 30 },
  { id: 'wick', name: 'desoldering wick', unit: 'cm', price: 10 },
  { id: 'underfill', name: 'underfill resin', unit: 'drop', price: 40 },
  { id: 'barrier', name: 'heat barrier: metal sheet or pad, with heat-proof tape', unit: 'piece', price: 60 },
  { id: 'uv-glue', name: 'UV glue', unit: 'drop', price: 15 },
  { id: 'contact-glue', name: 'flexible contact glue', unit: 'ml', price: 25 },
];

/** Stations a workshop may own; the heat sources with their usual soak. */
export interface Station extends Thing {
  /** Seconds until the adhesive line is soft: common practice, a starting value and no safe default. */
  softenS?: number;
  /** A device that is bent, or that must lie flat, does not do on it. */
  flat?: true;
  /** It warms the device as a whole, not one edge of it. */
  whole?: true;
}
export const generalStations: readonly Station[] = [
  { id: 'hot-plate', name: 'hot plate', softenS: 300, flat: true, whole: true },
  { id: 'heat-mat', name: 'heat mat', softenS: 360, whole: true },
  { id: 'dryer', name: 'hair dryer', softenS: 150 },
  { id: 'hot-air', name: 'hot air, 80 °C at the glass', softenS: 120 },
  { id: 'opening-press', name: 'controlled opening press', softenS: 240, flat: true, whole: true },
  { id: 'heat-pouch', name: 'heated pouch', softenS: 300 },
  { id: 'seal-press', name: 'press with set force' },
  { id: 'leak-tester', name: 'leak tester' },
  { id: 'programmer', name: 'bench programmer' },
  { id: 'microscope', name: 'microscope place with hot air' },
  { id: 'glass-laser', name: 'enclosed glass laser' },
  { id: 'uv-lamp', name: 'UV lamp' },
];
/** What is assumed when a workshop has said nothing. */
export const allStations = generalStations.map((s) => s.id);

/** The station of each option of the heat-source method. */
export const heatStations: Record<string, string> = {
  plate: 'hot-plate',
  mat: 'heat-mat',
  dryer: 'dryer',
  'hot-air': 'hot-air',
  press: 'opening-press',
  pouch: 'heat-pouch',
};
