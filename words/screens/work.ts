export const forAPicture = 'For a picture';
export const isOff = ' is off';
export const withoutIt = (otherwise: string): string => `Without it: ${otherwise}`;
export const asSystemsFromAsk = (systemFrom: string): string => `, as systems from ${systemFrom} ask`;
export const allOnWithoutOneOf = (text: string, otherwise: string): string =>
  `All on${text}. Without one of them: ${otherwise}`;
export const theSystemVersionIsNot =
  ' The system version is not known: an older one shows a picture all the same.';
export const notAListOfCommands = 'not a list of commands';
export const signInFirst = 'sign in first';
export const theDatabaseCannotBeReached = 'the database cannot be reached';
export const find = 'Find';
export const aScrewPlugPieceOr = 'A screw, plug, piece or bond';
export const thisDeviceHasNothingCalled = (text: string): string =>
  `This device has nothing called “${text}”.`;
export const takeItUp = 'take it up';
export const staysInHand = 'stays in hand';
export const itRunsByItself = (span: string): string => `${span}; it runs by itself.`;
export const thingsOfThisStep = 'Things of this step';
export const allAre = (count: number, text: string): string => ` all ${count} are ${text}`;
export const done = (thingName: string): string => `${thingName}: done`;
export const clockNotKnown = 'clock not known';
export const twoClocksDisagreeSoThis =
  'Two clocks disagree, so this wait counts as unfinished. Wait the full time by another clock.';
export const takenOffEarly = 'Taken off early';
export const endedEarly = 'Ended early';
export const noLongerSoft = 'it cools: end what you have begun, or warm it again';
export const warmBeginWithin = (left: string): string => `warm: begin within ${left}`;
export const measuredMm = (mm: number): string => `measured ${mm} mm`;
export const mmRightFor = (mm: number, target: string): string => `${mm} mm: right for ${target}.`;
export const itWouldReachWhatLies = ': it would reach what lies below';
export const hereThisHoleTakesAnother = (mm: number, toFixed: string, text: string): string =>
  `${mm} here, this hole takes ${toFixed}${text}. Another screw belongs here.`;
export const chargeUnknown = 'Charge: not known. Below 25 % before a blade comes near it.';
export const chargeKnown = (percent: number): string =>
  `Charge: ${percent} % when last seen; below 25 % before a blade.`;
export const chargeShows = 'Charge it shows now';
export const chargeTake = 'It shows that';
export const overBy = (time: string): string => `${time} over`;
export const overHow =
  'One cell of a hundred like this, or one panel of ten, is at its limit by now. Off the heat source; then open it while it is warm.';
export const readyIn = (time: string): string => `ready in ${time}`;
export const theDeviceIs = (list: string): string => `The device is ${list}.`;
export const doesNotWork = (list: string): string => `Does not work: ${list}`;
export const cellOffReseatWhatWas = 'Cell off, reseat what was touched last, cell on, test that alone again.';
export const ifTheOldPartShows = 'If the old part shows the same fault, the new part is innocent.';
export const planning = 'Planning…';
export const answerItAgain = 'Answer it again';
export const whatElseItCanBe = 'What else it can be';
export const planTheRestAgain = 'Plan the rest again';
export const theDeviceIsSinceThis = (list: string): string =>
  `The device is ${list} since this route was taken.`;
export const itsInstructionsAreNotGiven =
  'Its instructions are not given any more: no heat, no press, no charging. What is out stays out; the way on is planned from here without them.';
export const agreedSinceThisRoute = (tasks: string): string => `Agreed since this route was taken: ${tasks}.`;
export const itsInstructionsWouldPutBack =
  'It does not do that and may put the old part back: the way on is planned from here, with everything that is agreed.';
export const leaveItAsItIs = 'Leave it as it is, in a fire-safe place, and';
export const lookAtTheRoute = 'look at the route';
export const anotherHouseMethodMayOpen = ': another house method may open a way.';
export const noRouteYet = 'No route yet';
export const theRouteIsComputedFrom = 'The route is computed from the model and this device’s condition.';
export const planTheRoute = 'Plan the route';
export const thisJobIsClosed = 'This job is closed';
export const itsReport = 'Its report';
export const proveAllStepsDone = 'Prove · all steps done';
export const everythingIsBack = 'Everything is back';
export const theLedgerBalancesBelowWhat = 'The ledger balances below. What is left is the hand-over.';
export const aQuestionIsOpen = 'A question is open';
export const stepOf = (phase: string, text: number, count: number, about: string): string =>
  `${phase} · step ${text} of ${count} · ${about}`;
