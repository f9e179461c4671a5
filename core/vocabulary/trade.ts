/**
 * The words of the trade that everything else is made of: the sides of a device, how a piece lies, drives of screws, kinds
 * of places and bonds, what loosens a bond, what a device can suffer from, and the functions that are checked.
 */

export const faces = ['front', 'back'] as const;
export const poses = ['in', 'folded', 'shifted', 'out'] as const;
export const drives = ['P2', 'P5', 'Y000', 'PH000', 'PH00', 'standoff', 'hex', 'slot'] as const;
export const slotKinds = [
  'display',
  'panel',
  'back',
  'cell',
  'board',
  'bracket',
  'loudspeaker',
  'ear-speaker',
  'camera',
  'front-sensors',
  'vibration',
  'port',
  'flex',
  'key',
  'tray',
  'frame',
  'coil',
  'magnet',
  'mesh',
  'film',
  'antenna',
  'chip',
] as const;
export const catchKinds = ['hook', 'tab', 'clip'] as const;
export const directions = ['left', 'right', 'top', 'bottom', 'up'] as const;
export const bondKinds = ['perimeter-seal', 'stretch-strip', 'tape', 'glue', 'gasket'] as const;
export const releaseMeans = ['heat', 'solvent', 'pull', 'cut', 'laser'] as const;
export const conditions = [
  'swollen',
  'pierced',
  'wet',
  'hot',
  'bent',
  'shattered',
  'stuck on',
  'back glass missing',
  'earlier repair',
] as const;
export const functionIds = [
  'power',
  'picture',
  'touch',
  'pressure',
  'ambient',
  'proximity',
  'face',
  'finger',
  'cameras',
  'front-camera',
  'loudspeaker',
  'ear-speaker',
  'microphones',
  'vibration',
  'keys',
  'charging',
  'wireless',
  'radios',
  'motion',
  'notice',
  'battery',
] as const;
export type Face = (typeof faces)[number];
export type Pose = (typeof poses)[number];
export type Drive = (typeof drives)[number];
export type Condition = (typeof conditions)[number];
export type FunctionId = (typeof functionIds)[number];
export type ReleaseMeans = (typeof releaseMeans)[number];
