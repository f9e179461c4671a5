export const giveName = 'Give a name.';
export const loginShape = 'Two to forty small letters, digits, dots or hyphens.';
export const passwordTooShort = 'At least 10 characters: a few words are good.';
export const givePasswordOfToday = 'Give the password of today.';
export const giveSetUpCode = 'Give the code that the start printed.';
