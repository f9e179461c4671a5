export const means = (side: string): string =>
  `Seen by everybody here, and no part of the model's file. It lies under this side: ${side}.`;
export const choose = 'Choose a photograph';
export const which = 'Which photograph';
export const placeName = ({ id, name }: { id: string; name?: string }): string =>
  name ? `${id} ${name}` : `${id} corner`;
export const markPlace = (name: string): string => `Tap the ${name}`;
export const allMarked = 'All are marked';
export const wayName = { corners: 'Four corners', two: 'Two known places' } as const;
export const wayMeans = {
  corners: 'Taken from anywhere: the four corners of the device put it straight.',
  two: 'Taken straight from above: two places that are known scale and turn it. The further apart, the better.',
} as const;
export const placeNr = (n: number): string => (n === 1 ? 'First place' : 'Second place');
export const pictureToMark = 'The photograph, to be marked';
export const putStraight = 'Put it straight';
export const beginAgain = 'Mark anew';
export const noStraight = {
  corners:
    'These four are no corners of a device as a camera sees it: three lie on a line, or two are crossed. Mark them anew, in the order that is asked for.',
  two: 'Both are the same place. Choose two that lie apart, and mark them anew.',
} as const;
export const seenThrough = 'Things over it';
export const takeAway = 'Take it away';
export const notAPicture = 'The browser cannot read this as a picture. JPEG, PNG and WebP can be read.';
export const tooLarge = (mb: number): string => `It has ${mb} MB; 40 MB is the most.`;
