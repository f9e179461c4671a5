export const press = 'Seal press';
export const means =
  'What the press is set to, in the unit that it shows. 75 kgf for 30 s, on the frame and again after closing, is common practice.';
export const force = 'Force';
export const unit = 'Unit';
export const keep = 'Keep';
export const giveForce = 'A force above 0, at most 2000 N.';
export const setTo = (force: number, unit: string, newton: number, kPa: number): string =>
  `Set the press to ${force} ${unit}${unit === 'N' ? '' : ` (${newton} N)`}: about ${kPa} kPa over this seal, its width from memory.`;
export const checkFirst =
  'Only with a plate that matches the device, a cell that is not swollen, and every screw accounted for; else seal it by hand.';
export const asSet = 'as set';
export const spoken = (newton: number, seconds: string, setN: number): string =>
  `Force of the press: ${newton} N after ${seconds} s, set to ${setN} N`;
export const byGauge = 'Press, with the gauge';
export const now = (newton: number, seconds: string): string => `${newton} N, ${seconds} s`;
export const verdict = {
  held: (newton: number, seconds: number): string => `Held: ${newton} N for ${seconds} s.`,
  'too short': (newton: number, seconds: number): string =>
    `It let go: ${newton} N for ${seconds} s only. Press it again.`,
  'too weak': (newton: number): string => `Too weak: ${newton} N. Look at plate and air, and press it again.`,
  'too strong': (newton: number): string =>
    `Too strong: ${newton} N. Look at the panel before anything else.`,
} as const;
export const fault = {
  'stopped by a rule': 'Something stands against it: the press did not move.',
  'no gauge': 'The gauge does not answer: is it on, and plugged in? Nothing was recorded.',
  stopped: 'The press stopped before the hold was over. Nothing was recorded.',
  'other unit': 'The gauge answers in another unit than newton: set it to N.',
  'out of order': 'The gauge’s readings are out of order: they are not taken.',
  'no such job': 'This job is not here any more.',
  'not understood': 'That cannot be asked of the press.',
  'no server': 'The server does not answer: the press may go on, look at the log when it is back.',
} as const;
export const standIn = 'Stand-in: what lies under it';
export const deviceName = {
  holds: 'a device that sits',
  slips: 'one that slips half-way',
  weak: 'a press that is short of air',
} as const;
export const orByHand =
  'Or press it yourself, and confirm with the pedal: then no force is claimed by the gauge.';
export const noPlate = 'There is no plate for this model here: seal it by hand. No force is claimed then.';
export const plates = 'Plates for';
export const platesMean =
  'Models that there is a plate for; none chosen: one that does for all. A device without a plate of its own is not planned under the press.';
