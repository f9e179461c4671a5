import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { readInput } from './verb';
import { verbs } from './verbs';

/**
 * The command line: one door to the core. Exit 0 with an answer, 2 with bad input (one line a problem on standard
 * error), 3 when no answer exists.
 * @returns the exit code
 */
export function main(
  args: readonly string[],
  out: (text: string) => void,
  err: (text: string) => void,
  stdin: () => string,
  now: () => number,
): number {
  const bad = (...lines: string[]) => {
    for (const line of lines) err(`${line}\n`);
    return 2;
  };
  const words: string[] = [];
  let schema = false;
  let seconds = 5;
  for (let i = 0; i < args.length; i++) {
    const a = args[i]!;
    if (a === '--schema') schema = true;
    else if (a === '--seconds') {
      seconds = Number(args[++i]);
      if (!(seconds > 0)) return bad(`--seconds: expected a number > 0, got ${args[i] ?? 'nothing'}`);
    } else if (a.startsWith('--')) return bad(`${a}: no such option; known are --schema and --seconds N`);
    else words.push(a);
  }
  // a verb may be of two words
  const name =
    words.length > 1 && verbs[`${words[0]} ${words[1]}`]
      ? `${words.shift()} ${words.shift()}`
      : words.shift();
  const known = name === undefined ? undefined : verbs[name];
  if (!known)
    return bad(
      ...(name === undefined
        ? ['usage: npm run -s snavek -- <verb> [file.json] [--seconds N] [--schema]']
        : [`${name}: no such verb`]),
      ...Object.entries(verbs).map(([n, v]) => `  ${n.padEnd(12)} ${v.says}`),
    );
  if (schema) {
    out(`${JSON.stringify({ type: 'object', ...z.toJSONSchema(known.schema, { io: 'input' }) }, null, 2)}\n`);
    return 0;
  }
  if (words.length > 1) return bad(`${words[1]}: one file at a time`);
  let json: unknown;
  try {
    const text = words[0] === undefined ? stdin() : readFileSync(words[0], 'utf8');
    json = JSON.parse(text);
  } catch (e) {
    return bad(
      `${words[0] ?? '(standard input)'}: ${e instanceof SyntaxError ? `expected JSON: ${e.message}` : (e as Error).message}`,
    );
  }
  const read = readInput(known, json);
  if (!read.ok) return bad(...read.problems.map((p) => `${p.path}: ${p.text}`));
  const end = now() + seconds * 1000;
  const answer = known.run(read.input, { stop: () => now() >= end });
  out(
    `${JSON.stringify('answer' in answer ? answer.answer : { infeasible: true, because: answer.because })}\n`,
  );
  if (!('answer' in answer)) return 3;
  return answer.bad ? 2 : 0;
}
