import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import ts from 'typescript';

/** What a framework calls by its name. */
const called = new Set([
  ...['loader', 'action', 'clientLoader', 'clientAction', 'headers', 'meta', 'links', 'Layout'],
  ...['shouldRevalidate', 'ErrorBoundary', 'HydrateFallback', 'handle', 'middleware', 'streamTimeout'],
]);
const folders = [
  'app',
  'core',
  'forms',
  'words',
  'server',
  'cli',
  'demo',
  'bench',
  'scripts',
  'e2e',
  'attack',
];
const texts = new Map(
  folders
    .flatMap((folder) =>
      readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((f) => /\.(tsx?|mjs)$/.test(f))
        .map((f) => `${folder}/${f}`),
    )
    .concat('server.mjs', 'server-process.mjs')
    .map((file) => [file, readFileSync(file, 'utf8')] as const),
);
const wordsOf = new Map([...texts].map(([file, text]) => [file, new Set(text.match(/\w+/g))]));

/** Names of values that a file exports. */
function exported(file: string, text: string): string[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  return source.statements.flatMap((s) => {
    const marks = ts.canHaveModifiers(s) ? (ts.getModifiers(s) ?? []) : [];
    const is = (kind: ts.SyntaxKind) => marks.some((m) => m.kind === kind);
    if (!is(ts.SyntaxKind.ExportKeyword) || is(ts.SyntaxKind.DefaultKeyword)) return [];
    if (ts.isVariableStatement(s))
      return s.declarationList.declarations.flatMap((d) => (ts.isIdentifier(d.name) ? [d.name.text] : []));
    return (ts.isFunctionDeclaration(s) || ts.isClassDeclaration(s)) && s.name ? [s.name.text] : [];
  });
}

test('nothing is exported that no other file speaks of', () => {
  const alone = [...texts]
    .filter(([file]) => /^(app|core|words|server)\//.test(file) && !/\.test\.|\/migrations\//.test(file))
    .flatMap(([file, text]) =>
      exported(file, text)
        .filter((name) => !called.has(name))
        .filter((name) => ![...wordsOf].some(([other, words]) => other !== file && words.has(name)))
        .map((name) => `${file} ${name}`),
    );
  expect(alone).toEqual([]);
});
test('nothing is exported as `then`: a module that has one is taken for a promise, and whoever imports it waits for ever', () => {
  const thenable = [...texts]
    .filter(([file, text]) => exported(file, text).includes('then'))
    .map(([file]) => file);
  expect(thenable).toEqual([]);
});
