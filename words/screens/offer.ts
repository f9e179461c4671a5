export const consents = 'Consents';
export const tellTheOwnerAndHave = 'Tell the owner, and have it agreed';
export const signatureOrTheNameAlone = 'Signature (or the name alone)';
export const agreedBy = 'Agreed by';
export const oldPartsBackOrRecycled = 'Old parts: back or recycled?';
export const allAgreed = (count: number): string => `All ${count} agreed`;
export const onlyIfItComesTo = 'Only if it comes to that.';
export const agreed = (given: string): string => `agreed: ${given}`;
export const agreedOf = (text: string): string => `Agreed: ${text}`;
export const agreedLabel = 'Agreed';
export const giveMinutesSuchAs15 = 'Give minutes, such as 15.';
export const minutesAre0OrMore = 'Minutes are 0 or more.';
export const atMost600Minutes = 'At most 600 minutes.';
export const whatIsStillToCome = 'what is still to come, ';
export const inOfSuchRepairsA = (percent: string): string =>
  `; in ${percent} of such repairs a worn or glued part has to be renewed on the way, and that is in the average`;
export const eightOfTenSuchRepairs = (text: string, money: string, money2: string, text2: string): string =>
  `${text}eight of ten such repairs; half of them up to ${money}, on average ${money2}${text2}`;
export const distributionOfTheCostOne = (money: string, money2: string, money3: string): string =>
  `Distribution of the cost: one in ten below ${money}, half below ${money2}, nine in ten below ${money3}`;
export const trialsAddingUpMeansAnd = (trials: number, money: string, money2: string): string =>
  `${trials} trials; adding up means and variances gives ${money} ± ${money2}. The last bar holds all that is dearer.`;
export const price = 'Price';
export const howFarThePriceIs = 'How far the price is worked out';
export const stop = 'Stop';
export const thereIsNoSafeWay = 'There is no safe way to this part as things stand; see Route.';
export const workingItOut = 'Working it out…';
export const chooseWhatIsToBe =
  'Choose what is to be done: the price follows from the route, the parts and the risk.';
export const optionsSideBySide = 'Options side by side';
export const option = 'option';
export const fromTo = 'from, to';
export const hands = 'hands';
export const withinTheLimit = 'within the limit';
export const ownersLimit = 'Owner’s limit';
export const anotherPhone = 'Another phone';
export const notKnown = 'not known';
export const otherOffer = 'Other offer';
export const extraMinutes = 'Extra minutes';
export const noSafeWayAsThings = 'no safe way as things stand';
export const noLimit = 'no limit';
export const anotherPhone2 = 'another phone';
export const atListPrice = 'at list price';
export const asChosen = 'as chosen';
export const noNetworkTheNameCould =
  'No network: the name could not be kept. Nothing was recorded; try again.';
export const notRepaired = 'Not repaired';
export const whyItIsNotRepaired = 'Why it is not repaired';
export const sayWhyItStaysIn = 'Say why: it stays in the record.';
export const closeAsDeclined = 'Close as declined';
export const back = 'Back';
export const theOwnerDoesNotWant = 'The owner does not want it repaired?';
export const declined = 'Declined…';
export const nothingChangesForTheOwner = 'Nothing changes for the owner, whichever part it is.';
export const effectsOfANew = (thingName: string): string => `Effects of a new ${thingName}`;
export const functionChecked = 'function';
export const onlyWhatChanges = 'Only what changes';
export const allFunctions = (count: number): string => `All ${count} functions`;
export const brickStrong = 'brick strong';
export const lost = '✗ lost';
export const tooBrokenToRead = 'Too broken to read';
export const noneInTheStockCounted = 'None in the stock: counted at the list price with its spread.';
export const toTheStock = 'To the stock';
export const partsForThe = (thingName: string): string => `Parts for the ${thingName}`;
export const lockedToAnAccount = 'locked to an account';
export const chosen = 'Chosen';
export const choose = 'Choose';
export const parts = 'Parts';
export const partsAndWhatTheOwner = 'Parts, and what the owner will notice';
export const noPartIsReplacedNothing =
  'No part is replaced: nothing changes for the owner but what was asked for.';
export const chosenOf = (provenance: string, text: string): string => `chosen: ${provenance}${text}`;
export const listPrice = (money: string): string => `list price ${money}`;
export const promise = 'Promise';
export const readyAbout = 'Ready about';
export const atTheLatest = ', at the latest';
export const otherDevice = 'other device';
export const beforeItTakeAt = (plural: string, minutes: string, plural2: string): string =>
  `${plural} before it take ${minutes} at ${plural2}.`;
export const nothingStandsBeforeIt = 'Nothing stands before it.';
export const knownWhenTheRouteIs = 'Known when the route is.';
export const promisedFor = 'Promised for';
export const becauseOf = 'because of';
export const aSailingSay = 'a sailing, say';
export const thisTimeIsPastGive = 'This time is past: give a later one.';
export const itWillMostLikelyBe = 'It will most likely be late.';
export const itCanJustBeDone = 'It can just be done.';
export const thatIsBeforeTheTime = (text: string): string =>
  `That is before the time at which it is ready at the latest. ${text}`;
export const tasks = 'Tasks';
export const whatIsToBeDone = 'What is to be done?';
export const chooseTheTasksOr = 'Choose the tasks, or';
export const partsNotKnown = 'Of this device no part is known yet:';
export const recordThem = 'record them as they come off';
export const findTheFaultFirst = 'find the fault first';
export const pdf = 'PDF';
export const seeTheRoute = 'See the route';
export const agreedToTheRoute = 'Agreed: to the route';
export const tooBrokenToBeRead = 'Too broken to be read: nothing to copy.';
export const recordThisPrice = 'Record this price';
export const thatIsNotASignature = 'That is not a signature: sign in the box, and give a name.';
export const closedAs = (ending: string): string => `Closed: ${ending}`;
export const fromToPrice = (least: string, most: string): string => `${least} to ${most}`;
export const byThePlan = 'By the plan of the day it is ready';
export const keptIn = (percent: number): string => `; the promise is kept in ${percent} % of such days`;
export const pushes = (name: string, minutes: string): string =>
  `It makes ${name} ${minutes} later than promised`;
export const pushesNobody = 'It makes nobody else late.';
export const notRecordedYet =
  'This price is not in the record yet. It goes there when the customer agrees, or now:';
export const recordedUntilUpdated = (from: string, to: string): string =>
  `Recorded: ${from} to ${to}. Updating …`;
