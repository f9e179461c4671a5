export const theServerAnswered = (status: number): string => `the server answered ${status}`;
export const theServerAnsweredOf = (status: number): string => `The server answered ${status}.`;
