export const meter = 'USB meter';
export const read = 'Read the USB meter';
export const said = (volt: string, ampere: string, means: string): string =>
  `${volt} V, ${ampere} A: ${means}`;
export const means = {
  charges: 'it charges',
  hardly: 'hardly anything: full, or it does not charge; look at its screen',
  'no current': 'no current flows',
  'no voltage': 'the charger gives no voltage: another one, and read again',
} as const;
export const itCharges = 'It charges';
export const itDoesNot = 'It does not';
export const note = (volt: string, ampere: string, simulated: boolean): string =>
  `${volt} V, ${ampere} A by the USB meter${simulated ? ', simulated' : ''}`;
export const noMeter = (text: string): string =>
  `The meter does not answer${text ? ` (${text})` : ''}: answer by hand.`;
export const standIn = 'Stand-in: what hangs at it';
export const deviceName = {
  charges: 'stand-in: it charges',
  full: 'stand-in: it is full',
  'dead port': 'stand-in: a dead port',
} as const;
