/**
 * Acts of a route that change no piece: the log keeps that they were done. Those of `holds` run by themselves once they
 * are started; their targets are `thing:start` and `thing:end`.
 */
export const acts = [
  'switch off',
  'look',
  'outfit',
  'prepare',
  'gap',
  'part',
  'craze',
  'align',
  'laser',
  'break glass',
  'brush',
  'crumbs',
  'test part',
  'compare',
  'inspect',
  'work',
  'rework',
  'move chip',
  'press',
  'cure',
  'leak test',
  'recharge',
  'calibrate',
] as const;
export type Act = (typeof acts)[number];
const phases = ['Open', 'Strip', 'Swap', 'Refit', 'Prove'] as const;
export type Phase = (typeof phases)[number];
export type StepAction = Act | (typeof movingActions)[number];
/** What of a rim is seen to before a seal is laid, beside the frame's: the cover's own rim, the mesh in its seat, all dry. */
export const rimParts = ['other', 'mesh', 'dry'] as const;
export type RimPart = (typeof rimParts)[number];
/** Actions that change a piece, a bond or the device's data; the others are acts. */
const movingActions = [
  'heat',
  'solvent',
  'release',
  'unscrew',
  'disconnect',
  'unhook',
  'move',
  'reseat',
  'set aside',
  'bag screws',
  'film off',
  'mask on',
  'mask off',
  'renew',
  'fit',
  'connect',
  'fasten',
  'check',
  'clean rim',
  'apply seal',
  'liner off',
  'close',
  'read data',
  'write data',
  'leave data',
] as const;

/** Cautions are codes; the interface words them. */
export type Caution =
  | 'heat-window'
  | 'heat-near-cell'
  | 'solvent-away-from-heat'
  | 'solvent-ventilate'
  | 'depth'
  | 'no-go-edges'
  | 'swollen-poke'
  | 'swollen-container'
  | 'cell-recycled'
  | 'cell-no-metal'
  | 'cell-no-bend'
  | 'strip-flat'
  | 'long-screw'
  | 'live-board'
  | 'press-ends'
  | 'sealed-until-now'
  | 'fragile'
  | 'laser'
  | 'glass'
  | 'static'
  | 'charge-low'
  // house methods
  | 'off-before-opening'
  | 'cut-while-warm'
  | 'drip-and-wait'
  | 'plastic-only'
  | 'off-again'
  | 'plugs-off-again'
  | 'display-stays-on'
  | 'pressed-first'
  | 'screws-first'
  | 'film-at-hand-over'
  | 'film-before-closing'
  | 'power-test'
  | 'corners'
  | 'charger-off'
  | 'strap-checked'
  | 'vacuum-bench'
  | 'magnets'
  | 'cell-not-alone'
  | 'recharge-listed'
  | 'calibrate-fails'
  | 'small-pieces'
  | 'lead-hands'
  | 'uv-eyes'
  | 'trial-off'
  | 'cell-stays-on'
  | 'notice-stays'
  | 'wide-tool'
  | 'rim-alcohol'
  | 'acetone-metal-only'
  | 'press-by-hand'
  | 'seal-came-fitted'
  | 'no-water-claim'
  | 'check-threads'
  | 'new-screws'
  | 'air-280'
  | 'air-300'
  | 'calibrate-open'
  | 'calibrate-closed'
  | 'score-and-heat'
  | 'grinding-dust'
  | 'glue-wait'
  | 'tape-next-time'
  | 'first-test-now'
  // conditions
  | 'treat-live'
  | 'measure-screws'
  | 'open-back'
  | 'blade-at-rim'
  | 'bent-frame'
  | 'laser-enclosed'
  | 'chisel-shards'
  | 'glass-flies'
  | 'laser-zones'
  | 'warm-over-coil'
  | 'bristles'
  | 'crumbs';
