import { plural } from '../things';

export const rework = 'Rework';
export const bench = 'Rework bench';
export const part = 'Part';
export const kind = 'Work';
export const school = 'Hot air';
export const practice = 'A discarded part of the kind is here to practise on';
export const stencilLabel = 'Stencil';
export const noStencil = 'none: loose balls';
export const begin = 'Begin';
export const notHere =
  'This model has no part at which chips or optics are worked on. Chips are described in its model file.';
export const chipUnknown =
  'The model does not describe the chip of this part: no pads, balls or profile are worked out for it.';
export const thePart = 'the part';
export const oldPart = 'the old part’s chip';
export const newPart = 'the new part';
export const oldPartLoss = 'Then the notice stays.';
export const toNewPart = 'The chip goes to a new part, whose own chip comes off first';
export const backToWork = 'Back to Work';
export const odds = (name: string, percent: number, low: number, high: number, jobs: number): string =>
  `Chance that ${name} is lost: ${percent} % (${low} to ${high}), ${jobs ? `from ${plural(jobs, 'job')} of your own and what the trade tells` : 'from what the trade tells, none of your own yet'}.`;
export const lossCosts = (price: string): string => `It costs ${price} then.`;
export const before = (works: number, lost: number): string =>
  `Done here ${plural(works + lost, 'time')}: ${works} held, ${lost} lost.`;
export const workedAt = (setC: number, airPercent: number): string =>
  `Last time the lift held at ${setC} °C, air ${airPercent} %.`;
export const consentOpen =
  'The customer has not agreed to work under the microscope yet: ask on the Offer screen.';
export const steps = 'Steps';
export const stepOf = (n: number, of: number): string => `step ${n} of ${of}`;
export const air = (setC: number, airPercent: number, mm: number): string =>
  `${setC} °C · air ${airPercent} % · ${mm} mm`;
export const tradeSays = (least: string, most: string): string => `the trade: ${least} to ${most}`;
export const iron = (setC: number): string => `iron ${setC} °C`;
export const lamp = (seconds: number): string => `UV lamp, ${seconds} s`;
export const stopsWhen = 'It ends when';
export const lookFor = 'Look for';
export const startAir = 'Air on';
export const startIron = 'Iron on';
export const startLamp = 'Lamp on';
export const done = 'Done';
export const readData = 'Read the data';
export const writeData = 'Write the data';
export const leaveOut = 'Leave it out';
export const tooLong = 'Air off: the window is over';
export const extraction = 'Extraction is on';
export const microscope = 'Microscope';
export const leaveMicroscope = 'Leave the microscope';
export const laser = 'Never look into an opened projector: its laser cannot be seen and hurts the eye.';
export const cautions =
  'Hot air and iron with the cell off, extraction on, alcohol flashed off; goggles. The part is hot afterwards.';
export const howEnded = 'How did it end?';
export const outcomeName = {
  works: 'It works',
  'part lost': 'The part is lost',
  'given up': 'Given up',
  'notice stays': 'The notice stays',
} as const;
export const isLost = (which: 'old part' | 'new part'): string => `The ${which} is lost`;
export const trialName = {
  works: 'It works',
  'notice stays': 'Works, notice still there',
  fails: 'Does not work',
} as const;
export const tryFailed = (n: number, said: string): string => `Try ${n}: ${said}.`;
export const tryAgain =
  'Unplug the battery, warm the joints once more, and look at the corners and at pads that were oxidised.';
export const giveUpNow =
  'Three tries did not help: another one seldom does, and each warms the part again. End it below and ask the customer.';
export const answerFirst = 'answer first';
export const allWired = 'They are wired';
export const withoutPads = 'The customer goes on without them';
export const passWithReason = 'Go on with a reason';
export const customerGoesWithout = 'The customer goes without the data';
export const noTimeAt = (setC: number, airPercent: number): string =>
  `At ${setC} °C and air ${airPercent} % no time is right for eight of ten: it is not begun so.`;
export const endedAs = (outcome: string): string => `Ended: ${outcome}.`;
export const again = 'Begin it again';
export const lookAtAll = 'Look at every pad first; those that are good are taken together.';
export const profile = 'Heat profile';
export const joint = 'joint';
export const panel = 'panel';
export const jointMelts = 'The joint is';
export const meltName = {
  factory: 'factory solder, 220 °C',
  mixed: 'factory with low-melt, half and half',
  lowMelt: 'low-melt, 138 °C',
  tinLead: 'tin-lead, 183 °C',
} as const;
export const setC = 'Air, °C';
export const airPercent = 'Dial, %';
export const distance = 'Distance, mm';
export const nozzle = 'Nozzle, mm';
export const preheat = 'Plate below, °C';
export const barriers = 'Barriers';
export const liftBetween = (from: string, to: string): string => `Lift between ${from} and ${to}`;
export const liquidBetween = (from: string, to: string): string => `Liquid from ${from} on; air off by ${to}`;
export const noTime = 'No time is right for eight of ten';
export const likelyAt = (time: string): string => `The likely one is liquid at ${time}. `;
export const insteadOf = (setC: number, airPercent: number, preheatC: number): string =>
  `It would be at ${setC} °C, air ${airPercent} %, with the plate below at ${preheatC} °C.`;
export const takeIt = 'Take it';
export const endsBy = {
  flex: 'then the flex comes to its limit',
  panel: 'then the panel comes to its limit',
  'time above': 'then it has been liquid for as long as a joint should be',
} as const;
export const likelyPeak = (peak: number, aboveS: number): string =>
  `Likely: highest ${peak} °C, liquid for ${aboveS} s.`;
