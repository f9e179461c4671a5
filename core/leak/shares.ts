/** Usual shares of the set pressure: what may be lost, may settle, and how far from it a hold may begin (from memory; the maker's sheet of a tester counts). */
export const leakShares = { loss: 0.05, settling: 0.03, reached: 0.05 };
