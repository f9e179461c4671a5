/** The id of the piece that the device came with in a slot or a hole. */
export const originalPiece = (holder: string) => `${holder}#1`;
/** The id of the n-th replacement for a slot or a hole (1 = first new piece). */
export const newPiece = (holder: string, n = 1) => `${holder}#${n + 1}`;
/** The slot or hole that a piece belongs to. */
export const holderOf = (piece: string) => piece.slice(0, piece.lastIndexOf('#'));
