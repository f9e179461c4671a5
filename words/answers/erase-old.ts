export const nothingToErase = 'Nothing is to be erased.';
export const ownersErased = (jobs: string): string => `What was known of the owners of ${jobs} is erased.`;
