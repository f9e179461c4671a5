import { z } from 'zod';
import { ballOf } from '../../core/rework/balls';
import { verb } from '../verb';

const positive = z.number().positive();
const schema = z.strictObject({
  aperture: z.strictObject({ shape: z.enum(['circle', 'square']), sizeMm: positive }),
  thicknessMm: positive,
  metalFraction: positive.max(1),
});
export const balls = verb({
  says: 'how much solder an aperture of a stencil leaves, and which ball it becomes',
  schema,
  run: ({ aperture, thicknessMm, metalFraction }) => ({
    answer: ballOf(aperture, thicknessMm, metalFraction),
  }),
});
