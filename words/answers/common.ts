/** What forms and actions of several screens answer. */
export const kept = 'Kept.';
export const zeroOrMore = 'Give 0 or more.';
export const atMostCharacters = (most: number): string => `At most ${most} characters.`;
export const oneOf = (list: string): string => `One of: ${list}.`;
export const tooManyAttempts = (minutes: number): string => `Too many attempts. Try again in ${minutes} min.`;
export const notPasswordOfToday = 'That is not your password of today.';
