export const erased = (why: string, things: string): string => `Erased ${why}: ${things}.`;
export const whoErases = 'An owner or a lead erases what is known of a device’s owner.';
export const jobIsOpen = 'The job is open: what is known of the owner is still needed.';
export const nothingKnown = 'Nothing was known of the owner any more.';
