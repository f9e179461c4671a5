export const signedInAs = (login: string, role: string): string =>
  `You sign in as ${login}; here you are ${role}.`;
export const password = 'Password';
export const now = 'Password of today';
export const another = 'Another password';
export const hint = 'At least 10 characters: a few words are good.';
export const keep = 'Keep';
export const sessions = 'Signed in';
export const browser = 'browser';
export const since = 'since';
export const where = 'where';
export const here = 'here';
export const elsewhere = 'Sign out everywhere else';
const unknownBrowser = 'a browser';
/** A browser by what it calls itself, as far as a person wants to know. */
export function browserName(said: string): string {
  const kind = /Firefox|Edg|OPR|Chrome|Safari/.exec(said)?.[0];
  const on = /Android|iPhone|iPad|Windows|Mac OS|Linux/.exec(said)?.[0];
  const names: Record<string, string> = { Edg: 'Edge', OPR: 'Opera' };
  return [kind && (names[kind] ?? kind), on].filter(Boolean).join(', ') || unknownBrowser;
}
