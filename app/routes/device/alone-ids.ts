/** Where the page on a phone stands in its document, and what it is given. */
export const rootId = 'device';
export const dataId = 'device-data';