export const toBeAnswered = (count: number, list: string): string => `${count} to be answered: ${list}`;
export const openTheChecks = 'Open the checks';
export const becauseIt = (stepWhy: string): string => `Because it ${stepWhy}.`;
export const thenComes = (lower: string): string => `Then: ${lower}.`;
export const itIsOnTheHeat = (span: string): string => `It is on the heat again: ${span}`;
export const anotherWay = 'Another way';
export const itDoesNotHoldNothing = (text: string): string =>
  `It does not hold${text}. Nothing is claimed about water.`;
export const itLeaks = 'It leaks';
export const goOnLeaking = 'Go on all the same: it is told at hand-over';
export const openItAndSealIt = 'Open it and seal it anew';
export const thisJob = 'this job';
export const notesHere = 'Notes here';
export const notAsTheModelSays = ', not as the model says';
export const ofThe = (thingName: string, from: string): string => `of the ${thingName}, ${from}`;
export const leakTest = 'Leak test';
export const underPressureLostInThe = 'Under-pressure lost in the hold';
export const unitOfTheTester = 'unit of the tester';
export const itDoesNotHold = 'It does not hold';
export const itHolds = 'It holds';
export const giveWhatTheTesterShows =
  'Give what the tester shows as a number, such as 1.8: a failed test keeps its reading.';
export const aFastLossThatFlattens =
  'A fast loss that flattens is settling; 1 K of cooling moves the pressure by about a 295th of its absolute value. What counts as holding is your tester’s setting.';
export const byTheModel = 'by the model';
export const byThePartsOwnList = 'by the part’s own list';
export const moves = 'Moves';
export const pieceOnTheOld = (thingName: string): string => `piece on the old ${thingName}`;
export const whatBecomesOfIt = 'what becomes of it';
export const offTheOldOne = 'off the old one ✓';
export const whatBecomesOfThe = (thingName: string): string => `What becomes of the ${thingName}`;
export const theNewOneHasIt = 'the new one has it';
export const onTheNewOneLook = 'on the new one, look along its edge';
export const whereTheComesFrom = (name: string): string => `Where the ${name} comes from`;
export const aNewOneIsLaid = 'a new one is laid';
export const theRouteWasPlannedWith = 'The route was planned with other moves.';
export const planItAgain = 'Plan it again';
export const theServerIsAwayAnd =
  'The server is away, and the programmer with it. Nothing was written; try again when it is back.';
export const theProgrammerDoesNotAnswer =
  'The programmer does not answer. Is it on, and on the network? Nothing was written.';
export const itHasNoAdapterFor =
  'It has no adapter for this model. Move the identity chip, or record that the notice is accepted.';
export const thePartDoesNotAnswer =
  'The part does not answer. Clean its plug, seat it again and try once more; a torn flex is not read. Else move the chip, or record that the notice is accepted.';
export const thePartInTheAdapter =
  'The part in the adapter is of another model. Look at what lies there before anything is written.';
export const thePowerWentWhileIt =
  'The power went while it was writing: the part may hold half of it. The saved data are safe here; write again.';
export const theChecksumIsWrongWhat =
  'The checksum is wrong: what was read is not kept. Clean the plug and read again.';
export const readBackItIsNot =
  'Read back, it is not what was written. Write again; a part that does so twice is bad.';
export const noDataOfTheOld = 'No data of the old part are saved with this job: read that one first.';
export const thatWasNotUnderstoodLoad = 'That was not understood. Load the page again.';
export const thisWorkshopHasNoSuch = 'This workshop has no such job.';
export const theJobDoesNotTake = 'The job does not take it now; see the stop.';
export const programmer = 'Programmer';
export const putTheOldIntoThe = (thingName: string): string => `Put the old ${thingName} into the adapter.`;
export const putTheNewIntoThe = (thingName: string): string =>
  `Put the new ${thingName} into the adapter. It is written, read back and compared.`;
