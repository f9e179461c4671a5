import { plural } from '../things';

export const stencils = 'Stencils';
export const count = (n: number): string => plural(n, 'stencil');
export const search = 'Search the stencils';
export const searchHint = 'name, pitch';
export const csv = 'CSV';
export const json = 'JSON';
export const forChip = 'For the chip';
export const anyChip = 'all, or those that fit a chip';
export const empty =
  'The stencils of the rework bench stand here with their ball fields: which of them fits a chip is found at once, turned or in part. Add one, or import a list.';
export const noneMatches = (text: string): string => `No stencil is called “${text}”.`;
export const name = 'name';
export const pitch = 'pitch';
export const field = 'field';
export const aperture = 'aperture';
export const ball = 'ball';
export const ratio = 'area ratio';
export const fits = 'fits';
export const mm = (figure: number): string => `${figure} mm`;
export const fieldOf = (rows: number, columns: number, apertures: number): string =>
  `${rows} × ${columns}, ${apertures} apertures`;
export const unknown = 'unknown';
export const exact = 'exactly';
export const inPart = (row: number, column: number): string =>
  `in part, from row ${row + 1}, column ${column + 1}: mask the rest`;
export const turned = (text: string, degrees: number): string =>
  degrees ? `${text}, the chip turned by ${degrees}°` : text;
export const noneFits = (nearest: string | undefined, why: string): string =>
  nearest ? `None fits. Nearest is ${nearest}: ${why}.` : 'None fits, and none comes near.';
export const ballOff = (percent: number): string => `${percent < 0 ? '−' : '+'}${Math.abs(percent)} % solder`;
export const tooLow = 'below 0.66: paste stays in it';
export const addOne = 'Add a stencil';
export const nameLabel = 'Name';
export const pitchLabel = 'Pitch, mm';
export const patternLabel = 'Apertures, a row a line: 1 open, 0 closed';
export const apertureLabel = 'Aperture, mm';
export const thicknessLabel = 'Thickness, mm';
export const shapeLabel = 'Shape';
export const shapeName = { circle: 'round', square: 'square' } as const;
export const add = 'Add';
export const takeOut = (what: string): string => `Take ${what} out of the list`;
export const importHint =
  'A CSV file whose first line names the columns: name, pitch_mm and pattern (rows parted by /); shape, aperture_mm and thickness_mm where they are known. Or JSON, as it leaves here.';
export const whoMay = 'An owner or a lead keeps the list. Everybody searches it.';
export const restsOn =
  'Ball: area × thickness × metal, of which paste has about one half by volume. Area ratio 0.66 is the usual lower limit (IPC-7525, from memory).';
