export type AmountRead =
  | { ok: true; minor: number }
  | { ok: false; why: 'empty' | 'not an amount' | 'two readings' | 'negative' | 'too much' };

const most = 100_000_00;

/**
 * Reads an amount of money as people type it, in minor units: `12`, `12.5`, `12.50`, `12,50`, `1 250,00`. A comma or a
 * point before three digits (`1,250`) could be thousands or a decimal: it is refused, not guessed.
 */
export function readAmount(text: string): AmountRead {
  const t = text.trim().replaceAll(/[\s\u00a0\u202f’']/g, '');
  if (!t) return { ok: false, why: 'empty' };
  if (/^[-−]/.test(t)) return { ok: false, why: 'negative' };
  if (/^\d{1,3}[.,]\d{3}$/.test(t)) return { ok: false, why: 'two readings' };
  const match =
    /^(\d+)(?:[.,](\d{1,2}))?$/.exec(t) ??
    /^(\d{1,3}(?:,\d{3})+)\.(\d{2})$/.exec(t) ??
    /^(\d{1,3}(?:\.\d{3})+),(\d{2})$/.exec(t);
  if (!match) return { ok: false, why: 'not an amount' };
  const minor = Number(match[1]!.replaceAll(/[.,]/g, '')) * 100 + Number((match[2] ?? '').padEnd(2, '0'));
  return minor > most ? { ok: false, why: 'too much' } : { ok: true, minor };
}
/** Back to the text of a file: `12.50`. */
export const amountText = (minor: number) => (minor / 100).toFixed(2);
export const amountProblem: Record<Exclude<AmountRead, { ok: true }>['why'], string> = {
  empty: 'Give an amount, such as 12.50.',
  'not an amount': 'That is not an amount; write it as 12.50 or 12,50.',
  'two readings': 'Thousands or a decimal? Write 1250 or 1.25.',
  negative: 'An amount is 0 or more.',
  'too much': 'At most 100 000.',
};
