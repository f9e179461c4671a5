export const noNetworkThisScreenNeeds = 'No network: this screen needs the server';
export const error = (status: number): string => `Error ${status}`;
export const thisPageCannotBeShown = 'This page cannot be shown';
export const whatIsKeptInThis =
  'What is kept in this browser stays kept and is sent when the server is back. Work, Checks and Log of a job that was opened here go on without it.';
export const thereIsNoSuchPage = 'There is no such page in this workshop.';
export const theFaultIsOursNothing =
  'The fault is ours; nothing that was confirmed is lost. Load the page again.';
export const toTheBench = 'To the bench';
export const loadAgain = 'Load again';
