export const padStates = ['good', 'oxidised', 'lifted'] as const;
export type PadState = (typeof padStates)[number];
export const padSides = ['before', 'after'] as const;
export type PadSide = (typeof padSides)[number];

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
  /** Nobody has looked at them. */
  unseen: number;
  /** `stop`: a pad that carries something is gone, and the owner decides. `wick`: tin and wick those that are oxidised. */
  verdict: 'go on' | 'wick' | 'stop';
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
  return {
    ...{ lifted, carrying, oxidised },
    unseen: pads.filter((pad) => seen[pad] === undefined).length,
    verdict: carrying.length ? 'stop' : oxidised.length ? 'wick' : 'go on',
  };
}
