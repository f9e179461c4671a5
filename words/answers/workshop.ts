export const linksUseIt = 'Links for phones use this name.';
export const linksAsAsked = 'Links for phones have the address that you came by.';
export const noOption = 'That is not an option of this question.';
export const whoChangesMethods = 'An owner or a lead changes the methods.';
export const onlyOwner = 'Only an owner changes this.';
export const methodKept = 'Kept. Open jobs stay as they are; routes planned from now on follow it.';
export const reportsSaySo = 'Kept: reports say so from now on.';
export const laterLast = 'Somebody who is away comes back later than they go.';
