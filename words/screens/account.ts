export const signedInAs = (login: string, role: string): string =>
  `You sign in as ${login}; here you are ${role}.`;
export const password = 'Password';
export const now = 'Password of today';
export const another = 'Another password';
export const hint = 'At least 10 characters: a few words are good.';
export const keep = 'Keep';
export const sessions = 'Signed in';
export const browser = 'with';
export const since = 'since';
export const where = 'where';
export const here = 'here';
export const elsewhere = 'Sign out everywhere else';
/** What kind of thing somebody signed in with, by what its browser says of itself: no more is wanted to know one's own. */
export const browserName = (said: string): string =>
  /mobi|tablet/i.test(said) ? 'a phone or a tablet' : 'a computer';
export const pin = 'Number at the bench';
export const pinMeans =
  'After your badge where the workshop asks for it, and to unlock a bench that you locked.';
export const pinLabel = 'Four to eight digits';
