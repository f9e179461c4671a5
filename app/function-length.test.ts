import { readdirSync, readFileSync } from 'node:fs';
import ts from 'typescript';
import { expect, test } from 'vitest';

/** A function that is longer does not fit on a page. */
const most = 80;
/** Every function of a file, its arrows, too, with its length in lines. */
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
    if (ts.isFunctionLike(node)) {
      const name =
        node.name?.getText(source) ??
        (ts.isVariableDeclaration(node.parent) ? node.parent.name.getText(source) : 'in between');
      out.push([`${file} ${name}`, line(node.end) - line(node.getStart(source)) + 1]);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return out;
}
const found = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\./.test(f))
  .flatMap((f) => lengths(`app/${f}`))
  .filter(([, n]) => n > most);

test('no function of the app is longer than a page', () => {
  expect(found).toEqual([]);
});
