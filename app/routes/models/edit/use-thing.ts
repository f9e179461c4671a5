import { useEffect, useState } from 'react';
import { type ListedThing, put } from '../../../../core/model/editing';
import { thingSchemas } from '../../../../core/model/schema';
import type { Editor } from './use-editor';

/** Changes one thing by its fields: what its schema refuses stays out of the model, and is said at its field. */
export function useThing(editor: Editor, { list, thing }: ListedThing) {
  const [errors, setErrors] = useState<Record<string, string>>({});
  // biome-ignore lint/correctness/useExhaustiveDependencies: another thing has none of these errors
  useEffect(() => setErrors({}), [thing.id]);
  return {
    errors,
    change: (partial: Record<string, unknown>): boolean => {
      const next = Object.fromEntries(
        Object.entries({ ...thing, ...partial }).filter(([, value]) => value !== undefined),
      );
      const read = thingSchemas[list].safeParse(next);
      if (!read.success) {
        setErrors(Object.fromEntries(read.error.issues.map((i) => [String(i.path.at(-1) ?? ''), i.message])));
        return false;
      }
      setErrors({});
      editor.change([put({ list, thing: read.data } as ListedThing)]);
      return true;
    },
  };
}
