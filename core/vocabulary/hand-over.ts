/** What is looked at in the hand before the owner has a device again. */
export const handOverItems = [
  'brightness',
  'grilles',
  'mute switch',
  'tray',
  'enrolments',
  'film',
  'protector',
  'bag',
  'care',
] as const;
export type HandOverItem = (typeof handOverItems)[number];
