import * as wording from '../../words/screens/parts';
import { DatePicker } from 'antd';
import { useMemo } from 'react';
import { type Dayjs, momentOf, onTheWall } from './dayjs';
import { useFormats } from './formats';

/** Shown as the first; typed as any of them, a time alone being one of today. */
const formats = ['ddd D MMM YYYY HH:mm', 'D MMM YYYY HH:mm', 'D/M/YYYY HH:mm', 'YYYY-MM-DD HH:mm', 'HH:mm'];

interface Props {
  id?: string;
  /** Milliseconds since 1970; null where nothing is chosen. */
  value?: number | null;
  /** The time of now, for the quick choices. */
  now: number;
  disabled?: boolean;
  invalid?: boolean;
  onChange?: (ms: number | null) => void;
}
/** A day and a time of it on the workshop's clock, 24 hours, with the quick choices of a counter. */
export function When({ id, value = null, now, disabled = false, invalid = false, onChange }: Props) {
  // the same object as long as it is the same time: with another one what is being typed would be thrown away
  const { timeZone } = useFormats();
  const at = useMemo(() => (value === null ? null : onTheWall(value, timeZone)), [value, timeZone]);
  return (
    <DatePicker
      {...(id ? { id } : {})}
      className="when"
      format={formats}
      showTime={{ format: 'HH:mm', minuteStep: 5 }}
      needConfirm={false}
      showNow={false}
      disabled={disabled}
      status={invalid ? 'error' : ''}
      placeholder={wording.dayAndTime}
      value={at}
      presets={quickChoices(onTheWall(now, timeZone)).map(({ name, at }) => ({ label: name, value: at }))}
      // as soon as it is a time: nothing is typed that is not taken
      onCalendarChange={(chosen) => {
        if (chosen && !Array.isArray(chosen)) onChange?.(momentOf(chosen, timeZone));
      }}
      onChange={(chosen) => onChange?.(chosen ? momentOf(chosen, timeZone) : null)}
    />
  );
}

/** What people at a counter say: in an hour, today at five, tomorrow at noon. Those that are past already are left out. */
function quickChoices(now: Dayjs): { name: string; at: Dayjs }[] {
  const on = (days: number, hour: number) => now.add(days, 'day').hour(hour).startOf('hour');
  // to the next five minutes: nobody promises 14:37
  const inHours = (hours: number) => {
    const then = now.add(hours, 'hour').add(4, 'minute').startOf('minute');
    return then.subtract(then.minute() % 5, 'minute');
  };
  return [
    { name: 'in 1 h', at: inHours(1) },
    { name: 'in 2 h', at: inHours(2) },
    { name: 'today 17:00', at: on(0, 17) },
    { name: 'tomorrow 12:00', at: on(1, 12) },
    { name: 'tomorrow 17:00', at: on(1, 17) },
  ].filter((c) => c.at.isAfter(now));
}
