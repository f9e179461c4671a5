export const whoBringsIn = 'An owner or a lead brings models in.';
export const noJson = (message: string): string => `That is no JSON: ${message}`;
export const newerVersion = (version: number): string =>
  `It is of version ${version} of the format; this program reads version 1.`;
export const nothingTakenIn = (problems: string): string => `Nothing was taken in: ${problems}.`;
export const shipsWithApp = (name: string): string =>
  `${name} ships with the app: it is a practice model already.`;
export const anotherWorkshopHasIt = 'Another workshop of this installation has the very same model.';
export const wasHere = (name: string): string => `${name} was here already; devices are received of it.`;
export const isIn = (name: string): string => `${name} is in: devices are received of it.`;
export const notAskedFor = 'That cannot be asked for.';
export const whoChanges = 'An owner or a lead changes the library.';
export const isOffered = 'Devices are received of it from now on.';
export const isTakenAway = 'No device is received of it any more.';
export const onlyOwnModels = 'Only a model of the workshop’s own is taken away or offered again.';
export const chooseChanges = 'Choose what is to be taken over.';
export const noSuchModel = 'One of the two models is not here.';
export const nothingToTake = 'Nothing of it is different any more: look again.';
export const ownCopy = (name: string): string => `${name}, own`;
export const notWhole = (problems: string, first: string): string =>
  `It is not whole yet, and not received of: ${problems}. ${first}`;
