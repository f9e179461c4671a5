export const holdsLoginName = 'The login name is in it: choose something else.';
export const repeatsItself = 'It is the same few characters over and over: choose something else.';
export const isCommon = 'Everybody uses this one: choose another, such as a few words.';
