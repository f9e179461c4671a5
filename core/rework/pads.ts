export const padStates = ['good', 'oxidised', 'lifted', 'wired', 'bridged', 'loose'] as const;
export type PadState = (typeof padStates)[number];
/** A chip before it is lifted and the pads afterwards; those of the new part that it goes to; and its new balls. */
export const padSides = ['before', 'after', 'new', 'balls'] as const;
export type PadSide = (typeof padSides)[number];
/** What a pad can be, in the order in which presses say it; and a ball. A lifted pad that a wire replaces carries again. */
export const statesOf: Record<PadSide, readonly PadState[]> = {
  before: ['good', 'oxidised', 'lifted'],
  after: ['good', 'oxidised', 'lifted', 'wired'],
  new: ['good', 'oxidised', 'lifted', 'wired'],
  balls: ['good', 'bridged', 'loose'],
};

/** Letters of a ball field's rows: those that are taken for digits or for one another are left out (JEDEC JEP95, from memory). */
const letters = 'ABCDEFGHJKLMNPRTUVWY';
const rowName = (row: number): string =>
  row < letters.length
    ? letters[row]!
    : `${letters[Math.floor(row / letters.length) - 1]}${letters[row % letters.length]}`;
/** The name of a pad: its row's letter and its column's number, from the corner mark. Both from 0. */
export const padName = (row: number, column: number): string => `${rowName(row)}${column + 1}`;
/** Every pad of a ball field, row by row. */
export const padsOf = (pattern: readonly string[]): string[] =>
  pattern.flatMap((line, row) =>
    [...line].flatMap((dot, column) => (dot === '1' ? [padName(row, column)] : [])),
  );

/** What a chip's pads come to. */
export interface PadJudgement {
  lifted: string[];
  /** Lifted, and the model says that something runs over them. */
  carrying: string[];
  oxidised: string[];
  /** Balls that have run together, or that do not hold. */
  spoilt: string[];
  /** Nobody has looked at them. */
  unseen: number;
  /**
   * `stop`: a pad that carries something is gone: it is wired, or the customer decides. `wick`: tin and wick those that
   * are oxidised. `settle`: part the balls that have run together, set those that are loose, and warm them again.
   */
  verdict: 'go on' | 'wick' | 'settle' | 'stop';
}
/** What has been seen of the pads, held against which of them are connected. */
export function judgePads(
  chip: { pattern: readonly string[]; unconnected: readonly string[] },
  seen: Readonly<Record<string, PadState>>,
): PadJudgement {
  const pads = padsOf(chip.pattern);
  const are = (state: PadState) => pads.filter((pad) => seen[pad] === state);
  const lifted = are('lifted');
  const carrying = lifted.filter((pad) => !chip.unconnected.includes(pad));
  const oxidised = are('oxidised');
  const spoilt = [...are('bridged'), ...are('loose')];
  return {
    ...{ lifted, carrying, oxidised, spoilt },
    unseen: pads.filter((pad) => seen[pad] === undefined).length,
    verdict: carrying.length ? 'stop' : oxidised.length ? 'wick' : spoilt.length ? 'settle' : 'go on',
  };
}
