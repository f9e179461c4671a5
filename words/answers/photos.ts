export const belongsToAnother = 'This photograph belongs to another device.';
export const enoughPhotographs = (mostPerJob: number): string =>
  `This device has ${mostPerJob} photographs already. Remove one first.`;
export const isEmpty = 'The photograph is empty. Take it again.';
export const isHeic =
  'This is a HEIC picture, which cannot be read here. Set the camera to JPEG (“most compatible”), or export it as JPEG.';
export const noPhotograph = 'This file is not a photograph. JPEG, PNG and WebP can be read.';
export const noPicture = 'This file is not a picture, or it is damaged. JPEG, PNG and WebP can be read.';
