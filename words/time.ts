const two = (n: number) => String(n).padStart(2, '0');
/** About how long: seconds where it is less than a minute and a half, else whole minutes. */
export const about = (s: number): string =>
  s < 90 ? `about ${Math.max(5, Math.round(s / 5) * 5)} s` : `about ${Math.round(s / 60)} min`;
/** `1:52`, or `3:10 h` from an hour up. */
export function left(seconds: number): string {
  const s = Math.max(0, Math.ceil(seconds));
  return s >= 3600
    ? `${Math.floor(s / 3600)}:${two(Math.floor((s % 3600) / 60))} h`
    : `${Math.floor(s / 60)}:${two(s % 60)}`;
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
