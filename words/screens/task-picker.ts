export const dropThe = (taskName: string, name: string): string => `Drop: ${taskName} the ${name}`;
export const drop = 'Drop';
export const whatToDo = 'What to do';
export const part = 'Part';
export const aPart = 'a part…';
export const often = 'often';
export const smallerParts = 'smaller parts';
export const add = 'Add';
export const taskOf = (action: string, part: string): string => `${action} the ${part}`;
