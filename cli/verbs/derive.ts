import { z } from 'zod';
import { derive as relationsOf } from '../../core/derive/derive';
import { thingKinds } from '../../core/derive/teardown';
import { faces } from '../../core/vocabulary/trade';
import { dangling, doubled, id, type Problem, verb } from '../verb';

const mm = z.number();
const size = z.number().min(0);
const thing = z.strictObject({
  id,
  kind: z.enum(thingKinds),
  face: z.enum(faces),
  at: z.strictObject({ x: mm, y: mm }).optional(),
  shape: z.strictObject({ x: mm, y: mm, w: size, h: size }).optional(),
  joins: z.array(id).optional(),
});
const schema = z.strictObject({
  teardowns: z.array(z.strictObject({ things: z.array(thing), off: z.array(id) })).min(1),
});
type Given = z.output<typeof schema>['teardowns'][number];

/** What is wrong with one teardown beside its shape, and beside the first one. */
function problemsOf({ things, off }: Given, path: string, first: Given): Problem[] {
  const known = new Set(things.map((t) => t.id));
  const parts = new Set(things.filter((t) => t.kind === 'part').map((t) => t.id));
  const offAt = off.map((name, at) => ({ id: name, path: `${path}.off[${at}]` }));
  const before = new Map(first.things.map((t) => [t.id, t]));
  const out: Problem[] = [
    ...doubled(things.map((t, at) => ({ id: t.id, path: `${path}.things[${at}].id` }))),
    ...doubled(offAt),
    ...dangling(known, 'thing', offAt),
  ];
  for (const [at, t] of things.entries()) {
    const here = `${path}.things[${at}]`;
    if ((t.at === undefined) === (t.shape === undefined))
      out.push({ path: here, text: 'expected either at or shape' });
    if (t.kind === 'part' && !t.shape)
      out.push({ path: `${here}.shape`, text: 'expected a shape, got nothing' });
    out.push(
      ...dangling(
        parts,
        'part',
        (t.joins ?? []).map((part, k) => ({ id: part, path: `${here}.joins[${k}]` })),
      ),
    );
    const same = before.get(t.id);
    if (!same) out.push({ path: `${here}.id`, text: `expected the things of teardowns[0], got ${t.id}` });
    else if (same.kind !== t.kind || !same.at !== !t.at)
      out.push({
        path: `${here}.kind`,
        text: `expected ${same.kind} with the same kind of place as in teardowns[0]`,
      });
  }
  for (const name of before.keys())
    if (!known.has(name))
      out.push({ path: `${path}.things`, text: `expected ${name} of teardowns[0], got nothing` });
  return out;
}

export const derive = verb({
  says: 'what has to be off before what, from one teardown or more of the same kind of device',
  schema,
  check: ({ teardowns }) =>
    teardowns.flatMap((teardown, at) => problemsOf(teardown, `teardowns[${at}]`, teardowns[0]!)),
  run: ({ teardowns }) => {
    const { relations, refuted } = relationsOf(teardowns);
    return {
      answer: {
        relations: relations.map(({ first, then, kind, grade, teardowns: seenIn }) => ({
          first,
          then,
          kind,
          grade,
          teardowns: seenIn,
        })),
        refuted,
      },
    };
  },
});
