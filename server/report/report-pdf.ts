import { pressText } from '../../words/press-text';
import * as wording from '../../words/answers/report-pdf';
import { eventText } from '../../words/events';
import { cap } from '../../words/things';
import {
  cautionLines,
  checkMeasured,
  checkName,
  checkWord,
  doneLines,
  faultLine,
  termsLines,
  sealText,
  waterLine,
} from '../../words/report';
import { formatsOf } from '../../words/formats';
import { leakMeasured } from '../../words/report';
import { pdfDocument } from './document';
import type { ReportData } from '../../core/wire/report';

/** The report as a PDF. */
export function reportPdf(reportData: ReportData): Promise<Buffer> {
  const formats = formatsOf(reportData.places);
  const { dayAndClock } = formats;
  const { title, heading, line, row, end } = pdfDocument(
    wording.title(reportData.page.number),
    reportData.shop,
  );
  const columns = [54, 224, 324, 424];
  title(wording.title(reportData.page.number));
  line(`${reportData.shop}`);
  line(`${reportData.index.model.maker} ${reportData.index.model.name}, ${reportData.tag}`);
  heading(wording.cameIn);
  line(
    `${dayAndClock(reportData.openedAt)}${reportData.page.owner ? `, ${reportData.page.owner}` : ''}: “${reportData.complaint}”`,
  );
  line(
    reportData.marks.length
      ? `Marks on arrival: ${reportData.marks.map((m) => `${m.kind}, ${m.side}${m.note ? ` (${m.note})` : ''}`).join('; ')}.`
      : wording.noMarks,
  );
  const fault = faultLine(reportData);
  if (fault) line(fault);
  for (const event of reportData.conditions) line(`${cap(eventText(reportData.index, event.body))}.`);
  heading(reportData.ending ? wording.whatDone(reportData.ending) : wording.doneSoFar);
  for (const l of doneLines(reportData)) line(l);
  if (reportData.closingNote) line(reportData.closingNote);
  line(`${waterLine(reportData, dayAndClock)} ${sealText(reportData)}`.trim());
  const measured = reportData.leak?.measured;
  for (const read of reportData.presses) line(`${cap(pressText(read))}.`);
  if (measured) line(leakMeasured(measured));
  else if (reportData.leak?.lost)
    line(wording.leakTest(reportData.leak.lost.value, reportData.leak.lost.unit));
  heading('Checks');
  row(['function', 'before', 'before closing', 'after'], columns, 'bold');
  for (const check of reportData.checks)
    row(
      [
        checkName(check.function),
        checkMeasured(
          `${checkWord(check.function, check.before)}${check.note ? ` (${check.note})` : ''}`,
          check.measured.before,
        ),
        checkMeasured(checkWord(check.function, check.mid), check.measured.mid),
        checkMeasured(
          `${checkWord(check.function, check.after)}${check.changed ? ' (changed)' : ''}`,
          check.measured.after,
        ),
      ],
      columns,
    );
  if (reportData.effects.length) {
    heading(wording.notices);
    for (const effect of reportData.effects)
      line(`${effect.owner}${effect.agreed ? ` Agreed: ${effect.agreed}.` : ''}`);
  }
  if (reportData.overrides.length) {
    heading(wording.passedWithReason);
    for (const override of reportData.overrides)
      line(
        wording.override(
          override.rule,
          override.reason,
          override.by,
          override.confirmedBy,
          dayAndClock(override.at),
        ),
      );
  }
  if (reportData.notes.length) {
    heading('Notes');
    for (const note of reportData.notes) line(`${note.text} (${note.by}, ${dayAndClock(note.at)})`);
  }
  heading(wording.whoAndWhen);
  for (const l of termsLines(reportData, formats)) line(l);
  heading('Advice');
  for (const cautionLine of cautionLines) line(cautionLine);
  return end();
}
