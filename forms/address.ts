import type { z } from 'zod';

/** The address that asks for something: what stands at its default is left out. */
export function addressOf<Schema extends z.ZodType<Record<string, string | number>>>(
  schema: Schema,
  query: Partial<z.output<Schema>>,
): string {
  const plain = schema.parse({}) as Record<string, string | number>;
  const said = Object.entries(query as Record<string, string | number>).filter(([k, v]) => v !== plain[k]);
  return new URLSearchParams(said.map(([k, v]) => [k, String(v)])).toString();
}
