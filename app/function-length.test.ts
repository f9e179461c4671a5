import { readdirSync, readFileSync } from 'node:fs';
import ts from 'typescript';
import { expect, test } from 'vitest';

/** A function that is longer does not fit on a page. */
const most = 80;
/** Those that are still longer, with their length: only ever shorter, and gone from here once they fit. */
const stillLonger: Record<string, number> = {};

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
