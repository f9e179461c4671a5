import { plural } from '../things';

export const record = 'Record a device';
export const recordMeans =
  'Nothing has to be known of it but its size. You take it to pieces as you always do and say what comes off; the next one of its kind has a route.';
export const maker = 'Maker';
export const name = 'Name';
export const width = 'Width';
export const height = 'Height';
export const thickness = 'Thickness';
export const like = 'Much like';
export const likeHint = 'no known model';
export const begin = 'Begin';
export const photograph = 'Photograph';
export const receiveIt = 'Receive it';
export const notInTheList = 'Not in the list? Record it';

export const map = 'Map';
export const firstOfItsKind = (width: number, height: number, side: string): string =>
  `first of its kind · ${width} × ${height} mm · ${side}`;
export const soFar = (minutes: number, screws: number, plugs: number, parts: number): string =>
  `recording · ${minutes} min · ${plural(screws, 'screw')}, ${plural(plugs, 'connector')}, ${plural(parts, 'part')}`;
export const tool = 'What comes off';
export const toolName = {
  fastener: 'Screw',
  connector: 'Plug',
  bond: 'Glue',
  catch: 'Catch',
  part: 'Part',
} as const;
export const toolKey = { fastener: 'S', connector: 'K', bond: 'B', catch: 'C', part: 'P' } as const;
export const instruction = 'Instruction';
export const pedal = 'pedal / Enter';
export const tapTheHole = 'Tap the hole';
export const tapThePlug = 'Tap the connector';
export const tapTheBond = 'Tap two corners of it';
export const tapTheCatch = 'Tap the catch';
export const partComesOff = 'What comes off here?';
export const tapThePart = 'Tap two corners of the part';
export const screwHere = (mm: string): string => `Screw here, ${mm} mm`;
export const screwHow = (lastMm: number | undefined): string =>
  `Type or measure its length: two digits are tenths of a millimetre.${lastMm === undefined ? '' : ` Enter takes ${lastMm} mm, as the last one.`} Arrows move the cross by 1 mm, with Shift by 0.1.`;
export const keysAScrew = (keys: string): string => `${keys} keys and taps a screw so far.`;
export const drive = 'Drive';
export const head = 'Head';
export const thread = 'Thread';
export const taken = (id: string): string => `${id} lies there: tap beside it, or undo.`;
export const noLength = 'A length from 0.1 to 20 mm.';
export const longer = (mm: number): string => `It is ${mm} mm longer than those beside it`;
export const longerMeans =
  'In their holes it would reach what lies below. At refitting this hole alone takes it.';
export const whichPlug = 'What does it carry?';
export const cellFirst = 'The cell comes off before every other connector.';
export const bondKind = 'What is it?';
export const bondBy = 'Loosed by';
export const bondKindName = {
  'perimeter-seal': 'seal round the rim',
  'stretch-strip': 'stretch strip',
  tape: 'tape',
  glue: 'glue',
  gasket: 'gasket',
} as const;
export const releaseName = {
  heat: 'heat',
  solvent: 'solvent',
  pull: 'pulling',
  cut: 'cutting',
  laser: 'laser',
} as const;
export const aroundTheRim = 'All round the rim';
export const isOff = 'It is off';
export const partKind = 'Which part?';
export const partName = 'Name';
export const outlineProposed =
  'The outline is taken round the screws that came out last; two taps draw another.';
export const needed = 'What had to be undone for it?';
export const neededHow = 'Offered from what came off since. A tap changes one; Enter takes it.';
export const nothingSince = 'Nothing came off since the last part.';
export const opened = 'Opened';
export const shifted = 'Moved aside';
export const off = 'Off';
export const towards = 'to the';
export const sideName = { left: 'left', right: 'right', top: 'top', bottom: 'bottom' } as const;
export const sitsOn = 'It sits on';
export const sitsOnDevice = 'the device';
export const nowOff = (part: string): string => `${part} is off now`;
export const canDo = 'So far this device can do';
export const part = 'part';
export const wayOut = 'way out';
export const sure = 'sure';
export const said = 'said';
export const seen = 'seen';
export const wayText = (screws: number, plugs: number, bonds: number, catches: number): string =>
  [
    screws ? plural(screws, 'screw') : '',
    plugs ? plural(plugs, 'connector') : '',
    bonds ? plural(bonds, 'bond') : '',
    catches ? plural(catches, 'catch', 'catches') : '',
  ]
    .filter(Boolean)
    .join(', ') || 'lies free';
export const nothingYet =
  'Nothing yet. Begin with the screws at the bottom edge: what you say comes off lies on the mat beside.';
export const safeSide =
  'What nobody said is kept on the safe side: one thing too many is undone rather than one too few.';
export const wayBack = 'Plan the way back';
export const wayBackMeans =
  'From what is recorded: what comes first, which screw goes where, what is tested.';
export const plugs = {
  cell: 'cell',
  display: 'display',
  touch: 'touch',
  sensors: 'front sensors',
  camera: 'rear camera',
  'front-camera': 'front camera',
  port: 'charging port',
  speaker: 'loudspeaker',
  'ear-speaker': 'ear speaker',
  vibration: 'vibration',
  keys: 'keys',
  coil: 'charging coil',
  antenna: 'antenna',
  finger: 'finger sensor',
  lower: 'lower board',
} as const;
export const mat = 'Mat';
export const noPartYet = 'No part has come off yet.';
export const screwsHere = (count: number): string => `${plural(count, 'screw')} here`;
export const screwsBeside = (count: number): string => `${plural(count, 'screw')} beside it`;
