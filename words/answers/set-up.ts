export const isSetUp = 'There is a workshop already: sign in.';
export const tooManyCodes = (minutes: number): string => `Too many wrong codes. Try again in ${minutes} min.`;
export const wrongCode =
  'That is not the code which the start printed; it also stands in the file set-up-code.';
