import { z } from 'zod';
import { pathText } from '../core/model/check-model';

/** What is wrong with an input: where, and what was expected there. */
export interface Problem {
  path: string;
  text: string;
}
/** What a verb has to say: an answer, or that none exists. `bad`: the answer is that the input is no good. */
export type Answer = { answer: unknown; bad?: true } | { infeasible: true; because: unknown };
export interface Limits {
  /** True once the time that the caller gave is over. */
  stop: () => boolean;
}
/** One verb of the command line: the shape of its input, what the shape cannot say, and the computation. */
export interface Verb<T = unknown> {
  says: string;
  schema: z.ZodType<T>;
  /** Any JSON is taken, and judged by the verb itself. */
  anyInput?: true;
  /** Problems beyond the shape: dangling references, doubled ids, circles. */
  check?: (input: T) => Problem[];
  run: (input: T, limits: Limits) => Answer;
}
export const verb = <T>(v: Verb<T>): Verb => v as unknown as Verb;

/** An identifier; any text that is not empty. */
export const id = z.string().min(1);
export const cost = z.number().min(0);

/** Reads an input by its schema. Every problem is told, each as one line: `path: expected …, got …`. */
export function readInput<T>(
  v: Verb<T>,
  json: unknown,
): { ok: true; input: T } | { ok: false; problems: Problem[] } {
  if (v.anyInput) return { ok: true, input: json as T };
  const read = v.schema.safeParse(json);
  if (!read.success) return { ok: false, problems: read.error.issues.flatMap((i) => issueProblems(i, json)) };
  const problems = v.check?.(read.data) ?? [];
  return problems.length ? { ok: false, problems } : { ok: true, input: read.data };
}

type Issue = z.core.$ZodIssue;
function issueProblems(issue: Issue, json: unknown): Problem[] {
  const path = pathText(issue.path) || '(input)';
  const got = short(valueAt(json, issue.path));
  const line = (expected: string): Problem[] => [{ path, text: `expected ${expected}, got ${got}` }];
  switch (issue.code) {
    case 'invalid_type':
      return line(typeName[issue.expected] ?? `${issue.expected}`);
    case 'too_small':
      return line(
        issue.origin === 'number'
          ? `a number ${issue.inclusive ? '>=' : '>'} ${issue.minimum}`
          : `at least ${issue.minimum} ${issue.origin === 'string' ? 'characters' : 'entries'}`,
      );
    case 'too_big':
      return line(
        issue.origin === 'number'
          ? `a number ${issue.inclusive ? '<=' : '<'} ${issue.maximum}`
          : `at most ${issue.maximum} ${issue.origin === 'string' ? 'characters' : 'entries'}`,
      );
    case 'invalid_value':
      return line(issue.values.map((x) => JSON.stringify(x)).join(' or '));
    case 'unrecognized_keys':
      return issue.keys.map((k) => ({
        path: pathText([...issue.path, k]),
        text: 'no such field is known here',
      }));
    default:
      return [{ path, text: issue.message }];
  }
}
const typeName: Record<string, string> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  array: 'a list',
  object: 'an object',
  boolean: 'true or false',
  null: 'null',
  tuple: 'a list of two',
};
const valueAt = (json: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (v, k) => (v && typeof v === 'object' ? (v as Record<PropertyKey, unknown>)[k] : undefined),
    json,
  );
function short(v: unknown): string {
  if (v === undefined) return 'nothing';
  const text = JSON.stringify(v) ?? String(v);
  return text.length > 60 ? `${text.slice(0, 57)}...` : text;
}

/** The places at which an id stands a second time. */
export function doubled(ids: readonly { id: string; path: string }[]): Problem[] {
  const first = new Map<string, string>();
  return ids.flatMap(({ id: name, path }) => {
    const before = first.get(name);
    if (before === undefined) {
      first.set(name, path);
      return [];
    }
    return [{ path, text: `the id ${name} is already used at ${before}` }];
  });
}
/** The places that name something which is not there. */
export const dangling = (
  known: ReadonlySet<string>,
  what: string,
  uses: readonly { id: string; path: string }[],
): Problem[] =>
  uses.filter((u) => !known.has(u.id)).map((u) => ({ path: u.path, text: `there is no ${what} ${u.id}` }));
