export const isNoLengthInMm = (slice: string): string => `“${slice}” is no length in mm.`;
export const amongTheMixedScrewsMm = (lengthMm: number): string =>
  `among the mixed screws: ${lengthMm} mm, of no hole of this device`;
export const whatItComesTo = 'What it comes to';
export const inWouldBeDangerousIt = (screw: string, hole: string, why: string): string =>
  `${screw} in ${hole} would be dangerous: ${why}. It may lie there, but it does not go in.`;
export const everyScrewHasItsHole = 'Every screw has its hole.';
export const interchangeable = 'Interchangeable:';
export const withoutAScrewSoFar = (list: string): string => `Without a screw so far: ${list}.`;
export const thatIsAllAdrift = (plural: string): string => `That is all: ${plural} adrift`;
export const theyLieOnTheMat = 'They lie on the mat so';
export const backToWork = 'Back to Work';
export const whichScrewsAreMixed = 'Which screws are mixed';
export const sortScrews = 'Sort screws';
export const whenAMatWasKnocked =
  'When a mat was knocked, or a device comes with its screws in a bag: each screw is measured once, and the lengths tell which hole it is from. Say first which screws the heap is made of.';
export const allOfTheMat = (plural: string): string => `All ${plural} of the mat`;
export const screwsThatCameLooseWith = 'Screws that came loose with the device, of';
export const none = 'none';
export const allOfTheDevice = 'all of the device';
export const inTheHeap = (plural: string): string => `${plural} in the heap`;
export const measure = 'Measure';
export const measuredOf = (count: number, count2: number): string => `${count} measured of ${count2}`;
export const headOfMm = (headOf: string): string => `Head of ${headOf}, mm`;
export const lengthMm = 'Length, mm';
export const drive = 'Drive';
export const anyDrive = 'any drive';
export const headsToo = 'heads, too';
export const inAnyOrderByCalliper =
  'In any order, by calliper or by hand, Enter after each. Saying the drive first tells more of them apart.';
export const measured = 'Measured';
export const measuredScrews = 'Measured screws';
export const screw = 'screw';
export const drive2 = 'drive';
export const length = 'length';
export const head = 'head';
export const measureTheHeadOf = (id: string): string => `Measure the head of ${id}`;
export const measure2 = 'measure';
export const mostLikelyFrom = 'most likely from';
export const remove = 'remove';
export const removeOf = (id: string): string => `Remove ${id}`;
export const notSaid = 'not said';
export const itIs = (chosen: string): string => `it is ${chosen}`;
export const noHoleAStray = 'no hole: a stray';
export const or = (instead: string): string => `or ${instead}`;
export const inDoubt = 'in doubt';
export const tooLong = (why: string): string => `too long: ${why}`;
export const mat = 'Mat';
