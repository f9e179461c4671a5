import { z } from 'zod';
import { searchWords } from './search-words';

/** Whose a model is: the workshop's own, or one of those that ship with the app. */
export const modelOrigins = ['own', 'practice'] as const;
/** A question for models as it stands in an address; what cannot be read is left out. */
export const modelsQuery = z.object({
  q: searchWords,
  from: z
    .enum(['', ...modelOrigins])
    .catch('')
    .default(''),
});
export type ModelsQuery = z.output<typeof modelsQuery>;
