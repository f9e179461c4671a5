import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone';
import utc from 'dayjs/plugin/utc';
import { z } from 'zod';

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'expected a time such as 08:30');
/** A time of the day in which somebody is there, or is not. */
export const openingSchema = z
  .strictObject({ from: clock, to: clock })
  .refine(({ from, to }) => from < to, { path: ['to'], message: 'expected a later time than it begins' });
export type Opening = z.output<typeof openingSchema>;
/** When a workshop is open: a line for each day from Monday, null where it is closed; and the pause of all. */
export const workHoursSchema = z.strictObject({
  week: z.array(openingSchema.nullable()).length(7),
  pause: openingSchema.optional(),
});
export type WorkHours = z.output<typeof workHoursSchema>;
/** Somebody is away, ms. */
export interface Absence {
  person: string;
  from: number;
  to: number;
}
export interface Interval {
  fromMs: number;
  toMs: number;
}

dayjs.extend(utc);
dayjs.extend(timezone);
const dayMs = 86_400_000;
/** The clock of a zone; without one, that of this machine. */
const inZone = (ms: number, timeZone: string | undefined) => (timeZone ? dayjs(ms).tz(timeZone) : dayjs(ms));
/** The moment, ms, at which the clocks of a zone show a time of a day (`2026-11-29`). */
export const momentOf = (day: string, time: string, timeZone: string | undefined): number => {
  // 24:00 is the midnight at the end of the day
  const at =
    time === '24:00' ? `${dayjs.utc(day).add(1, 'day').format('YYYY-MM-DD')} 00:00` : `${day} ${time}`;
  return (timeZone ? dayjs.tz(at, timeZone) : dayjs(at)).valueOf();
};
/** When a workshop is not open between now and some days on, ms; nothing where nobody has said when it is. */
export function closedTimes(
  hours: WorkHours | undefined,
  timeZone: string | undefined,
  now: number,
  days: number,
): Interval[] {
  if (!hours) return [];
  const until = now + days * dayMs;
  const today = dayjs.utc(inZone(now, timeZone).format('YYYY-MM-DD'));
  const open: Interval[] = [];
  const pauses: Interval[] = [];
  for (let k = -1; k <= days + 1; k++) {
    const day = today.add(k, 'day');
    // Sunday is the first of the package's week, and the last of this one
    const line = hours.week[(day.day() + 6) % 7];
    if (!line) continue;
    const at = (time: string) => momentOf(day.format('YYYY-MM-DD'), time, timeZone);
    open.push({ fromMs: at(line.from), toMs: at(line.to) });
    if (hours.pause) pauses.push({ fromMs: at(hours.pause.from), toMs: at(hours.pause.to) });
  }
  const closed: Interval[] = [];
  let from = now;
  for (const { fromMs, toMs } of open) {
    if (toMs <= from) continue;
    if (fromMs > from) closed.push({ fromMs: from, toMs: Math.min(fromMs, until) });
    from = Math.max(from, toMs);
    if (from >= until) break;
  }
  if (from < until) closed.push({ fromMs: from, toMs: until });
  const within = pauses
    .filter(({ fromMs, toMs }) => toMs > now && fromMs < until)
    .filter((pause) => !closed.some((c) => c.fromMs <= pause.fromMs && pause.toMs <= c.toMs))
    .map(({ fromMs, toMs }) => ({ fromMs: Math.max(now, fromMs), toMs: Math.min(until, toMs) }));
  return [...closed, ...within]
    .filter(({ fromMs, toMs }) => toMs > fromMs)
    .sort((a, b) => a.fromMs - b.fromMs);
}
