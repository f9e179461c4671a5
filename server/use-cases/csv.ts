import * as wording from '../../words/answers/csv';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';

/** Lines of one import, at most. */
const mostLines = 5000;

export interface CsvColumns {
  all: readonly string[];
  needed: readonly string[];
}
/**
 * Reads a CSV file (RFC 4180, first line the names of the columns) and judges each line: all of it is good, or nothing is
 * taken and what is wrong is said by line and column.
 */
export function readCsv<T>(
  csv: string,
  columns: CsvColumns,
  judge: (
    record: Record<string, string>,
  ) => { ok: true; value: T } | { ok: false; errors: Record<string, string> },
): { ok: true; values: T[] } | { ok: false; wrong: string } {
  const wrong = (text: string) => ({ ok: false as const, wrong: text });
  let rows: { record: Record<string, string>; info: { lines: number } }[];
  try {
    rows = parse(csv, {
      delimiter: delimiterOf(csv),
      columns: (head: string[]) => head.map((h) => h.trim().toLowerCase()),
      bom: true,
      trim: true,
      skip_empty_lines: true,
      info: true,
      to: mostLines + 1,
    }) as unknown as typeof rows;
  } catch (e) {
    return wrong(wording.notCsvFile((e as Error).message));
  }
  const known = wording.columns(columns.all);
  if (!rows.length) return wrong(wording.noLine(known));
  if (rows.length > mostLines) return wrong(wording.mostLines(mostLines));
  const missing = columns.needed.filter((c) => !(c in rows[0]!.record));
  if (missing.length) return wrong(`A column is missing: ${missing.join(', ')}. ${known}`);
  const values: T[] = [];
  const bad: string[] = [];
  for (const { record, info } of rows) {
    const one = judge(record);
    if (one.ok) values.push(one.value);
    else
      for (const [field, text] of Object.entries(one.errors))
        bad.push(`line ${info.lines}, ${field}: ${text}`);
  }
  return bad.length ? wrong(wording.nothingTakenIn(bad)) : { ok: true, values };
}

/** What parts the columns: a comma, or what spreadsheets write where the comma is the decimal sign; as the first line has it. */
function delimiterOf(csv: string): string {
  const first = csv.slice(0, Math.max(0, csv.search(/[\r\n]/)) || undefined);
  const count = (sign: string) => first.split(sign).length;
  return [',', ';', '\t'].reduce((a, b) => (count(b) > count(a) ? b : a));
}

/** Writes rows as CSV (RFC 4180) under the names of their columns; a cell that a spreadsheet would take for a formula is kept a text (common practice). */
export function writeCsv(
  columns: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): string {
  return stringify(
    rows.map((r) => r.map((c) => (typeof c === 'string' && /^[=+\-@\t\r]/.test(c) ? `'${c}` : c))),
    { header: true, columns: [...columns], record_delimiter: 'windows' },
  );
}
/** A text as it was before it was kept from being a formula. */
export const plainCell = (text: string) => text.replace(/^'(?=[=+\-@\t\r])/, '');
