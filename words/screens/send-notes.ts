export const understood = 'Understood';
export const aPhotographWasNotTaken = (error: string): string => `A photograph was not taken: ${error}`;
export const letItGo = 'Let it go';
