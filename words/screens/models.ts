import { plural } from '../things';

export const models = 'Models';
export const known = (count: string): string => `${count}: devices are received of those that are offered`;
export const search = 'Search the models';
export const searchHint = 'maker, name, id';
export const whose = 'Whose';
export const allOfThem = 'all of them';
export const originName = { own: 'our own', practice: 'practice models' } as const;
export const noneFound = 'No model is called so.';
export const noneYet =
  'No model is here yet: bring a file in, or offer the practice models on the Workshop screen.';
export const model = 'model';
export const practice = 'practice';
export const toBeRecorded = 'to be recorded';
export const notOffered = 'not offered';
export const variants = 'variants';
export const variant = 'Variant';
export const partsOf = 'parts';
export const screws = 'screws';
export const versions = 'versions';
export const version = 'version';
export const jobs = 'jobs';
export const bringIn = 'Bring a model in';
export const bringInMeans =
  'A model file is checked first: what it names, and whether there is a way to every part and back. It is taken in whole or not at all; a newer file of the same model becomes its next version, and jobs keep theirs.';
export const schema = 'JSON Schema of a file';
export const chooseFile = 'Choose a file';
export const whoMay = 'An owner or a lead brings models in.';
export const notSent = 'It was not sent: try again.';
export const lookAtIt = 'Look at it';
export const asFile = 'As a file';
export const map = 'The device';
export const size = 'size';
export const connectors = 'connectors';
export const bonds = 'seals, tapes, glue';
export const catches = 'catches';
export const none = 'none';
export const offerIt = 'Receive of it';
export const takeAway = 'No longer receive';
export const offered = 'offered';
export const shippedMeans =
  'It ships with the app; whether practice models are offered is said on the Workshop screen.';
export const itsVersions = 'Its versions';
export const compareWith = 'Compare with';
export const compareHint = 'another version or model';
export const whatDiffers = 'What differs';
export const theSame = 'The two have the same things.';
export const thing = 'thing';
export const difference = 'difference';
export const isNew = 'only in the other one';
export const isGone = 'not in the other one';
export const isOther = 'described otherwise';
export const moved = (mm: number): string => `lies ${mm} mm off`;
export const lengths = (before: number, after: number): string => `${before} mm here, ${after} mm there`;
export const waysNew = (ways: string): string => `a way more: ${ways}`;
export const waysGone = (ways: string): string => `a way less: ${ways}`;
export const takeOver = 'Take over';
export const takeOverMeans =
  'What is taken over makes a next version, checked as a file is; of a model that ships with the app, a copy of your own. Jobs keep theirs.';
export const learnt = 'What jobs have measured';
export const modelSays = 'model';
export const measured = 'measured';
export const jobsSay = (mean: string, spread: string, jobs: string): string =>
  `${mean} ± ${spread} mm, ${jobs}`;
export const proposed = 'proposed';
export const agrees = 'agrees';
export const editIt = 'Edit on the map';
export const made = 'made';
export const corrections = 'What jobs have shown';
export const shown = 'shown';
export const evidence = 'evidence';
export const notNeeded = (first: string, part: string): string =>
  `The ${part} comes off without the ${first}`;
export const cameOffBefore = (jobs: string): string => `it came off while that was still in: ${jobs}`;
export const takesOther = (part: string, measured: number, model: number): string =>
  `The ${part} takes ${measured} min, the model says ${model}`;
export const minutesOf = (low: number, high: number, jobs: string): string =>
  `eight of ten between ${low} and ${high} min, ${jobs}`;
export const saidOf = (thing: string): string => `The ${thing} is not as the model says`;
export const questions = 'To be confirmed';
export const openQuestions = (n: number): string => (n === 1 ? 'one question' : `${n} questions`);
export const holdsIt = (first: string, part: string): string =>
  `Does the ${first} have to be undone before the ${part} comes off?`;
const away = { out: 'out', folded: 'folded open', shifted: 'moved aside' } as const;
export const mustBeAway = (first: string, part: string, pose: keyof typeof away): string =>
  `Does the ${first} have to be ${away[pose]} before the ${part} comes off?`;
export const costs = (minutes: string): string =>
  `Nobody has said so; it was off before when the model was recorded. Left out it saves about ${minutes} min on all ways that wait for it.`;
export const yes = 'Yes';
export const no = 'No, leave it out';
export const allAnswered = 'All are answered.';
export const keepAnswers = (n: number): string => (n === 1 ? 'Keep the answer' : `Keep the ${n} answers`);
export const dropAnswers = 'Begin again';
export const bringMany = 'A ZIP of model files is taken in file by file.';
export const progress = (done: number, of: number): string => `${done} of ${of} taken in`;
export const stop = 'Stop';
export const stopped = (done: number, of: number): string =>
  `Stopped: ${done} of ${of} are in. What is in stays.`;
export const zipDone = (taken: number, refused: number): string =>
  `${plural(taken, 'model')} taken in${refused ? `, ${refused} not: see below` : ''}.`;
export const noZip = 'It is no ZIP, or a damaged one.';
export const emptyZip = 'No model file (.json) is in it.';
export const tooMany = (most: number): string => `At most ${most} files in one ZIP.`;
export const fileTooLarge = (name: string): string => `${name} is larger than a model can be.`;
export const allAsZip = 'All as a ZIP';
export const formerPlace = 'Outlined: where it lies in the other one.';

export const relations = 'What has to be off before a part';
export const whichPart = 'Part';
export const partHint = 'tap it on the map, or choose it';
export const hasToBeOff = 'has to be off';
export const howSure = 'how sure';
export const needText = (name: string, pose: keyof typeof away | undefined): string =>
  pose && pose !== 'out' ? `${name}, ${away[pose]}` : name;
const inJobs = (jobs: number): string => (jobs ? `, so in ${plural(jobs, 'job')}` : '');
export const gradeText = {
  said: (jobs: number): string => `said at the bench${inJobs(jobs)}`,
  supposed: (jobs: number): string => `supposed: it was off before${inJobs(jobs)}`,
  written: (jobs: number): string => `as its file says${inJobs(jobs)}`,
  refuted: (jobs: number): string => `refuted: it came off without, in ${plural(jobs, 'job')}`,
} as const;
export const nothingBefore = 'Nothing has to be off before it.';
export const wayNr = (n: number): string => `way ${n}`;
export const way = 'way';
/** What a model says beside its things, by field. */
export const saidName: Readonly<Record<string, string>> = {
  maker: 'maker',
  name: 'name',
  generation: 'generation',
  outline: 'size',
  hinge: 'side on which it opens',
  openMaxDeg: 'how far it opens',
  pickDepthMm: 'how deep a blade goes',
  stack: 'layers through it',
  noGo: 'edges without a blade',
  pairing: 'what another part changes',
  programming: 'what the programmer covers',
  chips: 'chips',
  said: 'what was confirmed',
  bootRules: 'what it needs to start',
  variants: 'variants',
  items: 'things that it uses up',
  tools: 'tools of its own',
  stations: 'stations of its own',
  shortList: 'what is always checked',
};
