export const nobodyMeant = 'Nobody of this workshop is meant, or not any more.';
export const newBadge = (name: string): string => `${name} has a new badge.`;
export const loginTaken = 'This login name is taken in this installation.';
export const comesByLink = (name: string): string => `${name} comes in by this link.`;
export const setsPasswordByLink = (name: string): string => `${name} sets another password by this link.`;
export const notOneself = 'Nobody sends themselves away: another owner does.';
export const hasLeft = (name: string): string =>
  `${name} cannot sign in any more; the record keeps the name.`;
export const roleFromNextPage = (name: string, role: string): string =>
  `${name} is ${role} from the next page on.`;
export const linkServesNoMore = 'This link serves no more. Ask an owner for another.';
export const signedOutOf = (sessions: number): string => `Signed out of ${sessions} more.`;
export const noOtherSession = 'There is no other.';
export const passwordKept = 'Kept. You are signed out everywhere else.';
