import { describe, expect, test } from 'vitest';
import { z } from 'zod';
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
});
