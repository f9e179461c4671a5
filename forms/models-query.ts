import { z } from 'zod';

/** Whose a model is: the workshop's own, or one of those that ship with the app. */
export const modelOrigins = ['own', 'practice'] as const;
/** A question for models as it stands in an address; what cannot be read is left out. */
export const modelsQuery = z.object({
  q: z
    .string()
    .max(80)
    .catch('')
    .transform((s) => s.trim())
    .default(''),
  from: z
    .enum(['', ...modelOrigins])
    .catch('')
    .default(''),
});
export type ModelsQuery = z.output<typeof modelsQuery>;
