import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import PDFDocument from 'pdfkit';

const fonts = join(
  dirname(createRequire(import.meta.url).resolve('@ibm/plex-sans/package.json')),
  'fonts/complete/woff',
);
/** Left edge and width of the text on A4, points. */
const left = 54;

/** A tagged PDF on A4 with embedded fonts, written from top to bottom. Lengths in points. */
export function pdfDocument(title: string, author: string) {
  const doc = new PDFDocument({
    size: 'A4',
    margin: left,
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en-GB',
    displayTitle: true,
    info: { Title: title, Author: author },
  });
  doc.registerFont('text', join(fonts, 'IBMPlexSans-Regular.woff'));
  doc.registerFont('bold', join(fonts, 'IBMPlexSans-Bold.woff'));
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (c: Buffer) => chunks.push(c));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  const root = doc.struct('Document');
  doc.addStructure(root);
  const width = doc.page.width - 2 * left;
  const put = (tag: string, write: () => void) =>
    root.add(
      doc.struct(tag, {}, [
        () => {
          write();
        },
      ]),
    );
  return {
    title: (t: string) =>
      put('H1', () => {
        doc.font('bold').fontSize(19).text(t);
      }),
    heading: (t: string) =>
      put('H2', () => {
        doc.moveDown(0.7).font('bold').fontSize(13).text(t, left, doc.y, { width });
        doc.moveDown(0.2);
      }),
    line: (t: string, font: 'text' | 'bold' = 'text') =>
      put('P', () => {
        doc.font(font).fontSize(10).text(t, left, doc.y, { width });
      }),
    /** One line of a table; `columns` are left edges. */
    row: (cells: string[], columns: number[], font: 'text' | 'bold' = 'text') =>
      put('P', () => {
        if (doc.y > doc.page.height - 80) doc.addPage();
        const y = doc.y;
        let low = y;
        cells.forEach((c, i) => {
          doc
            .font(font)
            .fontSize(10)
            .text(c, columns[i]!, y, { width: (columns[i + 1] ?? left + width) - columns[i]! - 6 });
          low = Math.max(low, doc.y);
        });
        doc.y = low + 2;
      }),
    /** Strokes of points in a box of 600 x 200, drawn 180 wide with what they are in words. */
    strokes: (lines: Strokes, alt: string) =>
      root.add(doc.struct('Figure', { alt }, [() => drawStrokes(doc, lines)])),
    end: (): Promise<Buffer> => {
      root.end();
      doc.end();
      return done;
    },
  };
}

type Strokes = readonly (readonly (readonly [number, number])[])[];
function drawStrokes(doc: PDFKit.PDFDocument, lines: Strokes): void {
  if (doc.y > doc.page.height - 130) doc.addPage();
  const [x0, y0, scale] = [left, doc.y + 4, 0.3];
  doc.save().lineWidth(1.1).lineCap('round').lineJoin('round');
  for (const line of lines) {
    line.forEach(([x, y], i) => {
      if (i) doc.lineTo(x0 + x * scale, y0 + y * scale);
      else doc.moveTo(x0 + x * scale, y0 + y * scale);
    });
    if (line.length === 1) doc.lineTo(x0 + line[0]![0] * scale + 0.5, y0 + line[0]![1] * scale);
  }
  doc.stroke().restore();
  doc.y = y0 + 64;
}
