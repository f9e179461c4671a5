export const giveMaker = 'Give the maker, as it is written on the device.';
export const giveName = 'Give the model’s name.';
export const giveMillimetres = 'Give it in mm, such as 71.4.';
export const millimetres = (from: number, to: number): string => `From ${from} to ${to} mm.`;
