export const wholeMinutes = 'Give whole minutes; 0 for never.';
export const atMostMinutes = 'At most 480 minutes.';
export const fourToEightDigits = 'Four to eight digits.';
export const everybodyTriesThese = 'Not 1111, 1234 or 4321: everybody tries these.';
export const giveYourPassword = 'Give your password.';
