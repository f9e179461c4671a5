export const nameTaken = (name: string): string =>
  `There is a ${name} already: receive it, or give another name.`;
export const isIn = (name: string): string => `${name} can be received: its first repair records it.`;
