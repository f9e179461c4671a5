import { readdirSync, readFileSync } from 'node:fs';
import ts from 'typescript';
import { expect, test } from 'vitest';

/** A function that is longer does not fit on a page. */
const most = 80;
/** Those that are still longer, with their length: only ever shorter, and gone from here once they fit. */
const stillLonger: Record<string, number> = {
  'app/routes/fault/causes-card.tsx Causes': 179,
  'app/routes/fault/next-test.tsx NextTest': 167,
  'app/routes/fault/symptoms-card.tsx Symptoms': 82,
  'app/routes/fault/tests-card.tsx Tests': 89,
  'app/routes/hand-over/end-card.tsx EndCard': 81,
  'app/routes/offer/consents-card.tsx ConsentsCard': 92,
  'app/routes/offer/parts-card.tsx Effects': 90,
  'app/routes/offer/parts-card.tsx PartsCard': 106,
  'app/routes/offer/price-card.tsx PriceCard': 150,
  'app/routes/receive/before-check.tsx BeforeCheck': 86,
  'app/routes/receive/photo-upload.ts usePhotoUpload': 86,
  'app/routes/report/report.tsx Report': 167,
  'app/routes/sign-in/sign-in.tsx SignIn': 95,
  'app/routes/spares/spares.tsx Spares': 130,
  'app/routes/stock/stock.tsx Stock': 135,
  'app/routes/work/instruction-panel.tsx InstructionPanel': 142,
  'app/routes/work/mat-print.tsx MatPrint': 112,
  'app/routes/work/thing-sheet.tsx ThingSheet': 85,
  'app/routes/work/trouble-ways.tsx PartWay': 95,
  'app/ui/stop-sheet.tsx StopSheet': 86,
  'app/ui/use-map-zoom.ts useMapZoom': 91,
};

/** Every named function of a file with its length in lines. */
function lengths(file: string): [string, number][] {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const line = (at: number) => source.getLineAndCharacterOfPosition(at).line;
  const out: [string, number][] = [];
  const visit = (node: ts.Node) => {
    if (
      (ts.isFunctionDeclaration(node) || ts.isMethodDeclaration(node) || ts.isFunctionExpression(node)) &&
      node.name
    )
      out.push([`${file} ${node.name.getText(source)}`, line(node.end) - line(node.getStart(source)) + 1]);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return out;
}
const found = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\./.test(f))
  .flatMap((f) => lengths(`app/${f}`))
  .filter(([, n]) => n > most);

test('no function of the app is longer than a page but for those named here, and none of these grows', () => {
  expect(found.filter(([name, n]) => n > (stillLonger[name] ?? most))).toEqual([]);
});
test('what fits on a page is no exception any more', () => {
  const names = new Set(found.map(([name]) => name));
  expect(Object.keys(stillLonger).filter((name) => !names.has(name))).toEqual([]);
});
