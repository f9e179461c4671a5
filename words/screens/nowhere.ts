/** What is said where not even the look of the workshop could be had. */
export const failed = 'This page cannot be shown';
export const noPage = 'There is no such page';
export const bench = 'To the bench';
