import { plural } from '../things';

export const edit = 'Edit on the map';
export const editing = 'Editing';
export const takesAlong = 'A part takes its screws, strips and plugs along';
export const mapOf = (name: string): string => `Map of ${name}, to be edited`;
export const downFrom = 'Seen down from';
export const layerOf = (layer: number, of: number): string => `layer ${layer} of ${of}`;
export const tools = 'What to put in';
export const toolName = {
  choose: 'Move',
  part: 'Part',
  fastener: 'Screw',
  connector: 'Plug',
  bond: 'Glue',
  catch: 'Catch',
  noGo: 'No blade',
} as const;
export const undo = 'Undo';
export const redo = 'Redo';
export const keep = 'Keep';
export const keepAndOffer = 'Keep and receive of it';
export const keepCopy = 'Keep as another model';
export const copyName = 'Name of the other model';
export const notKept = 'It was not kept: the server did not answer. Your changes stay in this browser.';
export const changes = (count: number): string =>
  count ? `${plural(count, 'change')}, so far in this browser` : 'nothing changed yet';
export const foundChanges = (count: number): string =>
  `${plural(count, 'change')} of yours were still in this browser, and are back. Undo takes them away.`;
export const takeTheirs = (by: string): string => `Put my changes on ${by}’s version`;
export const besideTheirs = 'Keep mine beside it';
export const merged = (by: string, clashing: readonly string[]): string =>
  clashing.length
    ? `Your changes stand on ${by}’s version. You both changed ${clashing.join(', ')}: yours are taken; look at them, and keep.`
    : `Your changes stand on ${by}’s version; you changed nothing that ${by} changed. Keep it.`;
export const goTo = 'Go to';
export const goToHint = 'a part, screw, plug';
export const nothingChosen = 'Tap something on the map, or choose what to put in and tap where it lies.';
export const placeHint = {
  part: 'Tap where its middle lies; then drag its corners.',
  fastener: 'Tap the hole: head, thread and length are those of the last one.',
  connector: 'Tap the plug: it joins what lies under it.',
  bond: 'Tap where its middle lies; then drag its corners.',
  catch: 'Tap the catch.',
  noGo: 'Tap the rim where no blade may go deep.',
} as const;
export const chosenMany = (count: number): string => `${count} chosen`;
export const align = 'In line';
export const alignName = {
  left: 'left',
  centre: 'centre',
  right: 'right',
  top: 'top',
  middle: 'middle',
  bottom: 'bottom',
} as const;
export const mirror = 'Mirror left to right';
export const takeOut = 'Take out';
export const copyAlong = 'Copies';
export const copies = 'how many';
export const stepX = 'each to the right by';
export const stepY = 'each down by';
export const makeCopies = 'Make copies';
export const arrows =
  'Drag it, or arrows: 1 mm, with Shift 0.1. Shift and a drag frame several; Alt lets go of the lines.';
export const id = 'id';
export const fieldName = {
  name: 'Name',
  label: 'On the map',
  kind: 'Kind',
  face: 'Side',
  layer: 'Layer',
  x: 'x',
  y: 'y',
  w: 'Width',
  h: 'Height',
  drive: 'Drive',
  lengthMm: 'Length',
  headMm: 'Head',
  thread: 'Thread',
  maxLengthMm: 'Longest safe',
  holds: 'Holds',
  standsOn: 'Stands on',
  widthMm: 'Breadth',
  carries: 'Carries',
  press: 'Pressed on',
  joins: 'Joins (plug, and what it goes into)',
  functions: 'Serves',
  carrier: 'Sits on',
  covers: 'Hides, too',
  leavesFree: 'Leaves free',
  by: 'Loosed by',
  tornThen: 'Torn, then by',
  direction: 'Pushed to the',
  edge: 'Edge',
  fromMm: 'From',
  toMm: 'To',
  depthMm: 'No deeper than',
  why: 'Why',
} as const;
export const sideName = { front: 'display', back: 'back' } as const;
export const none = 'nothing';
export const ways = 'Ways out';
export const way = (n: number): string => `Way ${n}`;
export const addWay = 'Another way';
export const dropWay = 'Drop this way';
export const wayTo = 'Until it is';
export const poseName = { folded: 'folded open', shifted: 'moved aside', out: 'out' } as const;
export const gesture = 'Gesture';
export const wayScrews = 'Screws';
export const wayPlugs = 'Plugs';
export const wayBonds = 'Glue and strips';
export const wayCatches = 'Catches';
export const wayNeeds = 'Parts before it';
export const coveredBy = 'Lies under';
export const nothingOver = 'nothing: it is seen once the device is open';
export const routeTo = 'Route to it';
export const routeIs = (steps: number, minutes: number, changes: number): string =>
  `${plural(steps, 'step')}, about ${minutes} min, ${plural(changes, 'bit change')}`;
