import type { Caution, StepAction } from '../vocabulary/steps';

/**
 * House methods: where practitioners disagree, a workshop chooses. Each question has a default with its reason; it can
 * be set for the workshop and again for one job. Each option names what it changes in a route: an operation, a caution,
 * a thing of the kit or another way. Tests hold every option to its word.
 */
export type Change =
  | { operation: StepAction }
  | { caution: Caution }
  | { tool: string }
  | { station: string }
  | { consumable: string }
  /** A new part, by the id that models give such a slot. */
  | { part: string }
  /** A pose that some piece is moved to. */
  | { pose: 'shifted' | 'out' }
  /** Whatever costs less: no other option's route is cheaper. */
  | { cheapest: true };
export interface MethodOption {
  id: string;
  name: string;
  changes: Change;
}
export interface MethodRow {
  id: string;
  question: string;
  options: readonly MethodOption[];
  default: string;
  why: string;
}

export const methodRows = [
  {
    id: 'power',
    question: 'Power at opening',
    default: 'off',
    why: 'a live board under a slipping blade costs more than the early warning gains',
    options: [
      { id: 'off', name: 'off first', changes: { caution: 'off-before-opening' } },
      { id: 'on', name: 'on while lifting, to see damage at once', changes: { operation: 'look' } },
    ],
  },
  {
    id: 'softening',
    question: 'Softening the seal',
    default: 'heat-solvent',
    why: 'heat starts it, alcohol finishes it; the heat source is away before the alcohol comes',
    options: [
      { id: 'heat', name: 'heat only', changes: { caution: 'cut-while-warm' } },
      { id: 'solvent', name: 'solvent only', changes: { caution: 'drip-and-wait' } },
      { id: 'heat-solvent', name: 'heat, then solvent', changes: { operation: 'gap' } },
    ],
  },
  {
    id: 'heat-source',
    question: 'Heat source',
    default: 'plate',
    why: 'what the workshop owns; the soak follows the source',
    options: [
      { id: 'plate', name: 'hot plate', changes: { station: 'hot-plate' } },
      { id: 'mat', name: 'heat mat', changes: { station: 'heat-mat' } },
      { id: 'dryer', name: 'hair dryer', changes: { station: 'dryer' } },
      { id: 'hot-air', name: 'hot air', changes: { station: 'hot-air' } },
      { id: 'press', name: 'controlled press', changes: { station: 'opening-press' } },
      { id: 'pouch', name: 'heated pouch', changes: { station: 'heat-pouch' } },
    ],
  },
  {
    id: 'connector-tools',
    question: 'Tools at connectors',
    default: 'plastic',
    why: 'plastic slips without harm; metal only in practised hands and never at the cell',
    options: [
      { id: 'plastic', name: 'plastic only', changes: { caution: 'plastic-only' } },
      { id: 'metal', name: 'metal by practised hands', changes: { tool: 'fine-tweezers' } },
    ],
  },
  {
    id: 'cell-between',
    question: 'Cell between connector changes',
    default: 'each',
    why: 'a connector that moves on a live board can blow a rail',
    options: [
      { id: 'each', name: 'off each time', changes: { caution: 'off-again' } },
      { id: 'once', name: 'off once, at the start', changes: { caution: 'cell-stays-on' } },
    ],
  },
  {
    id: 'display-data',
    question: 'Data of the display',
    default: 'copy',
    why: 'copied where the generation allows it; else the owner is asked',
    options: [
      { id: 'copy', name: 'copied by the programmer', changes: { operation: 'write data' } },
      { id: 'chip', name: 'identity chip moved', changes: { operation: 'move chip' } },
      { id: 'accept', name: 'notice accepted', changes: { caution: 'notice-stays' } },
    ],
  },
  {
    id: 'cell-bond',
    question: 'Bond of the cell',
    default: 'strips',
    why: 'the next repair needs them',
    options: [
      { id: 'strips', name: 'stretch strips', changes: { consumable: 'stretch-strips' } },
      { id: 'tape', name: 'double-sided tape', changes: { consumable: 'cell-tape' } },
    ],
  },
  {
    id: 'cell-removal',
    question: 'Removing the cell',
    default: 'pull',
    why: 'pulled strips leave nothing wet; solvent when they tear',
    options: [
      { id: 'pull', name: 'pull the strips', changes: { caution: 'strip-flat' } },
      { id: 'solvent', name: 'solvent and a wide tool', changes: { caution: 'wide-tool' } },
    ],
  },
  {
    id: 'bonded-back',
    question: 'Bonded back glass',
    default: 'chisel',
    why: 'what the workshop owns; compare by time, cost and risk',
    options: [
      { id: 'laser', name: 'laser', changes: { station: 'glass-laser' } },
      { id: 'chisel', name: 'heat and chisel', changes: { tool: 'chisel' } },
      { id: 'housing', name: 'new housing', changes: { part: 'frame' } },
    ],
  },
  {
    id: 'rim-solvent',
    question: 'Cleaning the rim',
    default: 'alcohol',
    why: 'acetone eats the ear mesh, coated plastics and the panel',
    options: [
      { id: 'alcohol', name: 'alcohol', changes: { caution: 'rim-alcohol' } },
      { id: 'acetone', name: 'acetone, on metal only', changes: { consumable: 'acetone' } },
    ],
  },
  {
    id: 'seal-press',
    question: 'Pressing the seal',
    default: 'press',
    why: 'an even, known force (75 kgf for 30 s, twice, is common); by hand it is either too little or breaks the panel',
    options: [
      { id: 'press', name: 'press with set force', changes: { operation: 'press' } },
      { id: 'hand', name: 'by hand', changes: { caution: 'press-by-hand' } },
    ],
  },
  {
    id: 'display-at-seal',
    question: 'Display while the rim is sealed',
    default: 'off',
    why: 'the bare frame is cleaned and pressed evenly; with the display beside it on its flexes the seal is laid by hand',
    options: [
      { id: 'off', name: 'off its plugs', changes: { caution: 'plugs-off-again' } },
      { id: 'stays', name: 'stays on its plugs', changes: { caution: 'display-stays-on' } },
    ],
  },
  {
    id: 'closing-press',
    question: 'Press and outside screws',
    default: 'first',
    why: 'the closed device is pressed, then screwed: as the makers do it',
    options: [
      { id: 'first', name: 'pressed first', changes: { caution: 'pressed-first' } },
      { id: 'last', name: 'screws first', changes: { caution: 'screws-first' } },
    ],
  },
  {
    id: 'outer-film',
    question: 'Outer film of a new display',
    default: 'hand-over',
    why: 'it keeps the glass clean to the end; before closing one sees the glass',
    options: [
      { id: 'hand-over', name: 'off at hand-over', changes: { caution: 'film-at-hand-over' } },
      { id: 'closing', name: 'off before closing', changes: { caution: 'film-before-closing' } },
    ],
  },
  {
    id: 'leak-test',
    question: 'Leak test',
    default: 'always',
    why: 'without it nothing can be said about water',
    options: [
      { id: 'always', name: 'always', changes: { operation: 'leak test' } },
      { id: 'never', name: 'never', changes: { caution: 'no-water-claim' } },
    ],
  },
  {
    id: 'screws',
    question: 'Screws',
    default: 'reuse',
    why: 'checked ones hold; new ones where a kit is in stock',
    options: [
      { id: 'reuse', name: 'used again, checked', changes: { caution: 'check-threads' } },
      { id: 'new', name: 'new, with thread-lock', changes: { consumable: 'screw-kit' } },
    ],
  },
  {
    id: 'screw-keeping',
    question: 'Keeping screws',
    default: 'mat',
    why: 'each in the place of its hole, so that no list is needed',
    options: [
      { id: 'mat', name: 'on a mat, by its pattern', changes: { tool: 'magnetic-mat' } },
      { id: 'trays', name: 'in trays by step', changes: { tool: 'step-trays' } },
    ],
  },
  {
    id: 'shattered-glass',
    question: 'Shattered glass',
    default: 'tape',
    why: 'tape is on in a minute; bonded glass when a cup must hold',
    options: [
      { id: 'tape', name: 'tape over it', changes: { consumable: 'clear-tape' } },
      { id: 'glass', name: 'tempered glass bonded on', changes: { consumable: 'cup-glass' } },
    ],
  },
  {
    id: 'deep-part',
    question: 'Deep part',
    default: 'cheaper',
    why: 'the cheaper one by the model’s figures for the variant',
    options: [
      { id: 'cheaper', name: 'the cheaper of the two', changes: { cheapest: true } },
      { id: 'strip', name: 'strip fully', changes: { pose: 'out' } },
      { id: 'shift', name: 'shift the board and slip it out', changes: { pose: 'shifted' } },
    ],
  },
  {
    id: 'chip-work',
    question: 'Chip work',
    default: '280',
    why: 'less heat for the flex, shorter dwell',
    options: [
      { id: '280', name: '280 °C with air, 6–10 s', changes: { caution: 'air-280' } },
      { id: '300', name: '300 °C with little air', changes: { caution: 'air-300' } },
    ],
  },
  {
    id: 'calibration',
    question: 'Calibration by the maker’s tool',
    default: 'open',
    why: 'its remedies need the connectors',
    options: [
      { id: 'open', name: 'on the open device', changes: { caution: 'calibrate-open' } },
      { id: 'closed', name: 'after the leak test', changes: { caution: 'calibrate-closed' } },
    ],
  },
  {
    id: 'chip-removal',
    question: 'Taking a chip or module off',
    default: 'hot-air',
    why: 'no dust in the phone, on the lenses or in the lungs',
    options: [
      { id: 'hot-air', name: 'hot air and scoring', changes: { caution: 'score-and-heat' } },
      { id: 'grinding', name: 'grinding or rotary cutting', changes: { tool: 'rotary-tool' } },
    ],
  },
  {
    id: 'fixing-glue',
    question: 'Fixing glue',
    default: 'uv',
    why: 'set in seconds where there is a lamp',
    options: [
      { id: 'uv', name: 'UV glue', changes: { station: 'uv-lamp' } },
      { id: 'wait', name: 'any glue, and waiting', changes: { caution: 'glue-wait' } },
    ],
  },
  {
    id: 'cracked-glass',
    question: 'Cracked glass, good panel',
    default: 'display',
    why: 'glass alone needs the press and the practice',
    options: [
      { id: 'display', name: 'whole display', changes: { part: 'display' } },
      { id: 'glass', name: 'glass alone', changes: { part: 'glass' } },
    ],
  },
  {
    id: 'part-test',
    question: 'Testing the new part',
    default: 'bag',
    why: 'out of the bag with all that the boot rule needs: nothing has been moved yet',
    options: [
      { id: 'bag', name: 'out of the bag, before anything moves', changes: { operation: 'test part' } },
      { id: 'assembled', name: 'once assembled', changes: { caution: 'first-test-now' } },
    ],
  },
] as const satisfies readonly MethodRow[];

export type MethodId = (typeof methodRows)[number]['id'];
export const methodIds = methodRows.map((r) => r.id) as [MethodId, ...MethodId[]];
/** One option for every question. */
export type Methods = { [R in (typeof methodRows)[number] as R['id']]: R['options'][number]['id'] };
export const defaultMethods = Object.fromEntries(methodRows.map((r) => [r.id, r.default])) as Methods;

/** A full set of methods from what a workshop, and then a job, has chosen; an option that is not known falls back to the default. */
export function methodsOf(...chosen: readonly (Partial<Record<string, string>> | undefined)[]): Methods {
  const out: Record<string, string> = { ...defaultMethods };
  for (const partial of chosen)
    for (const methodRow of methodRows) {
      const o = partial?.[methodRow.id];
      if (o !== undefined && methodRow.options.some((x) => x.id === o)) out[methodRow.id] = o;
    }
  return out as Methods;
}
