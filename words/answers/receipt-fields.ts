export const timeOfThisCentury = 'Give a time of this century.';
export const giveVersion = 'Give a version such as 14 or 14.2, or leave it empty.';
export const givePercent = 'Give percent, such as 40, or leave it empty.';
export const percentRange = 'From 0 to 100 %.';
export const chooseModel = 'Choose the device model.';
export const chooseVariant = 'Choose the variant.';
export const giveTag = 'Give the serial number or a tag of your own.';
export const giveComplaint = 'Write what the owner says is wrong.';
export const complaintTooLong = (length: number): string =>
  `At most 4 000 characters; this has ${length}. Keep what matters for the repair.`;
export const atMostTasks = 'At most 20 tasks.';
export const noSuchModel = 'This workshop has no such model.';
export const noSuchVariant = (model: string): string => `${model} has no such variant.`;
export const noSuchPart = (model: string): string => `${model} has no such part.`;
export const functionsWithoutAnswer = (open: number, all: number): string =>
  `${open} of ${all} functions have no answer yet.`;
export const promiseIsPast = 'The promised time is in the past.';