export const noRoute = (why: string): string => `no way to it and back: ${why}`;
export const routeLater = 'once nothing is wrong with what is named';
export const working = 'working it out';
export const asText = 'All of it, as text';
export const asTextMeans = 'As it stands in the model file: also what has no field above.';
export const takeText = 'Take this text';
export const noJson = (message: string): string => `That is no JSON: ${message}`;
export const problems = 'What is wrong';
export const noProblems = 'Nothing is wrong: there is a way to every part, and back.';
export const noProblemsYet = 'Nothing is wrong so far; ways are being tried.';
export const show = 'Show';
export const photograph = 'Photograph under the map';
export const screwsFile = 'Screws as a table';
export const screwsFileMeans =
  'id, name, x_mm, y_mm, face, layer, kind, drive, length_mm, head_mm, thread, max_length_mm, holds, stands_on. A point or a comma in figures; other columns are kept. A screw of a known id is changed, another one is new.';
export const takeScrewsOut = 'Save the screws';
export const screwsTaken = (count: string): string => `${count} taken in; undo takes them away.`;
export const screwTitle = (id: string, name: string, lengthMm: number): string =>
  `${id} ${name}, ${lengthMm} mm`;
export const rules = 'Pairing, starting, programmer';
export const pairingRows = (n: number): string => `What another piece changes (${n})`;
export const bootRows = (n: number): string => `What has to be plugged in before it starts (${n})`;
export const programmingRows = (n: number): string => `What the programmer covers (${n})`;
export const addRow = 'Add a row';
export const rulePart = 'Part';
export const ruleFunction = 'Function';
export const ruleEffect = 'What happens';
export const effectName = {
  kept: 'kept',
  copy: 'kept with copied data',
  calibrate: 'kept after calibration',
  notice: 'a notice is shown',
  lost: 'lost',
} as const;
export const ruleStore = 'Where it is kept';
export const storeName = {
  'panel-flex': 'on the panel’s flex',
  chip: 'in a chip of the part',
  board: 'on the board',
  none: 'nowhere',
} as const;
export const ruleOwner = 'What the owner is told';
export const ruleRemedy = 'What can be done';
export const sayToOwner = 'The phone will show that this part is not the one it left the factory with.';
export const rulePlugs = 'Plugs';
export const ruleOtherwise = 'What it does otherwise';
export const doesNotStart = 'It does not start.';
export const ruleSystem = 'From system version';
export const ruleReaches = 'The old assembly’s pieces reach while it lies beside the device';
export const ruleAdapter = 'Adapter';
export const adapterOf = (name: string): string => `adapter of the ${name}`;
export const ruleThirdParty = 'It has a mode for third-party parts';

export const variants = 'Variants';
export const variantsMean =
  'What one has otherwise than all: choose it under “Changed in”, and change it on the map. Anything else is changed in all.';
export const changedIn = 'Changed in';
export const inAll = 'all variants';
export const onlyIn = (name: string): string => `only ${name}`;
export const variantNamed = (n: number): string => `variant ${n}`;
export const variantDiffers = (name: string, count: number): string =>
  count ? `${name}: ${plural(count, 'difference')}` : `${name}: as all`;
export const addVariant = 'Another variant';
export const dropVariant = 'Take this variant out';
export const asInAll = 'As in all';
export const variantThing = {
  new: (name: string, id: string): string => `${name} (${id}): only here`,
  gone: (name: string, id: string): string => `${name} (${id}): not here`,
  other: (name: string, id: string): string => `${name} (${id}): another one here`,
} as const;
