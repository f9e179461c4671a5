export const foldedOpen = (name: string): string => `${name}, folded open`;
export const opensToHere = 'opens to here';
export const proppedAt = (openMaxDeg: number): string => `propped at ${openMaxDeg}°`;
export const mm = (thingName: string, lengthMm: number): string => `${thingName}, ${lengthMm} mm`;
export const mmOf = (thingName: string, lengthMm: number, text: string): string =>
  `${thingName}, ${lengthMm} mm, ${text}`;
export const perimeterSeal = (look: string): string => `perimeter seal, ${look}`;
export const mmAtMost = (depthMm: number, why: string): string => `${depthMm} mm at most: ${why}`;
export const mapOfThe = (name: string, text: string, text2: string): string =>
  `Map of the ${name}, ${text}${text2}`;
export const nothingComesOffOnThis = 'nothing comes off on this side';
export const ticksAtTheTopAre = 'Ticks at the top are 10 mm apart';
export const closer = 'Closer';
export const furtherAway = 'Further away';
export const showAllOfIt = 'Show all of it';
export const goWhereTheStepIs = 'Go where the step is, and with it';
export const follow = 'follow';
export const turnOver = 'Turn over';
export const onTheMat = 'on the mat';
export const mixedUp = 'mixed up';
export const mm2 = (id: string, own: number, text: string): string => `${id}, ${own} mm, ${text}`;
export const matWhereTheScrewsLie = 'Mat: where the screws lie';
export const notOnThisRoute = (id: string): string => `${id}, not on this route`;
export const traysWhereTheScrewsLie = 'Trays: where the screws lie';
export const coverOut = (name: string): string => `${name} out`;
export const connectorIs = (name: string, on: boolean): string => `${name} connector, ${on ? 'on' : 'off'}`;
export const rimCare = {
  alcohol: (name: string): string => `Alcohol only: no acetone at the ${name}.`,
  'no scraper': (name: string): string => `Alcohol on a swab, nothing hard: the ${name} lies here.`,
} as const;
/** What the colours on the rim mean: those that are there. */
export const solventKey = (cares: ReadonlySet<keyof typeof rimCare>): string =>
  [
    cares.has('alcohol') ? 'Blue-green rim: alcohol only.' : '',
    cares.has('no scraper') ? 'Amber rim: a swab, nothing hard.' : '',
  ]
    .filter(Boolean)
    .join(' ') || 'Bare metal all round: no stretch asks for care.';
