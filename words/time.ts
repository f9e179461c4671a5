/** Times are local and short. The zone is the browser's; the server renders with its own and the browser corrects it. */
/** A time that a calendar has. */
const isMoment = (ms: number) => Number.isFinite(ms) && Math.abs(ms) < 8.64e15;
const two = (n: number) => String(n).padStart(2, '0');
export const clock = (ms: number): string => {
  if (!isMoment(ms)) return '–';
  const date = new Date(ms);
  return `${two(date.getHours())}:${two(date.getMinutes())}`;
};
// a formatter takes longer to make than to use a hundred times
const dayFormat = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
const weekdayFormat = new Intl.DateTimeFormat('en-GB', { weekday: 'short' });
export const day = (ms: number): string => (isMoment(ms) ? dayFormat.format(ms) : 'at an unknown time');
export const dayAndClock = (ms: number): string => `${day(ms)} ${clock(ms)}`;
/** `today`, `tomorrow` or the day, then the time. */
export function soon(ms: number, now: number): string {
  const start = (t: number) => {
    const date = new Date(t);
    date.setHours(0, 0, 0, 0);
    return date.getTime();
  };
  const days = Math.round((start(ms) - start(now)) / 86_400_000);
  return days === 0 ? clock(ms) : days === 1 ? `tomorrow ${clock(ms)}` : dayAndClock(ms);
}
/** About how long: seconds where it is less than a minute and a half, else whole minutes. */
export const about = (s: number): string =>
  s < 90 ? `about ${Math.max(5, Math.round(s / 5) * 5)} s` : `about ${Math.round(s / 60)} min`;
/** As short as a chip of the strip: the time today, else the weekday with it. */
export function soonShort(ms: number, now: number): string {
  return new Date(ms).toDateString() === new Date(now).toDateString() ? clock(ms) : weekdayFormat.format(ms);
}
/** `1:52`, or `3:10 h` from an hour up. */
export function left(seconds: number): string {
  const s = Math.max(0, Math.ceil(seconds));
  return s >= 3600
    ? `${Math.floor(s / 3600)}:${two(Math.floor((s % 3600) / 60))} h`
    : `${Math.floor(s / 60)}:${two(s % 60)}`;
}
const moneyFormats = new Map<string, Intl.NumberFormat>();
export function money(minor: number, currency: string): string {
  let format = moneyFormats.get(currency);
  if (!format) {
    format = new Intl.NumberFormat('en-GB', { style: 'currency', currency });
    moneyFormats.set(currency, format);
  }
  return format.format(minor / 100);
}
export const minutes = (m: number): string =>
  m < 1
    ? 'under 1 min'
    : m >= 90
      ? `${Math.floor(m / 60)} h ${two(Math.round(m % 60))} min`
      : `${Math.round(m)} min`;
/** Seconds as a table shows them: `45 s`, `4 min`. */
export const span = (s: number): string => (s < 90 ? `${Math.round(s)} s` : `${Math.round(s / 60)} min`);
const sign = (n: number) => (n === 0 ? '±' : n < 0 ? '−' : '+');
/** A difference in minutes with its sign: `+4 min`, `−1.5 min`, `±0 min`. */
export function signedMinutes(n: number): string {
  const r = Math.round(n * 10) / 10;
  return `${sign(r)}${Math.abs(r) >= 10 ? Math.round(Math.abs(r)) : Math.abs(r)} min`;
}
export const signedMoney = (minor: number, currency: string): string =>
  `${sign(Math.round(minor))}${money(Math.abs(minor), currency)}`;
