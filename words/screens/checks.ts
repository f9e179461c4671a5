export const functionChecked = 'function';
export const passesWhen = 'passes when';
export const dueBecause = 'due because';
export const shortList = 'short list';
export const before = 'before';
export const answer = 'answer';
export const asBeforeAccepted = 'as before, accepted';
export const open = 'open';
export const movedSince = ', moved since';
export const changed = ' ▼ changed';
export const changed2 = ' ▲ changed';
export const madeForTesting = 'Made for testing:';
export const unlockIsEnrolledRemovedAgain = (what: string): string =>
  `${what} unlock is enrolled: removed again`;
export const enrolledA = (what: string, text: string): string => `enrolled a ${what}${text}`;
export const anEnrolmentIsRemovedBefore = 'an enrolment is removed before the owner gets the phone';
export const doesNotWorkNowThe = (list: string): string =>
  `Does not work now: ${list}. The job goes back to Work.`;
export const cellOffReseatWhatWas =
  'Cell off, reseat what was touched last, test again. If the old part shows the same fault, the new part is innocent.';
export const planTheWayToThe = (list: string): string => `Plan the way to the ${list}`;
export const works = 'works';
export const doesNot = 'does not';
export const or = 'or';
export const move = 'move';
export const goesOn = 'goes on';
export const pedalSpace = 'pedal / Space';
export const notTested = 'not tested';
export const asBeforeOrNotTested = 'as before, or not tested';
export const backToWork = 'Back to Work';
export const passcode = (passcode: string): string => `passcode ${passcode}`;
export const showPasscode = 'show passcode';
