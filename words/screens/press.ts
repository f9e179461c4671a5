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
