export const locked = (name: string): string => `Locked: ${name}`;
export const changingHands = 'Changing hands';
export const numberOrPasswordOf = (name: string): string => `Number or password of ${name}`;
export const goOn = 'Go on';
export const orScan = 'or scan a badge';
export const noAnswer = 'No answer from the server, or signed out: try again, or sign in.';
export const runsByItself = 'Runs by itself';
export const nothingRuns = 'Nothing runs by itself.';
