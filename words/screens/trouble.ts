export const theSameInEverything = 'the same in everything';
export const lookedAtNoneWithThis = (plural: string): string =>
  `: ${plural} looked at, none with this thread, length and head`;
export const nothingInTheBoxFits = (text: string): string =>
  `Nothing in the box fits${text}. Order one; until then the hole stays empty and closing is stopped.`;
export const mmHead = (drive: string, thread: string, lengthMm: number, headMm: number): string =>
  `${drive} ${thread} × ${lengthMm} mm, head ${headMm}`;
export const left = (text: string, count: number): string => ` · ${text} · ${count} left`;
export const takeIt = 'Take it';
export const stillInHoleWiggleIt = (thing: string): string => `still in hole ${thing}: wiggle it`;
export const onTheBit = (text: string): string => `on the ${text} bit`;
export const underOrOnTheIn = (thingName: string): string => `under or on the ${thingName} in the tray`;
export const onTheMagneticMmAway = (thingName: string, awayMm: number): string =>
  `on the ${thingName}, magnetic, ${awayMm} mm away`;
export const onTheStickyMmAway = (thingName: string, awayMm: number): string =>
  `on the sticky ${thingName}, ${awayMm} mm away`;
export const isAdriftLookHereIn = (pieceName: string): string =>
  `${pieceName} is adrift: look here, in this order`;
export const isFound = (pieceName: string): string => `${pieceName} is found`;
export const aScrewFromTheBox =
  'A screw from the box fills the hole; the lost one stays adrift and stops closing until it is found.';
export const lostWhichPieceIsNot = 'Lost: which piece is not where it should be?';
export const choose = 'choose…';
export const aFreshBitStraightDown = 'A fresh bit, straight down, more weight than turn.';
export const aStripOfRubberOr = 'A strip of rubber or film between bit and head; then a bit one size up.';
export const lastABitGluedOn =
  'Last: a bit glued on, or the head filed away. Cover the board and take up every chip of metal.';
export const threadLockTouchTheHead =
  'Thread-lock: touch the head with a hot iron tip for a few seconds, then turn. Never near the cell, never on a marked cell.';
export const aDropOfAlcoholWait = 'A drop of alcohol, wait, a short turn to tighten, then out.';
export const itTurnsButStaysIn = 'It turns but stays in the hole: wiggle it out with tweezers.';
export const startItByHandBackwards = 'Start it by hand, backwards until it drops in, then forwards.';
export const aScrewALittleLonger = 'A screw a little longer that is still safe reaches whole thread.';
export const neverGlueAScrewOf = 'Never glue a screw of the board.';
export const theCellIsMarkedNo = (list: string): string => `The cell is marked ${list}: no iron, no heat.`;
export const isOutScrapIt = (text: string): string => `${text} is out, scrap it`;
export const isOut = (text: string): string => `${text} is out`;
export const itIsSettled = 'It is settled';
export const itStandsForNowRecord = 'It stands for now: record it';
export const closingTheDeviceWaitsUntil = (thingName: string): string =>
  `${thingName}: closing the device waits until it is settled.`;
export const isTorn = (thingName: string): string => `${thingName} is torn`;
export const alcoholAlongTheEdge30 =
  'Alcohol along the edge, 30 to 60 s, then a wide flat plastic tool; never bend the cell, never near heat.';
export const alcoholIsOnStartThe = 'Alcohol is on: start the 60 s';
export const onceMoreStartThe60 = 'Once more: start the 60 s';
export const warmItAgainWhereThe = 'Warm it again where the model says, then lift slowly.';
export const cutItWithAPlastic = 'Cut it with a plastic tool, flat along the frame.';
export const theCellIsSwollen = 'The cell is swollen';
export const theCellIsPiercedOr = 'The cell is pierced or smells';
export const thereIsLiquidInside = 'There is liquid inside';
export const itIsTooHotTo = 'It is too hot to hold';
export const smokeOrHissingLeaveVentilate =
  'Smoke or hissing: leave, ventilate, do not breathe it, call the fire service by your local rules.';
export const seenAtTheBench = 'seen at the bench';
export const heatPressAndChargerStop =
  'Heat, press and charger stop at once; only an owner or lead clears the mark.';
export const replacedOrRepaired = 'replaced or repaired';
export const anotherPartIsHere = 'another part is here';
export const settled = 'Settled';
export const offer = 'Offer';
export const whatBroke = 'What broke?';
export const whichPart = 'Which part?';
export const howAndHowBad = 'How, and how bad?';
export const itIsToBeReplaced = 'It is to be replaced: price and route follow';
export const brokenLeftAsItIs = (cut: string): string => `broken, left as it is: ${cut}`;
export const itStaysAsItIs = 'It stays as it is; the owner is told';
export const itGoesBackToStock = 'It goes back to stock: choose another on the offer';
export const leaveThemWhereTheyFell =
  'Leave them where they fell and take them up with a magnet. Each is measured once; the lengths tell which hole it is from.';
export const onTheMatMixedUp = (plural: string, text: string): string =>
  `${plural} on the mat ${text} mixed up`;
export const sortThe = (mixed: number): string => `Sort the ${mixed}`;
export const adriftIsItOneOf = (list: string, text: string): string =>
  `${list} ${text} adrift. Is it one of these? Measure it: only then is it found.`;
export const takenOut = 'taken out';
export const isOutOfTheDevice = (text: string): string => `${text} is out of the device`;
export const whatIsItAndWhere = 'What is it, and where?';
export const aLoosePieceIsInside = 'A loose piece is inside that is not this device’s';
export const inWords = 'In words';
export const keepAsANote = 'Keep as a note';
export const notAsTheModelSays = (thingName: string): string => `Not as the model says, at the ${thingName}`;
export const theSealIsLeftOff = 'The seal is left off on purpose, for this reason';
export const maskingTapeIsOffAgain = 'Masking tape is off again';
export const maskingTapeIsOn = 'Masking tape is on';
export const takesMmAtMostMeasure = (thingName: string, safe: number): string =>
  `${thingName} takes ${safe} mm at most. Measure once more: a burr or a tilted jaw adds a tenth. If it stands, this screw goes back to the owner, not into the phone.`;
export const goesIntoTheOwnersBag = (pieceName: string): string => `${pieceName} goes into the owner’s bag`;
export const swollenPiercedWetTooHot = 'Swollen, pierced, wet, too hot';
export const headIsStripped = 'Head is stripped';
export const itWillNotTurn = 'It will not turn';
export const threadDoesNotHold = 'Thread does not hold';
export const screwTooLongOrWrong = 'Screw too long or wrong';
export const aScrewOrPieceIs = 'A screw or piece is lost';
export const itTore = 'It tore';
export const aScrewTooMany = 'A screw too many';
export const theMatWasKnocked = 'The mat was knocked';
export const somethingBroke = 'Something broke';
export const wrongOrBadNewPart = 'Wrong or bad new part';
export const somethingElse = 'Something else';
export const trouble = 'Trouble';
export const open = (list: string): string => `Open: ${list}.`;
export const lookFor = (pieceName: string): string => `Look for ${pieceName}`;
export const inHand = (thingName: string): string => `In hand: ${thingName}. `;
export const whatIsIt = 'What is it?';
export const otherTrouble = 'Other trouble';
/** @param most the longest screw that is safe there, mm */
export const fromTheBoxFor = (
  hole: string,
  drive: string,
  thread: string,
  lengthMm: number,
  most: number,
): string => `From the spares box for ${hole} (${drive}, ${thread}, ${lengthMm} mm, at most ${most} mm)`;
export const hasTorn = (name: string): string => `${name} tore`;
