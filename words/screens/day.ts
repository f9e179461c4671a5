import type { StepAction } from '../../core/vocabulary/steps';

export const day = 'The day';
export const planning = 'Planning the day …';
export const cannot = (devices: string): string =>
  `Too few hands for all that was begun: ${devices} cannot all be come back to in time. Somebody goes there now; what has gone cold is warmed again.`;
export const away = 'The plan cannot be had: the bench does not answer. It comes by itself.';
export const hands = (n: number): string => `hands ${n}`;
export const inTime = (kept: number, of: number): string => `${kept} of ${of} promises kept`;
export const late = (name: string, minutes: string): string => `${name} ${minutes} late`;
export const slips = (name: string, percent: number): string =>
  `${name} may slip: kept in ${percent} % of such days`;
export const avoided = (minutes: string): string => `no plan avoids ${minutes} of it`;
export const whatIf = 'What if so many were there';
export const instead = (kept: number, today: number): string =>
  `So: ${kept} promises kept; today’s plan keeps ${today}.`;
export const whoAway = 'who or what is away';
export const oneOfUs = 'one of us';
export const whenAway = 'when';
export const between = (from: string, to: string): string => `${from}–${to}`;
export const chanceOf = (percent: number): string => `kept in ${percent} %`;
export const ready = (clock: string): string => `ready ${clock}`;
export const promised = (clock: string): string => `promised ${clock}`;
export const guessed = 'no route yet: guessed';
export const rests = (n: number, proved: boolean): string =>
  `Planned for ${people(n)}${n > 1 ? ' who are alike' : ''}, each station for as many devices as it holds, a minute for coming to a device; hours and absences as on the Workshop screen. Solid is hands, hatched runs by itself; kept in so many of a hundred days with these steps’ spread. ${proved ? 'No plan is late by less.' : 'A better plan may exist.'}`;
export const people = (n: number): string => (n === 1 ? 'one person' : `${n} people`);
/** What a block does, in a word or two. */
export const acts: Partial<Record<StepAction | 'plan', string>> = {
  heat: 'warm',
  solvent: 'dissolve',
  release: 'loosen',
  unscrew: 'screws out',
  move: 'take out',
  renew: 'new strips',
  fit: 'put in',
  fasten: 'screws in',
  check: 'checks',
  'clean rim': 'rim, seal',
  'apply seal': 'seal',
  press: 'press',
  cure: 'cure',
  'leak test': 'leak test',
  close: 'close',
  'read data': 'read data',
  'write data': 'write data',
  recharge: 'charge',
  calibrate: 'calibrate',
  work: 'work',
  rework: 'rework',
  plan: 'not planned',
};
export const handOver = 'hand over';
export const spoken = (device: string, act: string, from: string, to: string): string =>
  `${device}: ${act}, ${from} to ${to}`;
