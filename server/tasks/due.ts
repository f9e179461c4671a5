import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone';
import utc from 'dayjs/plugin/utc';

dayjs.extend(utc);
dayjs.extend(timezone);

/**
 * When a daily thing was due last: at its hour by the workshop's clock, today or yesterday.
 * @param hour 0 to 23
 * @param timeZone absent: the server's own
 * @returns ms since 1970, at most now
 */
export function lastDue(now: number, hour: number, timeZone?: string): number {
  const local = timeZone ? dayjs(now).tz(timeZone) : dayjs(now);
  const today = local.hour(hour).startOf('hour');
  // an hour that a clock change leaves out comes as the one after it
  return (today.isAfter(local) ? today.subtract(1, 'day') : today).valueOf();
}
