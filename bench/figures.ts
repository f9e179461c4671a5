import { quantile } from 'd3-array';
import { writeFileSync } from 'node:fs';

/** What was measured, as a table and as JSON. A figure with a reference is a ratio to something measured in the same run. */
export interface Figure {
  what: string;
  value: number;
  unit: string;
  reference?: { what: string; value: number };
  aim?: string;
  ok?: boolean;
}
const figures: Figure[] = [];
export function figure(f: Figure): void {
  figures.push(f);
  const ratio = f.reference
    ? `  (${(f.value / f.reference.value).toFixed(2)} x ${f.reference.what} ${round(f.reference.value)})`
    : '';
  console.log(
    `${f.ok === undefined ? '    ' : f.ok ? 'ok  ' : 'MISS'}  ${f.what.padEnd(58)} ${String(round(f.value)).padStart(10)} ${f.unit.padEnd(10)}${f.aim ? ` aim ${f.aim}` : ''}${ratio}`,
  );
}
const round = (v: number) => (v >= 100 ? Math.round(v) : Number(v.toPrecision(3)));
export const percentile = (list: number[], p: number): number => quantile(list, p)!;
export const median = (list: number[]) => percentile(list, 0.5);
export function save(): void {
  writeFileSync(
    'bench-results.json',
    `${JSON.stringify({ at: new Date().toISOString(), node: process.version, figures }, null, 2)}\n`,
  );
}
