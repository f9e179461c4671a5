import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect, test } from 'vitest';

const pages = [
  'README.md',
  'CONTRIBUTING.md',
  'docs/architecture.md',
  'docs/operate.md',
  ...readdirSync('docs/decisions').map((file) => `docs/decisions/${file}`),
  ...readdirSync('docs/formats').map((file) => `docs/formats/${file}`),
];
/** A file, or a folder, or a module without its ending. */
const isThere = (path: string) =>
  existsSync(path) || ['.ts', '.tsx'].some((ending) => existsSync(path + ending));

test('what the guides name is there: files of the code, and pages that are linked', () => {
  let named = 0;
  const missing: string[] = [];
  for (const page of pages) {
    const text = readFileSync(page, 'utf8');
    for (const [, path] of text.matchAll(/`((?:core|words|app|server|cli|demo|scripts|e2e)\/[\w./-]+)`/g)) {
      // a placeholder in capitals stands for any name
      if (/\/[A-Z]+\//.test(path!)) continue;
      named++;
      if (!isThere(path!.replace(/\/$/, ''))) missing.push(`${page}: ${path}`);
    }
    for (const [, link] of text.matchAll(/\]\((?!https?:)([^)#]+)\)/g)) {
      named++;
      const at = join(dirname(page), link!);
      if (!existsSync(at) || statSync(at).size === 0) missing.push(`${page}: ${link}`);
    }
  }
  expect(named).toBeGreaterThan(80);
  expect(missing).toEqual([]);
});
