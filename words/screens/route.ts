export const otherWays = 'Other ways';
export const insistedOn = 'insisted on';
export const noSafeWayAsThings = 'no safe way as things stand';
export const taken = 'taken';
export const riskConsumables = (signedMinutes: string, signedMoney: string, signedMoney2: string): string =>
  `${signedMinutes}, risk ${signedMoney}, consumables ${signedMoney2}`;
export const letTheFiguresDecide = 'Let the figures decide';
export const withThe = (text: string): string => `with the ${text}`;
export const asItLies = 'as it lies';
export const notFollowedTheWorkshopHas = (stationName: string): string =>
  `not followed: the workshop has no ${stationName}`;
export const notFollowedTheDeviceIs = (text: string): string => `not followed: the device is ${text}`;
export const houseMethods = 'House methods';
export const houseMethodsInForce = 'House methods in force';
export const onlyThese = 'only these';
export const all = 'all';
export const notHere = ' (not here)';
export const clear = (condition: string): string => `Clear “${condition}”`;
export const anOwnerOrLeadClears =
  'An owner or lead clears this after looking at the device. The reason stays in the record, and the route is planned again.';
export const whatWasSeen = 'What was seen';
export const sayWhatWasSeenIt = 'Say what was seen: it stays in the record.';
export const useUp = 'use up';
export const theRoute = (phase: string): string => `The route: ${phase}`;
export const nr = 'nr';
export const doIt = 'do';
export const becauseIt = 'because it';
export const bit = 'bit';
export const time = 'time';
export const wait = (span: string): string => `+ ${span} wait`;
export const provesTheRepair = 'proves the repair';
export const isTheLastCheapMoment = 'is the last cheap moment';
export const theRouteInForce = 'The route in force.';
export const thisJobIsClosed = 'This job is closed.';
export const plannedAgainFromWhereThe =
  'Planned again from where the device stands now; what is out stays out.';
export const computedFromTheModelAnd = 'Computed from the model and this device’s condition.';
export const noRouteWasTaken = 'No route was taken.';
export const noRoute = 'No route.';
export const takeTheRouteAllThe = 'Take the route all the same';
export const takeThisRoute = 'Take this route';
export const planAgain = 'Plan again';
export const print = 'Print';
export const toTheBench = 'To the bench';
export const planning = 'Planning…';
export const anAnswerStandsBelowAt = (money: string): string =>
  `An answer stands below, at most ${money} from the least; looking further.`;
export const howFarTheSearchHas = 'How far the search has come';
export const stopHere = 'Stop here';
export const waitOf = (text: string): string => ` (wait ${text})`;
export const route = 'Route';
export const routeAsJson = 'Route as JSON';
export const thisJobHasNoRoute = 'This job has no route yet: take one on its Route screen, then print it.';
export const job = (number: number, list: string): string => `Job ${number}: ${list}`;
export const bitChange = 'bit change';
export const aboutOfHandsAndOf = (
  minutes: string,
  minutes2: string,
  plural: string,
  plural2: string,
): string =>
  `About ${minutes} of hands and ${minutes2} of waiting, ${plural}, ${plural2}. Local codes, the makers’ sheets and licensed practice come first.`;
export const layOutFirst = 'Lay out first';
export const thisJobHasNoRouteYet = 'this job has no route yet';
export const map = 'Map';
export const pointAtAStepTo = 'point at a step to see where it is';
export const noHeatNoSweepUnder = 'No heat, no sweep under the panel, cell out as soon as it can be reached.';
export const clearLabel = 'Clear…';
export const aboutOfHands = (minutes: string): string => `About ${minutes} of hands`;
export const min = (round: number, round2: number): string => `${round}–${round2} min`;
export const andOfWaiting = (minutes: string, provedText: string): string =>
  `and ${minutes} of waiting. ${provedText}`;
export const handsRiskConsumablesPartsCome = (money: string, money2: string, money3: string): string =>
  `Hands ${money}, risk ${money2}, consumables ${money3}; parts come on top.`;
export const tasks = 'Tasks';
export const tellTheOwner = 'Tell the owner';
export const ownerAgrees = 'Owner agrees';
export const thereIsNoSafeWay = (list: string): string => `There is no safe way to the ${list}.`;
export const theJobIsClosedNo = 'The job is closed: no route can be taken.';
export const theRouteWasNotTaken = 'The route was not taken.';
export const noNetworkTheRestIs =
  'No network: the rest is planned on the server. Leave the device as it is, cool and open to the air, and try again when it is back.';
export const asThingsStandThereIs = (list: string): string =>
  `As things stand there is no safe way to the ${list}. Another house method or a station may open one; a condition is cleared by a lead after looking at the device.`;
export const beforeItIsOpenedTry = (count: number): string => `Before it is opened, try ${count} more: `;
export const theseTasksTouchThemAnd = (list: string): string =>
  `${list}. These tasks touch them, and afterwards nobody can say what they were. `;
export const answerThem = 'Answer them';
export const agreed = (how: string): string => `agreed: ${how}`;
