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
