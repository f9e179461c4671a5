export const means =
  'It stays in this browser and is no part of the model. Mark the four corners of the device in it, and it is put straight.';
export const choose = 'Choose a photograph';
export const which = 'Which photograph';
export const corner = ['top left', 'top right', 'bottom right', 'bottom left'] as const;
export const markCorner = (name: string): string => `Tap the ${name} corner of the device`;
export const allCorners = 'The four corners are marked';
export const pictureToMark = 'The photograph, to be marked';
export const putStraight = 'Put it straight';
export const beginAgain = 'Mark anew';
export const noStraight =
  'These four are no corners of a device as a camera sees it: three lie on a line, or two are crossed. Mark them anew, in the order that is asked for.';
export const seenThrough = 'Things over it';
export const takeAway = 'Take it away';
export const notAPicture = 'The browser cannot read this as a picture. JPEG, PNG and WebP can be read.';
export const tooLarge = (mb: number): string => `It has ${mb} MB; 40 MB is the most.`;
