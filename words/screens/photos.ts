export const noSuchPhotograph = 'no such photograph';
export const itIsPartOfThe = 'It is part of the record of a received device and stays.';
export const thePhotographIsLargerThan = (text: number): string =>
  `The photograph is larger than ${text} MB. Take it smaller, or crop it.`;
