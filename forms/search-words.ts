import { z } from 'zod';

/** Words to search by as they stand in an address; what cannot be read is none. */
export const searchWords = z
  .string()
  .max(80)
  .catch('')
  .transform((s) => s.trim())
  .default('');