export const reading = 'Reading…';
export const writingReadingBackComparing = 'Writing, reading back, comparing…';
export const theProgrammerSays = (said: string): string => `The programmer says: ${said}`;
export const tryAgain = 'Try again';
export const theNoticeIsAcceptedInstead = 'The notice is accepted instead';
export const leftAsItIsThe = 'Left as it is: the notice is accepted';
export const theProgrammerIsAStand = 'The programmer is a stand-in. It behaves as if the part were:';
export const sound = 'sound';
export const notReadable = 'not readable';
export const ofAnotherModel = 'of another model';
export const soundButThePowerGoes = 'sound, but the power goes while writing';
export const soundButTheChecksumIs = 'sound, but the checksum is wrong';
export const theProgrammerCouldNotThe = 'the programmer could not; the notice is accepted';
export const eventResyncData = 'event: resync\ndata: {}\n\n';
export const eventChangeData = (stringify: string): string => `event: change\ndata: ${stringify}\n\n`;
export const retry1000EventHelloData = 'retry: 1000\nevent: hello\ndata: {}\n\n';
export const tray = 'Tray';
export const noPartIsOut = 'no part is out';
export const onIt = 'on it';
export const inThem = 'in them';
export const mat = 'Mat';
export const trays = 'Trays';
export const pageOfTurn = (text: number, count: number): string => `Page ${text} of ${count}, turn`;
export const mixedUpSortThem = (mixed: number): string => `${mixed} mixed up: sort them`;
export const printTheMat = 'Print the mat';
export const sortScrews = 'Sort screws';
export const backToWork = 'Back to Work';
export const print = 'Print';
export const everyScrewOfTheModel = 'every screw of the model, not only of this route';
export const printAt100NotFitted = 'Print at 100 %, not fitted to the page. A4 and Letter will both do.';
export const matOf = (name: string, text: string): string => `${name} · ${text} · mat`;
export const n50Mm = '50 mm:';
export const n50MmRuler = '50 mm ruler';
export const matPageOf = (nr: number, of: number): string => `Mat, page ${nr} of ${of}`;
export const note = 'Note';
export const about = 'About';
export const theDevice = 'the device';
export const whatIsToBeRemembered = 'What is to be remembered';
export const itIsNotAsThe = 'It is not as the model says: keep it as a finding for the model';
export const keepTheNote = 'Keep the note';
export const photographIt = 'Photograph it';
export const whichIsTrue = 'Which is true?';
export const whatHappened = 'What happened?';
export const iHaveLooked = (claimText: string): string => `I have looked: ${claimText}`;
export const anotherBench = 'another bench';
export const asSaid = (text: string): string => `as ${text} said`;
export const neither = (claimText: string): string => `Neither: ${claimText}`;
export const withThe = (about: string): string => ` with the ${about}`;
export const howDoesItStandNow = (text: string): string => `How does it stand now${text}?`;
export const thatIsHowItStands = 'That is how it stands';
export const itDidNotHappenTake = 'It did not happen: take it back';
export const itIsOff = 'it is off';
export const itIsOn = 'it is on';
export const itCameAwayWhole = 'it came away whole';
export const itTore = 'it tore';
export const itIsRenewed = 'it is renewed';
export const itIsFree = 'it is free';
export const itIsHooked = 'it is hooked';
export const isOut = (id: string): string => `${id} is out`;
export const isIn = (id: string): string => `${id} is in`;
export const anotherScrewIsIn = (id: string): string => `another screw is in ${id}`;
export const isLost = (id: string): string => `${id} is lost`;
export const itIsBack = 'it is back';
export const itIs = (to: string): string => `it is ${to}`;
export const itIsBackInPlace = 'it is back in place';
export const andThe = ' and the ';
export const mmHoldsThe = (name: string, drive: string, lengthMm: number, text: string): string =>
  `${name}, ${drive}, ${lengthMm} mm, holds the ${text}`;
export const widePressOneEndThen = 'Wide: press one end, then the other, never the middle.';
export const pressItsMiddleStraightDown = 'Press its middle, straight down.';
export const pressStraightDownUntilIt = 'Press straight down until it clicks.';
export const joins = (text: string, text2: string): string => `${text} Joins ${text2}.`;
export const reportWhatHasHappenedAlso =
  'Report what has happened, also out of order: it is a fact and is recorded.';
export const nothingToReportForIt = 'Nothing to report for it.';
export const noteLabel = 'Note…';
export const typedByAnInstrument = (text: string): string => `Typed by an instrument: ${text}`;
export const thisBrowserHasNoVoice = 'This browser has no voice.';
export const stopSeeWhy = 'stop: see why';
export const pedalSpace = 'pedal / Space';
export const worksOnThisSince = (text: string, text2: string, soon: string): string =>
  `${text} works on this${text2}, since ${soon}.`;
export const takeItOver = 'Take it over';
export const map = 'Map';
export const instruction = 'Instruction';
export const bench = 'Bench';
export const hinge = (variant: string, faceText: string, hinge: string): string =>
  `${variant} · ${faceText}, hinge ${hinge}`;
export const takeItUpOtherDown = (drive: string): string => `take it up, ${drive} down`;
export const lengthIs = (mm: string): string => `${mm} mm`;
export const taskOf = (action: string, part: string): string => `${action} the ${part}`;
export const sayHowItStands = 'Say how it stands: the answer stays in the record.';
