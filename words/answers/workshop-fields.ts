export const noHostName = 'expected a name such as bench.lan, without https:// or a port';
export const giveName = 'Give the workshop’s name.';
export const giveAmount = 'Give an amount of money, such as 60 or 62.50.';
export const amountZeroOrMore = 'Give an amount of 0 or more.';
export const hourTooDear = 'That is more than an hour can cost.';
export const wholeMonths = 'Give whole months, such as 12.';
export const atMostMonths = 'At most 120 months.';
export const wholeHour = 'Give a whole hour, 0 to 23.';
export const hourRange = 'Give 0 to 23.';
export const wholeDays = 'Give whole days, such as 14.';
export const atLeastOneDay = 'At least one day.';
export const atMostTenYears = 'At most ten years.';
export const wholeMonthsOrNever = 'Give whole months, such as 24; 0 for never.';
export const atMostTwentyYears = 'At most twenty years.';
export const giveWholeSeconds = 'Give whole seconds.';
export const flashAtLeast = (solventFlashS: number): string =>
  `At least ${solventFlashS} s: alcohol must have flashed off before heat.`;
export const atMostAnHour = 'At most 3600 s.';
export const coolingAtLeast = (coolingS: number): string =>
  `At least ${coolingS} s: a device must have cooled before alcohol.`;
export const giveCelsius = 'Give a temperature in °C.';
export const celsiusAtLeast = (least: number): string => `At least ${least} °C.`;
export const celsiusAtMost = (most: number): string => `At most ${most} °C.`;
export const givePressure = 'Give the under-pressure.';
export const pressureRange = 'From 0.5 to 90 kPa under the room.';
export const giveHold = 'Give whole seconds.';
export const holdRange = 'From 5 to 600 s.';
export const giveReference = 'Give what the reference leak loses, above 0, in Pa/s; or leave it empty.';
export const giveLimit = 'Give a loss above 0, in Pa/s.';
