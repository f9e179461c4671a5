export const title = 'The day';
export const planOf = (moment: string): string => `The day, as planned ${moment}`;
export const toTheDay = 'To the day';
export const print = 'Print';
export const promised = 'promised';
export const ready = 'ready';
export const device = 'device';
export const what = 'what';
export const station = 'station';
export const fromTo = 'from, to';
export const atTheLatest = 'begun by';
export const byItself = 'Runs by itself';
export const late = (by: string): string => `${by} late`;
export const readyAt = (planned: string, mean: string): string =>
  planned === mean ? planned : `${planned}, in the mean ${mean}`;
