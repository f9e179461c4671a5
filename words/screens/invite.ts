export const welcome = (name: string): string => `Welcome, ${name}`;
export const anotherPassword = (name: string): string => `${name}: another password`;
export const worksHere = (shop: string, login: string): string =>
  `${shop} has you as ${login}. Choose a password that only you know.`;
export const choose = 'Choose a password';
export const hint = 'At least 10 characters: a few words are good.';
export const goOn = 'Keep it and go on';
export const noMore = 'This link serves no more';
export const askAnother =
  'It was used, it is older than two days, or a letter of it is missing. Ask an owner for another.';
export const tooMany = 'Too many links that serve nothing. Try again in a quarter of an hour.';
export const toSignIn = 'To sign in';
