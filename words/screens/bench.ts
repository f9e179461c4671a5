export const everyOpenRepairStandsHere =
  'Every open repair stands here with its stage, what it waits for and when it is promised. Receive a device to begin.';
export const openDevices = 'Open devices';
export const key = 'key';
export const device = 'device';
export const owner = 'owner';
export const task = 'task';
export const stage = 'stage';
export const waitsFor = 'waits for';
export const atWork = 'at work';
export const you = 'you';
export const nobody = 'nobody';
export const promised = 'promised';
export const steps = (done: number, total: number): string => ` ${done} / ${total} steps`;
export const wasReceivedWithoutTheServer = (tag: string, error: string): string =>
  `${tag} was received without the server, which does not take it: ${error}`;
export const waitsInThisBrowserTo = (tag: string): string => `${tag} waits in this browser to be received.`;
export const putItRight = 'Put it right';
export const letItGo = 'Let it go';
export const openJobs = 'Open jobs';
export const onTheBench = 'On the bench';
export const receiveADevice = 'Receive a device';
export const drafts = 'Drafts';
export const notFinishedReceiving = 'Not finished receiving';
export const withoutATag = 'without a tag';
export const handsNow = 'Hands now';
export const promisedFor = '· promised';
export const nothingWaitsForHands = 'Nothing waits for hands';
export const theBenchIsEmpty = 'The bench is empty';
export const runningByItself = 'Running by itself';
export const nothing = 'nothing';
export const promisedLabel = 'Promised';
export const openJob = 'open job';
export const pastItsTime = (text: string): string => `Past its time: ${text}`;
export const noneIsPastItsTime = 'none is past its time';
export const itsPasscodeIsNotKept = ' Its passcode is not kept: write it on the slip.';
export const noNetworkIsKeptHere = (tag: string, text: string): string =>
  `No network: ${tag} is kept here and received when the server is back.${text}`;
export const keptSince = (when: string): string => `kept ${when}`;
export const firstSteps = 'First steps';
export const isDone = 'done';
export const isOpen = 'to be done';
export const addPeople = 'Let people in';
export const addPeopleWhy = 'each by a link of their own, with what they may.';
export const bringModels = 'Choose the models to work with';
export const bringModelsWhy = 'the invented practice models are there to learn with.';
export const bringStock = 'Bring in the stock';
export const bringStockWhy = 'parts from a CSV file or one by one.';
export const receiveFirst = 'Receive the first phone';
export const receiveFirstWhy = 'what it is, what is wrong with it, what works.';
export const backupFailed = (why: string): string =>
  `The daily backup did not work: what this machine loses is gone. ${why}`;
export const toTheBackups = 'To the backups';
/** Of an urgent device that stands first while the plan has it later. */
export const planHasItAt = (clock: string): string =>
  `The plan begins with it at ${clock}. Taken in hand now, the day follows.`;
export const thenComes = (device: string, clock: string): string => `then ${device}, from ${clock}`;
export const by = (clock: string): string => `; open it by ${clock}, or the seal sets again`;
