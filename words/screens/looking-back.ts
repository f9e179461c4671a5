export const title = 'Looking back';
export const monthOf = (month: string): string => `Looking back at ${month}`;
export const earlier = '‹ The month before';
export const later = 'The month after ›';
export const print = 'Print';
export const toTheDay = 'To the day';
export const promises = 'Promises';
export const keptOf = (kept: number, of: number): string => (of ? `${kept} of ${of} kept` : 'none was given');
export const lateBy = (half: string, most: string): string =>
  `Half of the others no more than ${half} late, the latest ${most}.`;
export const handedOver = 'Handed over';
export const devices = (n: number): string => (n === 1 ? 'one device' : `${n} devices`);
export const without = (n: number): string =>
  `${n === 1 ? 'One' : n} of them without a route: of those no steps are told.`;
export const nothingYet =
  'No device with a route was handed over in this month: there are no times to look at.';
export const byKind = 'Planned and true, by kind of step';
export const means =
  'Medians of one step, from the entry before it; pauses of a quarter of an hour and what runs by itself are left out. It says nothing of who.';
export const kind = 'Kind of step';
export const steps = 'steps';
export const planned = 'planned';
export const took = 'took';
export const nineOfTen = 'nine of ten within';
export const where = 'Where the hands went';
