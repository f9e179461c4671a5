export const nameTaken = (name: string): string =>
  `There is a ${name} already: receive it, or give another name.`;
export const isIn = (name: string): string => `${name} can be received: its first repair records it.`;
export const noSister = 'That model is not here any more: choose another one, or none.';
export const isCopied = (name: string, sister: string): string =>
  `${name} can be received: it is like the ${sister}, until you change it on its map.`;
export const doesNotFit = 'Something of it lies outside the new outline: put that right first.';
