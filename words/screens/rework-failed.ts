export const title = (part: string): string => `Ask the customer: the ${part}`;
export const what = {
  'part lost': (part: string): string => `At the rework bench the ${part} was lost.`,
  'given up': (part: string): string => `The work at the ${part} was given up.`,
  'notice stays': (part: string): string => `The ${part} works, and the phone still shows its notice.`,
} as const;
export const ask = 'The route waits until the customer has decided. What they say is in the record.';
export const newPart = (part: string): string => `A new ${part}`;
export const takesNotice = 'Takes it with the notice';
export const withNotice = 'Goes on with the notice';
export const without = 'Goes on without it';
export const again = 'Try it again';
export const end = 'It ends here: hand it back as it is';
export const planning = 'Planning …';
