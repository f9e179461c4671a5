import { plural } from '../things';

export const giveName = 'Give the name that stands on it.';
export const noLength = (text: string, most: number): string =>
  `A length in mm, above 0 and at most ${most}: “${text}” is none.`;
export const noPattern = 'Give its rows: 1 for an aperture, 0 for none.';
export const otherCharacter = (row: number, text: string): string =>
  `Row ${row} has something else than 0 and 1: “${text}”.`;
export const ragged = (row: number, has: number, first: number): string =>
  `Row ${row} has ${has} places, the first has ${first}: all rows are as long.`;
export const tooLarge = 'At most 60 rows of 60.';
export const noAperture = 'It has no aperture.';
export const apertureAbovePitch = 'An aperture as wide as the pitch would run into its neighbour.';
export const whoChanges = 'An owner or a lead changes the list.';
export const isIn = (name: string): string => `${name} is in the list.`;
export const takenIn = (count: number): string => `${plural(count, 'stencil')} taken in.`;
export const takenOut = 'Taken out of the list.';
export const goneAlready = 'It is no longer in the list.';
export const noList = 'No list of stencils: {"stencils": [{"name", "pitchMm", "pattern": ["101"]}]}.';
export const atMost = (count: number): string => `At most ${count} stencils.`;
