export const whoChanges = 'An owner or a lead changes the stock.';
export const inTheBox = (count: number, drive: string, thread: string, lengthMm: number): string =>
  `${count} × ${drive} ${thread} ${lengthMm} mm in the box.`;
export const takenOut = 'Taken out of the box.';
export const goneAlready = 'It is no longer in the box.';
export const takenIn = (kinds: number, word: string): string => `${kinds} ${word} of screw taken in.`;
