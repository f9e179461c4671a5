import type { ReportData } from '../../server/report/report-data';
import { causeName, testName } from './fault';
import { cap, functionName, pieceName, plural, resultName, thingName } from './things';

export const waterText: Record<ReportData['water'], string> = {
  'not opened': 'The device was not opened.',
  'sealed, not leak tested':
    'What was opened was sealed or glued anew. It was not leak tested: protection against water is not claimed.',
  leaks:
    'It was sealed anew and failed the leak test: it is not protected against water. The owner has been told.',
  'no seal': 'This model has no seal against water.',
  'sealed, leak tested':
    'What was opened was sealed anew and a leak test passed: protected against water as tested today, which is not the factory’s rating.',
  'closed without a seal': 'Closed without a new seal: it is not protected against water.',
  open: 'The device is open: it is not protected against water or dust.',
};
/** How the fault was found: one line, none where nobody looked for it. */
export function faultLine(d: ReportData): string | undefined {
  const tests = d.tests.map((t) => `${testName(t.test)}: ${t.outcome}`).join('; ');
  if (d.fault)
    return `Fault: ${causeName(d.fault.cause)}, ${d.fault.because}.${tests ? ` Tested: ${tests}.` : ''}`;
  return tests ? `Tested: ${tests}.` : undefined;
}
/** The lines of what was done, the same on the page and in the PDF. */
export function doneLines(d: ReportData): string[] {
  const out = d.done.map(
    (x) =>
      `${cap(thingName(d.index, x.slot))} replaced${x.part ? ` by: ${x.part.provenance}${x.part.supplier ? `, ${x.part.supplier}` : ''}${x.part.lot ? `, lot ${x.part.lot}` : ''}${x.part.serial ? `, serial ${x.part.serial}` : ''}` : ''}${x.old?.startsWith('aside/') ? `; the old one: ${x.old.slice(6)}` : ''}.`,
  );
  if (d.renewed.length)
    out.push(`Renewed: ${[...new Set(d.renewed.map((b) => thingName(d.index, b)))].join(', ')}.`);
  if (d.figures.screws)
    out.push(
      `${plural(d.figures.screws, 'screw')} taken out and accounted for one by one${d.figures.connectors ? `; ${plural(d.figures.connectors, 'connector')} unplugged` : ''}.`,
    );
  if (d.adrift.length) out.push(`Not found again: ${d.adrift.map((p) => pieceName(d.index, p)).join(', ')}.`);
  if (!out.length) out.push('Nothing was changed on the device.');
  return out;
}
export const checkWord = (r: string | undefined) => (r ? resultName[r as keyof typeof resultName] : '–');
export const checkName = (f: string) => functionName[f as keyof typeof functionName] ?? f;
export const cautionLines = [
  'Keep it dry and away from heat today while the adhesive sets.',
  'If the device gets hot, swells or smells: switch it off, put it outside on stone, and bring it back.',
];
