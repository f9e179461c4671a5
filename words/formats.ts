/**
 * Times, days and money as a workshop's country writes them. The words stay English: a country says the order of day and
 * month, the hours of a clock, the marks in a figure. The zone is the workshop's; where it has said none, the machine's own.
 */
export interface Places {
  /** ISO 4217, three letters. */
  currency: string;
  /** ISO 3166-1, two letters; `GB` where the workshop has said nothing. */
  country?: string;
  /** As the IANA time zone database names it. */
  timeZone?: string;
}
/** How many digits a currency has behind its mark: 2 for most, 0 for the yen, 3 for some dinars (ISO 4217, as ECMA-402 has it). */
export const minorDigits = (currency: string): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;

/** A time that a calendar has. */
const isMoment = (ms: number) => Number.isFinite(ms) && Math.abs(ms) < 8.64e15;
const sign = (n: number) => (n === 0 ? '±' : n < 0 ? '−' : '+');

/** The locale that most people of a country write in. */
const localeOf = (country: string) => new Intl.Locale(`und-${country}`).maximize();
/** Whose marks in figures are the country's: its own language, or English there where that is not written in Latin letters. */
const figuresOf = (country: string): string => {
  const own = localeOf(country);
  return `${own.script === 'Latn' ? own.minimize().toString() : `en-${country}`}-u-nu-latn`;
};

function timesOf(country: string, timeZone: string | undefined) {
  const zone = timeZone ? { timeZone } : {};
  const words = `en-${country}`;
  const halfDays = /^h1[12]$/.test(
    new Intl.DateTimeFormat(localeOf(country).minimize().toString(), { hour: 'numeric' }).resolvedOptions()
      .hourCycle ?? 'h23',
  );
  // formatters take longer to make than to use a hundred times
  const clockFormat = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    ...zone,
  });
  const dayFormat = new Intl.DateTimeFormat(words, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    ...zone,
  });
  const monthFormat = new Intl.DateTimeFormat(words, { year: 'numeric', month: 'long', ...zone });
  const weekdayFormat = new Intl.DateTimeFormat(words, { weekday: 'short', ...zone });
  const dateFormat = new Intl.DateTimeFormat('en-CA', {
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    ...zone,
  });
  /** `2026-11-29`, as the workshop's calendar has it. */
  const isoDay = (ms: number): string => (isMoment(ms) ? dateFormat.format(ms) : '');
  const clock = (ms: number): string => {
    if (!isMoment(ms)) return '–';
    const text = clockFormat.format(ms);
    if (!halfDays) return text;
    const hour = Number(text.slice(0, 2));
    return `${hour % 12 || 12}${text.slice(2)} ${hour < 12 ? 'am' : 'pm'}`;
  };
  const day = (ms: number): string => (isMoment(ms) ? dayFormat.format(ms) : 'at an unknown time');
  const dayAndClock = (ms: number): string => `${day(ms)} ${clock(ms)}`;
  return {
    timeZone,
    isoDay,
    clock,
    day,
    dayAndClock,
    /** A month with its year. */
    month: (ms: number): string => (isMoment(ms) ? monthFormat.format(ms) : 'an unknown month'),
    /** `today`, `tomorrow` or the day, then the time. */
    soon(ms: number, now: number): string {
      const days = Math.round((Date.parse(isoDay(ms)) - Date.parse(isoDay(now))) / 86_400_000);
      return days === 0 ? clock(ms) : days === 1 ? `tomorrow ${clock(ms)}` : dayAndClock(ms);
    },
    /** As short as a chip of the strip: the time today, else the weekday with it. */
    soonShort: (ms: number, now: number): string =>
      isoDay(ms) === isoDay(now) ? clock(ms) : isMoment(ms) ? weekdayFormat.format(ms) : '–',
  };
}

function moneyOf(country: string, currency: string) {
  const digits = minorDigits(currency);
  const figures = figuresOf(country);
  const format = new Intl.NumberFormat(figures, { style: 'currency', currency });
  const money = (minor: number): string => format.format(minor / 10 ** digits);
  const decimal =
    new Intl.NumberFormat(figures).formatToParts(1.5).find((part) => part.type === 'decimal')?.value ?? '.';
  return {
    currency,
    digits,
    /** The mark before the digits behind it, as this country writes it. */
    decimal,
    money,
    signedMoney: (minor: number): string => `${sign(Math.round(minor))}${money(Math.abs(minor))}`,
    /** An amount as it stands in a field that is typed in: no letters, no grouping. */
    typedAmount: (minor: number): string => (minor / 10 ** digits).toFixed(digits).replace('.', decimal),
    /** Whole units, for a chart's axis. */
    units: (minor: number): number => minor / 10 ** digits,
  };
}

export type Formats = ReturnType<typeof timesOf> & ReturnType<typeof moneyOf>;
export type Money = Formats['money'];
const made = new Map<string, Formats>();
/**
 * The formats of a workshop.
 * @throws RangeError where the currency, the country or the zone is none; what comes from a workshop's settings was checked
 */
export function formatsOf({ currency, country = 'GB', timeZone }: Places): Formats {
  const key = `${currency} ${country} ${timeZone ?? ''}`;
  let formats = made.get(key);
  if (!formats) {
    formats = { ...timesOf(country, timeZone), ...moneyOf(country, currency) };
    made.set(key, formats);
  }
  return formats;
}
