/** How a currency's amounts are written: digits behind the mark, and the mark where it is known. */
export interface AmountStyle {
  /** 0 to 4 (ISO 4217). */
  digits: number;
  /** The country's own mark, `.` or `,`. */
  decimal?: string;
}
type Why = 'empty' | 'not an amount' | 'two readings' | 'negative' | 'too much';
export type AmountRead = { ok: true; minor: number } | { ok: false; why: Why };

/** In minor units of any currency. */
const most = 100_000_00;

/**
 * Reads an amount of money as people type it, in minor units: `12`, `12.5`, `12.50`, `12,50`, `1 250,00`. A comma or a
 * point before three digits (`1,250`) could be thousands or a decimal: it is refused, not guessed. Where a currency has
 * three digits behind its mark, the country's own mark tells.
 */
export function readAmount(text: string, { digits, decimal }: AmountStyle = { digits: 2 }): AmountRead {
  const t = text.trim().replaceAll(/[\s\u00a0\u202f’']/g, '');
  if (!t) return { ok: false, why: 'empty' };
  if (/^[-−]/.test(t)) return { ok: false, why: 'negative' };
  const [, mark] = /^\d{1,3}([.,])\d{3}$/.exec(t) ?? [];
  if (mark && !(digits === 3 && mark === decimal)) return { ok: false, why: 'two readings' };
  const behind = digits === 0 ? '()' : `(?:[.,](\\d{1,${digits}}))?`;
  const grouped = (group: string, point: string) =>
    new RegExp(`^(\\d{1,3}(?:${group}\\d{3})+)${digits === 0 ? '()' : `${point}(\\d{${digits}})`}$`).exec(t);
  const match = new RegExp(`^(\\d+)${behind}$`).exec(t) ?? grouped(',', '\\.') ?? grouped('\\.', ',');
  if (!match) return { ok: false, why: 'not an amount' };
  const minor =
    Number(match[1]!.replaceAll(/[.,]/g, '')) * 10 ** digits +
    Number((match[2] ?? '').padEnd(digits, '0') || 0);
  return minor > most ? { ok: false, why: 'too much' } : { ok: true, minor };
}
/** Back to the text of a file: `12.50`. */
export const amountText = (minor: number, digits = 2) => (minor / 10 ** digits).toFixed(digits);
/** What is wrong, and how it is written. */
export function amountProblem(why: Why, { digits, decimal = '.' }: AmountStyle = { digits: 2 }): string {
  const example = (1250 / 10 ** digits).toFixed(digits);
  const typed = example.replace('.', decimal);
  switch (why) {
    case 'empty':
      return `Give an amount, such as ${typed}.`;
    case 'not an amount':
      return digits === 0
        ? 'That is not an amount; this currency has whole units only, such as 1250.'
        : `That is not an amount; write it as ${example} or ${example.replace('.', ',')}.`;
    case 'two readings':
      return digits === 0
        ? 'Write thousands without a mark: 1250.'
        : 'Thousands or a decimal? Write 1250 or 1.25.';
    case 'negative':
      return 'An amount is 0 or more.';
    case 'too much':
      return `At most ${String(most / 10 ** digits).replace(/\B(?=(\d{3})+$)/g, ' ')}.`;
  }
}
/** An amount that was typed, minor units; not a number where it is none, for a schema to refuse. */
export function minorTyped(text: unknown, style: AmountStyle): number {
  const read = readAmount(String(text ?? ''), style);
  return read.ok ? read.minor : Number.NaN;
}
