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
const files = ['app', 'core', 'forms', 'words', 'server', 'cli'].flatMap((folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.tsx?$/.test(f) && !/\.test\./.test(f))
    .map((f) => `${folder}/${f}`),
);
/** Files that are longer, with their length: tables, which are read by looking things up. None may grow. */
const longFiles: Record<string, number> = {
  'core/knowledge/tests.ts': 526,
};

test('no function is longer than a page', () => {
  expect(files.length).toBeGreaterThan(300);
  const long = files
    .filter((file) => !file.startsWith('server/db/migrations/'))
    .flatMap(lengths)
    .filter(([, n]) => n > most);
  expect(long).toEqual([]);
});
test('no file is longer than five pages', () => {
  const long = files
    .map((file) => [file, readFileSync(file, 'utf8').split('\n').length] as const)
    .filter(([, n]) => n > 401);
  expect(long.filter(([file, n]) => n > (longFiles[file] ?? 0))).toEqual([]);
  expect(Object.keys(longFiles).filter((file) => !long.some(([l]) => l === file))).toEqual([]);
});
