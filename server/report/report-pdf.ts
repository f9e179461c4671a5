import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import PDFDocument from 'pdfkit';
import { eventText } from '../../app/words/events';
import { cap, cautionLines, checkName, checkWord, doneLines, waterText } from '../../app/words/report';
import { dayAndClock } from '../../app/words/time';
import type { ReportData } from './report-data';

const fonts = join(dirname(createRequire(import.meta.url).resolve('@ibm/plex-sans/package.json')), 'fonts/complete/woff');

/** The report as a PDF on A4, tagged, with its fonts embedded. Lengths in points. */
export function reportPdf(d: ReportData): Promise<Buffer> {
  const doc = new PDFDocument({ size: 'A4', margin: 54, pdfVersion: '1.7', tagged: true, lang: 'en-GB', displayTitle: true, info: { Title: `Repair report, job ${d.page.number}`, Author: d.shop } });
  doc.registerFont('text', join(fonts, 'IBMPlexSans-Regular.woff'));
  doc.registerFont('bold', join(fonts, 'IBMPlexSans-Bold.woff'));
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => { doc.on('data', (c: Buffer) => chunks.push(c)); doc.on('end', () => resolve(Buffer.concat(chunks))); doc.on('error', reject); });
  const root = doc.struct('Document');
  doc.addStructure(root);
  const width = doc.page.width - 108;
  const put = (tag: string, write: () => void) => root.add(doc.struct(tag, {}, [() => { write(); }]));
  const heading = (t: string) => put('H2', () => { doc.moveDown(0.7).font('bold').fontSize(13).text(t, 54, doc.y, { width }); doc.moveDown(0.2); });
  const line = (t: string) => put('P', () => { doc.font('text').fontSize(10).text(t, 54, doc.y, { width }); });
  put('H1', () => { doc.font('bold').fontSize(19).text(`Repair report, job ${d.page.number}`); });
  line(`${d.shop}`);
  line(`${d.index.model.maker} ${d.index.model.name}, ${d.tag}`);
  heading('What came in');
  line(`${dayAndClock(d.openedAt)}${d.page.owner ? `, ${d.page.owner}` : ''}: “${d.complaint}”`);
  line(d.marks.length ? `Marks on arrival: ${d.marks.map((m) => `${m.kind}, ${m.side}${m.note ? ` (${m.note})` : ''}`).join('; ')}.` : 'No marks on arrival.');
  for (const e of d.conditions) line(`${cap(eventText(d.index, e.body))}.`);
  heading(d.ending ? `What was done: ${d.ending}` : 'What has been done so far');
  for (const l of doneLines(d)) line(l);
  if (d.closingNote) line(d.closingNote);
  line(waterText[d.water]);
  heading('Checks');
  const columns = [54, 224, 324, 424];
  const row = (cells: string[], font: string) => put('P', () => {
    if (doc.y > doc.page.height - 80) doc.addPage();
    const y = doc.y;
    cells.forEach((c, i) => { doc.font(font).fontSize(10).text(c, columns[i]!, y, { width: (columns[i + 1] ?? 541) - columns[i]! - 6 }); });
    doc.y = y + 15;
  });
  row(['function', 'before', 'before closing', 'after'], 'bold');
  for (const c of d.checks) row([checkName(c.function), checkWord(c.before), checkWord(c.mid), `${checkWord(c.after)}${c.changed ? ' (changed)' : ''}`], 'text');
  if (d.effects.length) { heading('Notices to expect'); for (const e of d.effects) line(`${e.owner}${e.agreed ? ` Agreed: ${e.agreed}.` : ''}`); }
  if (d.overrides.length) { heading('Passed with a reason'); for (const o of d.overrides) line(`${o.rule}: ${o.reason} (${o.by}${o.confirmedBy ? `, confirmed by ${o.confirmedBy}` : ''}, ${dayAndClock(o.at)})`); }
  if (d.notes.length) { heading('Notes'); for (const n of d.notes) line(`${n.text} (${n.by}, ${dayAndClock(n.at)})`); }
  heading('Advice');
  for (const c of cautionLines) line(c);
  root.end();
  doc.end();
  return done;
}
