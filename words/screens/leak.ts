import type { LeakAnswer } from '../../core/leak/leak';
import { span } from '../time';
import type { LeakDevice, LeakFault } from '../../core/wire/leak-test';

export const leakTester = 'Leak tester';
export const spoken = (lostPa: number, seconds: string, holdS: number): string =>
  `${lostPa} Pa of under-pressure lost after ${seconds} of ${holdS} s`;
export const lost = 'lost';
export const limit = 'fails above';
export const run = 'Run the test';
export const runAgain = 'Test again';
export const settings = (kPa: string, holdS: number, limitPaS: string): string =>
  `${kPa} kPa under the room, held ${holdS} s; a steady loss up to ${limitPaS} Pa/s passes`;
export const notSet = 'The leak tester is not set yet: under-pressure, hold and limit are its own.';
export const setIt = 'Set it on the Workshop screen';
export const askSet = 'An owner or a lead sets it on the Workshop screen.';
export const evacuating = 'Drawing down …';
export const holding = (at: string, of: number): string => `Holding: ${at} of ${of} s`;
export const goesOn = 'It goes on, and is kept, also when this page is closed.';
export const verdictName: Record<LeakAnswer['verdict'], string> = {
  pass: 'It holds',
  fail: 'It does not hold',
  unclear: 'Unclear',
};
export const figures = (rate: string, error: string, limitPaS: string): string =>
  `Steady loss ${rate} ± ${error} Pa/s, limit ${limitPaS} Pa/s`;
export const sccm = (flow: string): string => `${flow} standard cm³/min`;
export const settled = (pa: string, tau: string): string =>
  `of what was lost, ${pa} Pa settled, within about ${tau} s`;
export const fillsIn = (s: number): string => `at that rate it would be full of air after about ${span(s)}`;
export const nothingSettled = 'nothing settled';
export const fault: Record<LeakFault, string> = {
  'no tester': 'The tester does not answer: is it on, and plugged in? Nothing was recorded.',
  stopped: 'The tester stopped before the hold was over: half a curve is no test. Nothing was recorded.',
  'other unit': 'The tester answers in another unit than pascal: set it to Pa.',
  'out of order': 'The tester’s readings are out of order: they are not taken.',
  'not set': 'The leak tester is not set yet.',
  'no reference': 'What its reference leak loses is not set yet: type it above, and keep it.',
  'own test failed':
    'The tester did not find its reference leak when it was last tried: it tests no device until it does. Workshop, Methods and stations.',
  'not allowed': 'A technician, a lead or an owner tries the tester.',
  'no such job': 'This job is not here any more.',
  'not understood': 'That cannot be asked of the tester.',
};
export const noServer = 'The server does not answer: the test may go on, look at the log when it is back.';
export const standIn = 'Stand-in: what lies in it';
export const deviceName: Record<LeakDevice, string> = {
  tight: 'a device that holds',
  leaks: 'one that leaks',
  open: 'one that stands open',
  settles: 'one that settles for long',
  warm: 'one that still cools, and nobody measures it',
  stops: 'the tester stops half-way',
  unplugged: 'its plug is pulled half-way',
};
export const whereItLeaks = 'Mend it, and test again. Where to look first stands at the top.';
export const notReached = ': the set pressure was not reached';
export const lostOf = (value: number, unit: string): string => `${value} ${unit} lost`;
export const lostKPa = (kPa: string): string => `${kPa} kPa lost`;
export const places = 'Where it may leak';
export const placeText = {
  corners: 'Corners that stand proud: look along all four at a low angle. Press them again, and test again.',
  screws: (ids: string): string => `Screws through the rim: ${ids}. Tighten them, and test again.`,
  rim: 'The rim: press it with a finger, side by side, while the tester holds; where the loss slows down it leaks. Opened, cleaned and sealed anew there.',
  'second seal': (name: string): string => `The ${name}: opened, cleaned and laid anew.`,
} as const;
export const orTell = 'Or tell the owner, who signs that it does not hold.';
export const touchedHere = 'touched in this job';
export const notTouched = 'not touched in this job';
export const foundHere = 'It leaks here';
export const isNoted = 'Noted. Mend it, then test again above.';
export const foundNote = {
  corners: 'leak: a corner stood proud; pressed again',
  screws: 'leak: a screw through the rim was loose; tightened',
  rim: 'leak: at the rim',
  'second seal': 'leak: at the second seal',
} as const;
export const byHand = 'Or read the tester yourself';
export const setMeans =
  'What the tester is set to, and what passes. No value is right for every tester: take its maker’s; 20 s of hold are common practice.';
export const under = 'Under the room';
export const hold = 'Hold';
export const passes = 'Passes up to';
export const fill = 'Reached within';
export const mayLose = 'May be lost in all';
export const keep = 'Keep';
export const reference = 'Reference leak';
export const ownTest = 'Its own test';
export const ownTestMeans =
  'Once a day, with the reference leak in the chamber: the tester has to find what it loses within a tenth. After a test that failed it tests no device.';
export const tryIt = 'Find the reference leak';
export const neverTried = 'Not tried yet.';
export const triedAs = (rate: string, error: string, of: string): string =>
  `found ${rate} ± ${error} Pa/s where ${of} are`;
export const trust = {
  good: 'The tester found its reference leak today',
  due: 'The tester has not found its reference leak for a day',
  failed: 'The tester did not find its reference leak',
} as const;
export const referenceName = {
  reference: 'its reference leak',
  'hose leaks': 'the same, and a hose leaks',
} as const;
export const ofReport = (kPa: string, holdS: number, rate: string, error: string, limitPaS: string): string =>
  `Leak test: ${kPa} kPa under the room, held ${holdS} s; steady loss ${rate} ± ${error} Pa/s, limit ${limitPaS} Pa/s.`;
export const ofReportGross = (kPa: string): string =>
  `Leak test: the ${kPa} kPa under the room were not reached; a gross leak.`;
