import dayjs from 'dayjs';
import 'dayjs/locale/en-gb';

// weeks begin on Monday
dayjs.locale('en-gb');

export type { Dayjs } from 'dayjs';
export { dayjs };
