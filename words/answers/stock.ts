export const whoChanges = 'An owner or a lead changes the stock.';
export const isInStock = (name: string): string => `${name} is in the stock.`;
export const goneAlready = 'This part is no longer in the stock.';
export const giveProof = 'Say what the proof of release is.';
export const chosenForJob = (part: string): string => `${part} is chosen for a job: drop it there first.`;
export const takenOut = (name: string): string => `${name} is taken out of the stock.`;
export const severalTakenOut = (parts: number): string => `${parts} parts are taken out.`;
export const noSuchPlace = (model: string, slot: string): string => `${model} has no place ${slot}.`;
export const noSuchPlaceOrSeal = (model: string, slot: string, unknown: string): string =>
  `${model} has no place, and the ${slot} no seal, ${unknown}.`;
export const takenIn = (parts: number, word: string): string => `${parts} ${word} taken in.`;
export const noSuchModel = (model: string, known: readonly string[]): string =>
  `There is no model ${model}; known are ${known.join(', ')}.`;
