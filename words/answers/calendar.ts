export const notAskedFor = 'That was not understood: load the page again.';
export const whoChanges = 'An owner or a lead gives the calendar an address.';
export const made =
  'The calendar has an address: take it now, it is said this once. One before it serves no more.';
export const ended = 'The calendar has no address any more.';
export const calendarName = (shop: string): string => `${shop}: promises`;
export const timesIn = (zone: string): string => `The workshop’s clock is ${zone}.`;
export const pickUp = (model: string, tag: string, number: number): string =>
  `${model} ${tag} promised (job ${number})`;
export const stands = (stage: string): string => `Now: ${stage}.`;