export const tooHotPeak = (limit: number): string =>
  `Above ${limit} °C: over what parts are made for (IPC/JEDEC J-STD-020, from memory).`;
export const restsOnDraws = (devices: number, read: number, kept: boolean): string =>
  `Bands: eight of ten chips and stations like this, of ${devices} tried; figures from memory with their ranges${kept ? ', the air as measured at this station' : ''}${read ? `, narrowed by ${plural(read, 'reading')}` : ''}. A dial reading is one machine’s.`;
export const working = 'Computing the profile …';
export const reads = 'The thermocouple reads';
export const afterS = 'after';
export const take = 'Take';
export const forget = 'Forget the readings';
export const readIt = 'Read it';
export const wrongReading = 'A temperature from 0 to 450 °C, after 0 to 300 s.';
export const noThermometer = (said: string): string =>
  `The thermocouple gives no reading${said ? `: ${said}` : ''}.`;
export const fitted = (low: number, high: number): string =>
  `From the readings: ${low} to ${high} W/(m²K) at the dial’s middle.`;
export const keepIt = 'Keep for this station';
export const kept = 'Kept for this station.';
export const spoken = (figures: string): string => `Temperatures: ${figures}`;
export const at = (time: string, joint: number, flex: number): string =>
  `${time}: joint ${joint} °C, flex ${flex} °C`;
export const melts = (celsius: number): string => `melts ${celsius} °C`;
export const pads = 'Pads';
export const sideShort = { before: 'before', after: 'after', new: 'new part', balls: 'balls' } as const;
export const padNow = (pad: string, state: string, carries: boolean): string =>
  `${pad}: ${state}${carries ? '' : ', carries nothing'}`;
export const notLooked = 'not looked at';
export const restGood = (n: number): string => `The other ${n} are good`;
export const padKeys = (states: readonly string[]): string =>
  `A press: ${states.join(', ')}. Dashed: nothing runs over it, by the model.`;
export const verdictGoOn = (lifted: readonly string[]): string =>
  lifted.length
    ? `${lifted.join(', ')} lifted, and nothing runs over ${lifted.length > 1 ? 'them' : 'it'}: go on.`
    : 'All can be soldered: go on.';
export const verdictWick = (oxidised: readonly string[]): string =>
  `${oxidised.join(', ')} oxidised: tin and wick once more.`;
export const verdictStop = (carrying: readonly string[]): string =>
  `${carrying.join(', ')} ${carrying.length > 1 ? 'carry' : 'carries'} something: wire it, or ask the customer.`;
export const verdictSettle = (spoilt: readonly string[]): string =>
  `${spoilt.join(', ')}: part or set anew, and warm the balls once more.`;
export const unseen = (n: number): string => `${plural(n, 'pad')} not looked at.`;
export const balls = 'Balls';
export const fitsExactly = (name: string): string => `${name} fits exactly`;
export const fitsInPart = (name: string, row: number, column: number): string =>
  `${name} fits in part, from row ${row + 1}, column ${column + 1}: mask the rest`;
export const turnedBy = (text: string, degrees: number): string =>
  degrees ? `${text}; the chip turned by ${degrees}°` : text;
export const moreFit = (n: number): string => `${plural(n, 'more', 'more')} fit.`;
export const noneFits = (nearest: string, why: string): string =>
  `No stencil fits. Nearest: ${nearest}, ${why}.`;
export const noStencils = 'No stencil is in the list.';
export const stencilsAt = 'The list of stencils';
export const loose = (count: number, mm: number, gap: string, percent: number): string =>
  `Loose: ${count} balls of ${mm} mm, ${gap} mm between them, ${percent < 0 ? '−' : '+'}${Math.abs(percent)} % solder.`;
export const noLoose = 'No loose ball fits: all would run together.';
export const setSoFar = (n: number, of: number): string => `${n} of ${of} set`;
export const oneMore = 'One more';
export const oneLess = 'One less';
export const alloy = 'Tinning';
export const onPad = 'Pad, mm³';
export const paste = 'Paste, mm³';
export const wickLeaves = 'Wick leaves, %';
export const below = 'Below, °C';
export const roundIs = (n: number, celsius: number, bismuth: number): string =>
  `round ${n}: liquid at ${celsius} °C, ${bismuth} % bismuth`;
export const reached = (n: number): string => `Tin and wick ${n === 1 ? 'once' : `${n} times`}.`;
export const notReached = 'Not reached in six rounds: more paste, or a better wick.';
export const alloyRests =
  'Solder on each pad and metal of the paste in each round, before wicking. By the mass of what melts together; the liquidus of tin-bismuth as a straight line between published points. Never with tin-lead: lead and bismuth melt together near 96 °C.';
export const openBench = 'Open the rework bench';
export const atTheBench = 'It is done step by step at the rework bench; how it ended there closes this step.';
export const moduleTest = 'Test the module';
export const moduleFails = (parts: string): string => `It fails: ${parts}.`;
export const moduleSound = 'All parts of the module answer.';
export const noModuleAnswer = (said: string): string =>
  `The programmer gives no answer${said ? `: ${said}` : ''}. Is the module in its adapter?`;
export const flashing = (time: string): string => `Alcohol flashes off: ${time}`;
export const stationSet = (setC: number, airPercent: number): string =>
  `The station is set to ${setC} °C, air ${airPercent} %.`;
export const stationScale = 'That lies beyond the station’s scale: set it by hand as near as it goes.';
export const noStation = (said: string): string =>
  `The hot-air station does not answer${said ? `: ${said}` : ''}. Set it by hand.`;
export const photoUnder = 'Photograph through the microscope';
export const padPlace = 'pad, at its corner';
