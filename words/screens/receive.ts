export const onTheArrowKeysMove = (kind: string, side: string): string =>
  `${kind} on the ${side}: arrow keys move it`;
export const mm = (side: string, round: number, round2: number): string =>
  ` ${side}, ${round} × ${round2} mm`;
export const howBad = (kind: string): string => `How bad: ${kind}`;
export const photograph = (kind: string): string => `Photograph: ${kind}`;
export const remove = (kind: string): string => `Remove ${kind}`;
export const outline = (side: string): string => `Outline, ${side}`;
export const mark = (side: string): string => `mark ${side}`;
export const seenFromFront = 'seen from front';
export const noMarksClickWhereThe =
  'No marks: click where the device is damaged, or record that it is not by leaving this empty. A panel standing proud sets the device to “swollen” until a lead clears it.';
export const setsTheDeviceToUntil = (text: string): string =>
  `Sets the device to ${text} until an owner or lead clears it.`;
export const noPickGoesInAt = (text: string): string =>
  `No pick goes in at the ${text} edge where glass is missing.`;
export const kindOfMark = 'Kind of mark';
export const theServerIsAwayIt = 'The server is away: it is kept here and sent when it is back.';
export const thePhotograph = 'The photograph';
export const hasMbAtMostMb = (text: string, round: number, text2: number): string =>
  `${text} has ${round} MB; at most ${text2} MB. Take it smaller, or crop it.`;
export const theServerAnswered = (status: number): string => `The server answered ${status}.`;
export const stateOnArrival = 'State on arrival';
export const theDeviceOnArrival = 'The device on arrival';
export const photographTheDevice = 'Photograph the device';
export const chooseTheModelItsOutlines = 'Choose the model: its outlines stand here to be marked.';
export const sending = (text: string): string => `Sending ${text}…`;
export const again = 'Again';
export const thePhotograph2 = 'the photograph';
export const forget = (text: string): string => `Forget ${text}`;
export const becauseOf = 'because of: ';
export const doesNot = 'does not';
export const notTested = 'not tested';
export const beforeWhatWorks = 'Before: what works';
export const allOthersWork = 'All others work';
export const noteOn = (functionName: string): string => `Note on ${functionName}`;
export const works = 'works';
export const note = 'note';
export const allOthersWork2 = 'all others work';
export const notKnown = 'not known';
export const system = 'System';
export const systemVersion = 'System version';
export const charge = 'Charge, %';
export const lockedToAccount = 'Locked to account';
export const aPreReleaseSystem = 'a pre-release system';
export const showsAFeatureThatOnly = 'shows a feature that only the factory display has';
export const isReceivingADeviceWith = (name: string): string =>
  `${name} is receiving a device with this tag, too.`;
export const itIsHereAlreadyJob = (number: number, stage: string): string =>
  `It is here already: job ${number}, at ${stage}. `;
export const goOnThere = 'Go on there';
export const hereBefore = (count: number, text: string): string => `Here before: ${count} ${text}`;
export const asLastTime = 'As last time';
export const job = (number: number): string => `job ${number}`;
export const nothingDone = 'nothing done';
export const symptoms = 'Symptoms';
export const symptoms2 = 'symptoms…';
export const deviceAndOwner = 'Device and owner';
export const ownersName = 'Owner’s name';
export const tasksIfTheyAreKnown = 'Tasks, if they are known';
export const passcodeForTheChecks = 'Passcode for the checks';
export const neverPartOfADraft = 'never part of a draft; deleted when the job is closed';
export const serialOrOwnTag = 'Serial or own tag';
export const model = 'Model';
export const choose = 'choose…';
export const variant = 'Variant';
export const whatTheOwnerSaysIs = 'What the owner says is wrong';
export const charactersAtMost4000 = (count: number): string =>
  `${count} characters; at most 4 000 are taken. Keep what matters for the repair.`;
export const readyByThePlan = (time: string): string => `By the plan, with usual minutes: ready ${time}`;
export const keptSo = (percent: number): string => `, the wished time kept in ${percent} % of such days.`;
export const makesLate = (device: string, by: string): string => `${device} would be ${by} late`;
export const wantedFor = 'Wanted for';
export const thisTimeIsPast = 'This time is past.';
export const becauseOf2 = 'because of';
export const aSailingSay = 'a sailing, say';
export const noSuchDraft = 'no such draft';
export const notADraft = 'not a draft';
export const notATag = 'not a tag';
export const receiveADevice = 'Receive a device';
export const nextPart = 'next part';
export const receive = 'receive';
export const ctrlEnter = 'Ctrl + Enter';
export const receiveLabel = 'Receive';
export const thingIs = 'thing is';
export const thingsAre = 'things are';
export const missingOrWrongBelowNothing = (plural: string): string =>
  `${plural} missing or wrong below. Nothing you typed is lost.`;
export const beforeCheck = 'Before-check';
export const coldBeforeAnythingIsWarmed =
  'Cold, before anything is warmed: the list that belongs to the model stands here.';
export const backup = 'Backup';
export const noModelYet =
  'This workshop has no model to receive a device of yet. An owner offers the practice models on Workshop.';
export const toTheModels = 'To the models';
