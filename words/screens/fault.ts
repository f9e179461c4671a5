export const beforeAnyTest = 'before any test';
export const howTheTestsMovedIt = 'How the tests moved it';
export const chancesAfterEachTest = (spoken: string): string => `Chances after each test: ${spoken}`;
export const causes = 'Causes';
export const whatItMayBe = 'What it may be';
export const finishedJob = 'finished job';
export const restsOnAndStartingGuesses = (plural: string, symptom: number): string =>
  `rests on ${plural} and starting guesses (common practice, worth ${symptom} jobs)`;
export const startingGuessesCommonPracticeNo =
  'starting guesses, common practice; no finished job of this kind yet';
export const onlyTheLikeliest = 'Only the likeliest';
export const all = (count: number): string => `All ${count}`;
export const thisIsIt = (name: string): string => `This is it: ${name}`;
export const thisIsItLabel = 'This is it';
export const whatShowsIt = (causeName: string): string => `${causeName}: what shows it?`;
export const sayWhatShowsItIt = 'Say what shows it: it stays in the record.';
export const stateIt = 'State it';
export const back = 'Back';
export const theTests = 'the tests';
export const whatTheOwnerSays = 'what the owner says';
export const byNoOtherTestIs = (percent: string, text: string): string =>
  `${percent} by ${text}; no other test is worth its cost`;
export const next = 'Next';
export const noFurtherTestPays = 'No further test pays';
export const andNoPlanCostsLess = ', and no plan costs less';
export const expectedToCostFromHere = (cap: string, percent: string, money: string, text: string): string =>
  `${cap}: ${percent}. Expected to cost ${money} from here${text}.`;
export const thatWasIt = 'That was it';
export const takeItAsTheFault = 'Take it as the fault';
export const chooseTheTasksMyself = 'Choose the tasks myself';
export const noFurtherTestPaysAnd = 'No further test pays, and nothing stands out';
export const tryInThisOrder = 'Try in this order';
export const takeIt = (causeName: string): string => `Take it: ${causeName}`;
export const triedFirstForItsChance = (percent: string): string =>
  `${percent}; tried first for its chance over its cost`;
export const takeItLabel = 'Take it';
export const byChanceOverCostThat =
  'By chance over cost: that order costs least on average until the fault is found.';
export const whatHappens = 'what happens';
export const itWouldMean = 'it would mean';
export const thenLikeliest = (causeName: string, percent: string): string =>
  `Then likeliest: ${causeName}, ${percent}.`;
export const expected = 'expected';
export const whyItIsNotDone = 'Why it is not done';
export const note = 'Note';
export const declined = 'Declined';
export const doNotDoThisOne = 'Do not do this one';
export const nextWithItTheWhole = (money: string): string =>
  `Next: with it the whole, tests and repair, costs least on average (${money})`;
export const chosenInsteadOfTheProposed = 'Chosen instead of the proposed one';
export const backToTheProposedOne = 'Back to the proposed one';
export const onlyWithTheOwnersConsent = 'Only with the owner’s consent:';
export const recordItOnOffer = 'record it on Offer';
export const harmlessTestsThatCouldExplain = 'Harmless tests that could explain it stand before this one.';
export const ofHands = (minutesText: string): string => `${minutesText} of hands`;
export const ofWaiting = (minutesText: string): string => `${minutesText} of waiting`;
export const erasesAllData = 'erases all data';
export const dataStay = 'data stay';
export const theDeviceIsOpened = 'the device is opened';
export const nothingIsOpened = 'nothing is opened';
export const risk = (percent: string): string => `risk ${percent}`;
export const needsAKnownGoodPart = 'needs a known-good part';
export const inAllLeavesOnAverage = (money: string, narrowing: string): string =>
  `${money} in all; leaves ${narrowing} on average`;
export const theFault = 'The fault';
export const whatDoesTheOwnerComplain = 'What does the owner complain of?';
export const chooseTheSymptomsOnThe =
  'Choose the symptoms on the right. From then on this page says which causes are likely on this model, and which test tells most for its cost: the harmless ones first. If you know already,';
export const chooseTheTasksOnOffer = 'choose the tasks on Offer';
export const whatWasSeenFitsNo = 'What was seen fits no cause';
export const oneOfTheOutcomesBelow =
  'One of the outcomes below contradicts the others. Take the latest back, or answer it again.';
export const found = 'Found';
export const lookedAtAgain = 'looked at again';
export const openAgain = 'Open again';
export const offer = 'Offer';
export const checkItHandItOver = 'Check it, hand it over';
export const toTheOffer = 'To the offer';
export const symptoms = 'Symptoms';
export const whatTheOwnerSaysLabel = 'What the owner says';
export const fromTheseWordsAndThe = 'From these words and the before-check';
export const fewer = 'Fewer';
export const allSymptoms = 'All symptoms';
export const hereBefore = 'Here before';
export const job = (number: number): string => `job ${number}`;
export const nothingDone = 'nothing done';
export const tests = 'Tests';
export const otherTests = 'Other tests';
export const mostToldForItsCost =
  'most told for its cost first; the proposed one is chosen for the cost of the whole';
export const findATest = 'Find a test';
export const findATest2 = 'find a test  ( / )';
export const never = (name: string): string => `Never: ${name}.`;
export const noOpenTestMatches = (trim: string): string => `No open test matches “${trim}”.`;
export const noTestIsLeftThat = 'No test is left that would tell anything.';
export const needsConsent = ' · needs consent';
export const later = ' · later';
export const notDone = 'not done';
export const aBackWasReplacedHere =
  'A back was replaced here before. A crumb of glass left between back and cell presses into it for months: look for it, and record both.';
