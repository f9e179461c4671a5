export const hours = 'Hours and absences';
export const means =
  'The day is planned within these hours, and promises by them. Empty: closed. Nothing is begun that is not over before.';
export const nobodySaid =
  'Nobody has said when the workshop is open: every hour counts. Empty lines are closed days.';
export const dayName = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;
export const pause = 'Pause of all';
export const fromOf = (day: string): string => `${day}, from`;
export const toOf = (day: string): string => `${day}, to`;
export const noTimes = 'Two times such as 08:30, the later one last.';
export const keep = 'Keep';
export const everyHour = 'Every hour counts';
export const absences = 'Away';
export const nobodyAway = 'Nobody is said to be away.';
export const who = 'Who';
export const from = 'From';
export const to = 'To';
export const add = 'Add the absence';
export const takeOut = 'Take out';
export const awayFrom = (name: string, from: string, to: string): string => `${name}: ${from} to ${to}`;
export const whose = 'Whose hours';
export const ofAll = 'of the workshop';
export const asAll = 'As the workshop';
export const ownMeans = (name: string): string =>
  `${name} is there within these hours; the pause of all is theirs, too. Empty: not there that day.`;
export const warms = (station: string): string => `How long the ${station} warms up`;
export const warmsFor = (minutes: number): string => (minutes ? `warms ${minutes} min` : 'is warm at once');
export const holds = (station: string): string => `How many devices the ${station} holds`;
export const holdsCount = (n: number): string => (n === 1 ? 'one device' : `${n} devices`);
