import * as wording from '../../../words/screens/offer';
import { useEffect, useState } from 'react';
import { useFormats } from '../../ui/formats';
import { amountProblem, readAmount } from '../../../core/quote/amount';

const fields = ['limit', 'replacement', 'elsewhere', 'extra'] as const;
export type Field = (typeof fields)[number];
export interface Figures {
  text: Record<Field, string>;
  set: (f: Field, t: string) => void;
  limit: number | null;
  replacement: number | null;
  elsewhere: number | null;
  extraMin: number;
  error: Partial<Record<Field, string>>;
}

/** The figures typed for an offer: kept in this browser as they are typed, read as amounts, with what is wrong beside each. */
export function useFigures(
  job: string,
  recorded: { limit: number | null; replacement: number | null } | undefined,
): Figures {
  const formats = useFormats();
  const key = `snavek-offer-${job}`;
  const amount = (m: number | null | undefined) =>
    m === null || m === undefined ? '' : formats.typedAmount(m);
  const [text, setText] = useState<Record<Field, string>>({
    limit: amount(recorded?.limit),
    replacement: amount(recorded?.replacement),
    elsewhere: '',
    extra: '',
  });
  useEffect(() => {
    try {
      const kept = JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<Record<Field, string>>;
      setText((t) => ({ ...t, ...kept }));
    } catch {
      localStorage.removeItem(key);
    }
  }, [key]);
  const set = (f: Field, t: string) =>
    setText((old) => {
      const next = { ...old, [f]: t };
      localStorage.setItem(key, JSON.stringify(next));
      return next;
    });
  const error: Figures['error'] = {};
  const read = (f: Exclude<Field, 'extra'>) => {
    if (!text[f].trim()) return null;
    const amountRead = readAmount(text[f], formats);
    if (amountRead.ok) return amountRead.minor;
    error[f] = amountProblem(amountRead.why, formats);
    return null;
  };
  const [limit, replacement, elsewhere] = [read('limit'), read('replacement'), read('elsewhere')];
  const min = text.extra.trim() === '' ? 0 : Number(text.extra.trim().replace(',', '.'));
  if (Number.isNaN(min)) error.extra = wording.giveMinutesSuchAs15;
  else if (min < 0) error.extra = wording.minutesAre0OrMore;
  else if (min > 600) error.extra = wording.atMost600Minutes;
  return { text, set, limit, replacement, elsewhere, extraMin: error.extra ? 0 : min, error };
}
