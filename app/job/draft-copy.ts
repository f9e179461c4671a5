/** A draft's copy in this browser. */
export const draftKey = (id: string) => `snavek-draft-${id}`;
/** The job is open: its draft in this browser is no longer needed. */
export const forgetDraft = (id: string) => localStorage.removeItem(draftKey(id));
