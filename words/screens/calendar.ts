export const calendar = 'Calendar of promises';
export const means =
  'When each open device is promised, for the calendar at the counter: its device and number, not its owner. Whoever has the address reads it; another address ends the one before.';
export const none = 'It has no address.';
export const since = (day: string): string => `It has an address since ${day}.`;
export const address = 'Its address, said this once';
export const make = 'Make an address';
export const makeAnew = 'Make another one';
export const end = 'End it';
