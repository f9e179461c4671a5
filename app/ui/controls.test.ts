import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';

const raw = /<(button|input|select|textarea|table|dialog|form)\b/g;
/** Where an element of the browser stands by itself, and why. Everything else is Ant Design's. */
const ours: Record<string, { only: readonly string[]; because: string }> = {
  'app/routes/sign-in/sign-in.tsx': {
    only: ['input'],
    because: 'hidden fields of React Router’s own form, which signs in before the script has come',
  },
  'app/routes/device/big-button.tsx': {
    only: ['button'],
    because: 'the page on a repaired phone, which has to be light and is pressed with wet or gloved fingers',
  },
  'app/routes/work/instruction-parts.tsx': {
    only: ['table'],
    because: 'the things of the big instruction: its rows, drawn screws and keys are the bench’s own',
  },
};
const sources = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.tsx') && !f.endsWith('.test.tsx'))
  .map((f) => `app/${f}`);

test('every control is Ant Design’s but for those that are named here with their reason', () => {
  const found = sources.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(raw)]
      .map((m) => m[1]!)
      .filter((tag) => !ours[file]?.only.includes(tag))
      .map((tag) => `${file}: <${tag}>`),
  );
  expect(found).toEqual([]);
});
test('no exception outlives what it was made for', () => {
  for (const [file, { only, because }] of Object.entries(ours)) {
    const tags = new Set([...readFileSync(file, 'utf8').matchAll(raw)].map((m) => m[1]));
    expect([...tags].toSorted(), file).toEqual([...only].toSorted());
    expect(because.length, file).toBeGreaterThan(20);
  }
});

test('a style stands at an element only where a number of it is computed', () => {
  const fixed = sources.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/style=\{\{([^}]*(?:\$\{[^}]*\}[^}]*)*)\}\}/g)]
      .filter(([, body]) => !/\$\{|\bheight\b(?!:)|[:?] *[a-z]\w*(\.|\(|,| *$)/.test(body!))
      .map(([all]) => `${file}: ${all.slice(0, 60)}`),
  );
  expect(fixed).toEqual([]);
});
