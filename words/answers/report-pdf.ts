export const title = (number: number): string => `Repair report, job ${number}`;
export const cameIn = 'What came in';
export const noMarks = 'No marks on arrival.';
export const whatDone = (ending: string): string => `What was done: ${ending}`;
export const doneSoFar = 'What has been done so far';
export const leakTest = (value: number, unit: string): string =>
  `Leak test: ${value} ${unit} lost in the hold.`;
export const notices = 'Notices to expect';
export const passedWithReason = 'Passed with a reason';
export const override = (
  rule: string,
  reason: string,
  by: string,
  confirmedBy: string | undefined,
  at: string,
): string => `${rule}: ${reason} (${by}${confirmedBy ? `, confirmed by ${confirmedBy}` : ''}, ${at})`;
export const whoAndWhen = 'Who, when and on what terms';
