import dayjs, { type Dayjs } from 'dayjs';
import timezone from 'dayjs/plugin/timezone';
import utc from 'dayjs/plugin/utc';
import 'dayjs/locale/en-gb';

// weeks begin on Monday
dayjs.locale('en-gb');
dayjs.extend(utc);
dayjs.extend(timezone);

const wall = 'YYYY-MM-DDTHH:mm:ss';
/**
 * What the clock on a wall in a zone shows at a moment, as a time without a zone: what a picker can show and be typed in,
 * wherever the browser is.
 * @param timeZone absent: the browser's own
 */
export const onTheWall = (ms: number, timeZone?: string): Dayjs =>
  timeZone ? dayjs(dayjs(ms).tz(timeZone).format(wall)) : dayjs(ms);
/** The moment, ms, at which a clock on that wall shows this. */
export const momentOf = (shown: Dayjs, timeZone?: string): number =>
  (timeZone ? dayjs.tz(shown.format(wall), timeZone) : shown).valueOf();

export type { Dayjs } from 'dayjs';
export { dayjs };
