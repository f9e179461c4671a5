export const functionChecked = 'function';
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
export const unlockedSo = (what: string, plain: number, knocked: boolean): string =>
  `${what}: unlocked ${Math.min(plain, 2)} of 2, ${knocked ? 'and' : 'not yet'} after a knock`;
export const itUnlocked = (what: string): string => `${what} unlocked it`;
export const itUnlockedKnocked = (what: string): string => `${what} unlocked it after a knock`;
export const anEnrolmentIsRemovedBefore = 'an enrolment is removed before the owner gets the phone';
export const doesNotWorkNowThe = (list: string): string =>
  `Does not work now: ${list}. The job goes back to Work.`;
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
export const byItself = 'The phone checks itself';
export const byItselfWhy =
  'It opens a page in its own browser and measures what is due now. Results come in here by themselves.';
export const giveLink = 'Make a link';
export const newLink = 'New link';
export const takeBack = 'Take it back';
export const scan = 'Scan it with the phone, or type';
export const linkUntil = (time: string): string => `good until ${time}, for this round alone`;
export const linkOut = (time: string): string =>
  `A link is out until ${time}; only where it was made is it shown.`;
export const linkHeld = 'The phone has opened it.';
export const trust =
  'The phone warns of the bench’s certificate once: go on, or import it (README). Camera and microphone need TLS, or this machine itself.';
export const onlyHere =
  'The bench listens on this machine alone: start it with HOST set to its address in the workshop, then a phone can reach it.';
export const measuredSays = (answer: string): string => `the phone measured: ${answer}`;
export const both = 'You said otherwise. Which counts?';
export const bandsOf = (name: string): string => `${name} by third octaves`;
export const bandsSpoken = (name: string): string => `${name}: level by third octaves, before and now`;
export const now = 'now';
export const deadMap = 'Touch: what does not answer';
export const linkFailed = 'No link could be made: the bench does not answer.';
export const likeliest = 'Likeliest, from what was touched and what was measured:';
export const suspect = (name: string, percent: number): string => `${name} ${percent} %`;
export const suspicionRests = (jobs: number): string =>
  `Chances are starting guesses of the trade${jobs ? ` and ${jobs === 1 ? 'one failure' : `${jobs} failures`} that this workshop put right` : ''}. If the old part shows the same, the new part is innocent.`;
export const shortRound = (functions: string): string =>
  `The phone asks only what can tell now: ${functions}.`;
export const pictures = (name: string): string => `What the ${name} saw`;
export const pictureOf = (name: string, n: number, when: string): string => `${name}, picture ${n}, ${when}`;
export const otherSuspects = 'Other suspects';
export const lastTime = (job: number, figures: string): string =>
  `when it was here last, job ${job}: ${figures}`;
