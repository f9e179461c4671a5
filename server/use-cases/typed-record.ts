import type { z } from 'zod';
import { plainCell } from './csv';

/** What was typed or stood in a line of a file: what was left empty is left out, and no cell is a formula. */
export const givenFields = (record: Record<string, string>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(record)
      .filter(([, v]) => v.trim() !== '')
      .map(([k, v]) => [k, plainCell(v)]),
  );
/** What is wrong, by field: of each the first. */
export function problemsByField(zodError: z.ZodError): Record<string, string> {
  const out: Record<string, string> = {};
  for (const i of zodError.issues) out[String(i.path.at(-1) ?? 'form')] ??= i.message;
  return out;
}
