import { eventText } from '../../words/events';
import { cap } from '../../words/things';
import {
  cautionLines,
  checkName,
  checkWord,
  doneLines,
  faultLine,
  termsLines,
  waterText,
} from '../../words/report';
import { dayAndClock } from '../../words/time';
import { pdfDocument } from './document';
import type { ReportData } from '../../core/wire/report';

/** The report as a PDF. */
export function reportPdf(d: ReportData): Promise<Buffer> {
  const { title, heading, line, row, end } = pdfDocument(`Repair report, job ${d.page.number}`, d.shop);
  const columns = [54, 224, 324, 424];
  title(`Repair report, job ${d.page.number}`);
  line(`${d.shop}`);
  line(`${d.index.model.maker} ${d.index.model.name}, ${d.tag}`);
  heading('What came in');
  line(`${dayAndClock(d.openedAt)}${d.page.owner ? `, ${d.page.owner}` : ''}: “${d.complaint}”`);
  line(
    d.marks.length
      ? `Marks on arrival: ${d.marks.map((m) => `${m.kind}, ${m.side}${m.note ? ` (${m.note})` : ''}`).join('; ')}.`
      : 'No marks on arrival.',
  );
  const fault = faultLine(d);
  if (fault) line(fault);
  for (const e of d.conditions) line(`${cap(eventText(d.index, e.body))}.`);
  heading(d.ending ? `What was done: ${d.ending}` : 'What has been done so far');
  for (const l of doneLines(d)) line(l);
  if (d.closingNote) line(d.closingNote);
  line(waterText[d.water]);
  if (d.leak?.lost) line(`Leak test: ${d.leak.lost.value} ${d.leak.lost.unit} lost in the hold.`);
  heading('Checks');
  row(['function', 'before', 'before closing', 'after'], columns, 'bold');
  for (const c of d.checks)
    row(
      [
        checkName(c.function),
        `${checkWord(c.function, c.before)}${c.note ? ` (${c.note})` : ''}`,
        checkWord(c.function, c.mid),
        `${checkWord(c.function, c.after)}${c.changed ? ' (changed)' : ''}`,
      ],
      columns,
    );
  if (d.effects.length) {
    heading('Notices to expect');
    for (const e of d.effects) line(`${e.owner}${e.agreed ? ` Agreed: ${e.agreed}.` : ''}`);
  }
  if (d.overrides.length) {
    heading('Passed with a reason');
    for (const o of d.overrides)
      line(
        `${o.rule}: ${o.reason} (${o.by}${o.confirmedBy ? `, confirmed by ${o.confirmedBy}` : ''}, ${dayAndClock(o.at)})`,
      );
  }
  if (d.notes.length) {
    heading('Notes');
    for (const n of d.notes) line(`${n.text} (${n.by}, ${dayAndClock(n.at)})`);
  }
  heading('Who, when and on what terms');
  for (const l of termsLines(d, dayAndClock)) line(l);
  heading('Advice');
  for (const c of cautionLines) line(c);
  return end();
}
