import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { eventSchema } from './event-line';
import { bodySchema, markSchema } from './event-schema';
import { severities } from './events';
import { metSchema } from './met-schema';

type Node = Record<string, unknown>;
const written = (schema: z.ZodType) =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Node;
/** Every place of a schema, with the way to it. */
function* places(node: unknown, path = ''): Generator<[path: string, node: Node]> {
  if (!node || typeof node !== 'object') return;
  if (!Array.isArray(node)) yield [path, node as Node];
  for (const [key, value] of Object.entries(node)) yield* places(value, `${path}/${key}`);
}
/** A way with the kind of entry or thing for its number among all. */
function nameOf(whole: Node, path: string): string {
  const [, list, k, ...rest] = path.split('/');
  if (list !== 'oneOf' && list !== 'anyOf') return path;
  const option = (whole[list] as Node[])[Number(k)]! as { properties?: Record<string, Node> };
  const kind = option.properties?.type?.const ?? option.properties?.kind?.const ?? k;
  return [kind, ...rest.filter((step) => step !== 'properties')].join('/');
}
const open = (schema: z.ZodType) =>
  [...places(written(schema))].filter(([, node]) => {
    if (node.type === 'string')
      return (
        node.maxLength === undefined &&
        node.pattern === undefined &&
        node.enum === undefined &&
        node.const === undefined &&
        node.format === undefined
      );
    if (node.type === 'array') return node.maxItems === undefined;
    if (node.type === 'number' || node.type === 'integer')
      return node.enum === undefined && node.maximum === undefined && node.exclusiveMaximum === undefined;
    return false;
  });

describe('what may stand in the log', () => {
  test.each([
    ['an event', bodySchema],
    ['a thing that was met', metSchema],
  ] as const)(
    'of %s every text, list and figure has a greatest size, and none has it below its least',
    (_, schema) => {
      expect(open(schema).map(([path]) => path)).toEqual([]);
      for (const [path, node] of places(written(schema))) {
        const at = (key: string) => (typeof node[key] === 'number' ? (node[key] as number) : undefined);
        for (const [least, most] of [
          ['minLength', 'maxLength'],
          ['minItems', 'maxItems'],
          ['minimum', 'maximum'],
        ] as const)
          if (at(least) !== undefined && at(most) !== undefined)
            expect(at(least)!, `${path} ${least}`).toBeLessThanOrEqual(at(most)!);
      }
    },
  );
  test('each limit as a person has read it', async () => {
    const keys = ['minLength', 'maxLength', 'minItems', 'maxItems', 'minimum', 'maximum', 'exclusiveMinimum'];
    const lines = Object.entries({ entry: bodySchema, met: metSchema }).flatMap(([name, schema]) => {
      const whole = written(schema);
      return [...places(whole)].flatMap(([path, node]) => {
        const said = keys.flatMap((key) => (typeof node[key] === 'number' ? [`${key} ${node[key]}`] : []));
        return said.length ? [`${name} ${nameOf(whole, path)}: ${said.join(', ')}`] : [];
      });
    });
    await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot('approved/limits.txt');
  });
  test('a screw that is met is as long as a screw can be; a part lies within the largest device', () => {
    const screw = { kind: 'fastener', id: 'S1', name: 's', face: 'front', drive: 'P2', thread: 'M1.4' };
    const with_ = (more: Node) => metSchema.safeParse({ ...screw, ...more }).success;
    const usual = { at: { x: 0, y: 400 }, lengthMm: 20, headMm: 10 };
    expect(with_(usual)).toBe(true);
    for (const more of [
      { lengthMm: 20.1 },
      { lengthMm: 0 },
      { headMm: 10.1 },
      { at: { x: -0.1, y: 0 } },
      { at: { x: 0, y: 401 } },
    ])
      expect(with_({ ...usual, ...more }), JSON.stringify(more)).toBe(false);
  });
  test('a mark is cosmetic, plain, or one that goes on breaking, and nothing else', () => {
    expect(severities).toEqual([1, 2, 3]);
    const severity = (n: number) => JSON.stringify(markSchema.safeParse({ severity: n }).error?.issues);
    expect(severity(3)).not.toContain('severity');
    expect(severity(4)).toContain('severity');
  });
  test('several screws are sorted by one command; none at all is nothing to say', () => {
    const screw = (piece: string) => ({ piece, lengthMm: 1.2 });
    const sorted = (screws: unknown[]) => bodySchema.safeParse({ type: 'sorted', screws }).success;
    expect(sorted([screw('A1#1'), screw('A2#1'), screw('B1#1')])).toBe(true);
    expect(sorted([])).toBe(false);
  });
  test('a line of a file has a version of the log, a place in it, and who it was', () => {
    const event = {
      ...{ v: 1, id: 'e1', seq: 1, at: 0, clockKnown: true, by: '00000000-0000-4000-8000-000000000001' },
      body: { type: 'linerOff' },
    };
    const reads = (change: Node) => eventSchema.safeParse({ ...event, ...change }).success;
    expect(reads({ v: 0 })).toBe(false);
    expect(reads({ v: 1001 })).toBe(false);
    expect(reads({ seq: 0 })).toBe(false);
    expect(reads({ by: 'somebody' })).toBe(false);
  });
});
