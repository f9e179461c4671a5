import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import ts from 'typescript';

/** What a person reads or hears from an element; other attributes are the machine's. */
const readable = new Set(['aria-label', 'label', 'title', 'placeholder', 'alt', 'help']);
/** Texts that are no words: the mark, and names of keys as they stand on them. */
const noWords = /^(snavek|[^A-Za-z]*|Space|Home|Enter|Ctrl ↵|F2|[A-Z])$/;

function textsOf(file: string, text: string): string[] {
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node)) found.push(node.text);
    else if (ts.isJsxAttribute(node) && readable.has(node.name.getText())) {
      const value = node.initializer;
      if (value && ts.isStringLiteral(value)) found.push(value.text);
      else if (value && ts.isJsxExpression(value) && value.expression)
        found.push(...spoken(value.expression));
    } else if (ts.isJsxExpression(node) && node.expression && !ts.isJsxAttribute(node.parent))
      found.push(...spoken(node.expression));
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
  return found
    .map((t) => t.replace(/\s+/g, ' ').trim())
    .filter((t) => /[A-Za-z]{2}/.test(t) && !noWords.test(t));
}
/** The literal texts that an expression can come to. */
function spoken(node: ts.Expression): string[] {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return [node.text];
  if (ts.isTemplateExpression(node))
    return [node.head.text + node.templateSpans.map((s) => s.literal.text).join(' ')];
  if (ts.isConditionalExpression(node)) return [...spoken(node.whenTrue), ...spoken(node.whenFalse)];
  if (ts.isBinaryExpression(node)) return spoken(node.right);
  if (ts.isParenthesizedExpression(node)) return spoken(node.expression);
  return [];
}

test('what a person reads stands in words/, not in the screens', () => {
  const found = readdirSync('app', { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.tsx') && !f.endsWith('.test.tsx'))
    .flatMap((f) => textsOf(f, readFileSync(`app/${f}`, 'utf8')).map((t) => `app/${f}: ${t}`));
  expect(found).toEqual([]);
});
test('a sentence in a screen would be found, wherever it stands', () => {
  const screen = `const a = (late: boolean) => <p title="It is late" aria-label={late ? 'Too late' : undefined}>
    Begin now {late && 'at once'} {\`in \${3} minutes\`}</p>`;
  expect(textsOf('a.tsx', screen).toSorted()).toEqual(
    ['It is late', 'Too late', 'Begin now', 'at once', 'in minutes'].toSorted(),
  );
});
/** Sentences that answer a person, in files that have no elements: what is thrown at a programmer is none. */
function answersOf(file: string, text: string): string[] {
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isNewExpression(node) && /Error$/.test(node.expression.getText())) return;
    const sentence =
      ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)
        ? node.text
        : ts.isTemplateExpression(node)
          ? node.head.text + node.templateSpans.map((s) => s.literal.text).join('')
          : '';
    if (/^[A-Z][a-z].*[.:]$/.test(sentence)) found.push(`${file}: ${sentence}`);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true));
  return found;
}
test('what forms and actions answer stands in words/, too', () => {
  const files = ['forms', 'server/use-cases'].flatMap((folder) =>
    readdirSync(folder)
      .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
      .map((f) => `${folder}/${f}`),
  );
  expect(files.flatMap((f) => answersOf(f, readFileSync(f, 'utf8')))).toEqual([]);
  expect(
    answersOf('a.ts', ['const a = `Kept: $', '{1} more.`; throw new Error("Never.");'].join('')),
  ).toEqual(['a.ts: Kept:  more.']);
});
