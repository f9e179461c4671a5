import { z } from 'zod';
import { findStencils } from '../../core/rework/stencil';
import { doubled, id, type Problem, verb } from '../verb';

const positive = z.number().positive();
const pattern = z
  .array(z.string().regex(/^[01]+$/, 'expected a row of 0 and 1'))
  .min(1)
  .max(200);
const schema = z.strictObject({
  chip: z.strictObject({ pitchMm: positive, pattern }),
  ballMm: positive.optional(),
  stencils: z.array(
    z.strictObject({
      id,
      pitchMm: positive,
      pattern,
      apertureMm: positive.optional(),
      thicknessMm: positive.optional(),
    }),
  ),
});
/** Rows of one length: the first that is longer or shorter is named. */
const ragged = (rows: readonly string[], path: string): Problem[] => {
  const row = rows.findIndex((r) => r.length !== rows[0]!.length);
  return row < 0
    ? []
    : [{ path: `${path}[${row}]`, text: `expected ${rows[0]!.length} characters, got ${rows[row]!.length}` }];
};
export const stencil = verb({
  says: 'which stencils set the balls of a chip: turned by quarters, shifted by whole pitches, never mirrored',
  schema,
  check: ({ chip, stencils }) => [
    ...ragged(chip.pattern, 'chip.pattern'),
    ...(chip.pattern.some((row) => row.includes('1'))
      ? []
      : [{ path: 'chip.pattern', text: 'expected at least one ball, got none' }]),
    ...doubled(stencils.map((s, i) => ({ id: s.id, path: `stencils[${i}].id` }))),
    ...stencils.flatMap((s, i) => [
      ...ragged(s.pattern, `stencils[${i}].pattern`),
      ...(s.apertureMm !== undefined && s.apertureMm >= s.pitchMm
        ? [
            {
              path: `stencils[${i}].apertureMm`,
              text: `expected less than the pitch ${s.pitchMm}, got ${s.apertureMm}`,
            },
          ]
        : []),
    ]),
  ],
  run: ({ chip, stencils }) => ({ answer: findStencils(chip, stencils) }),
});
