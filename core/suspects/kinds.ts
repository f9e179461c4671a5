/**
 * What may be why a function fails after work: a plug that is not home, its flex, the part itself or one that is not there, a
 * film that stayed on, a screw that is too long for its hole, a bracket that no longer makes contact to earth.
 */
export const suspectKinds = ['contact', 'flex', 'part', 'missing', 'film', 'screw', 'earth', 'else'] as const;
export type SuspectKind = (typeof suspectKinds)[number];

/** How often such a thing is the cause, before anything else is known: starting guesses of the trade, from memory; jobs teach them. */
export const often: Readonly<Record<SuspectKind, number>> = {
  ...{ contact: 6, flex: 2, part: 1.5, missing: 60, film: 8, screw: 0.8, earth: 1, else: 0.5 },
};
