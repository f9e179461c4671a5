import type { FormInstance, FormRule } from 'antd';
import { useEffect } from 'react';
import type { z } from 'zod';

/**
 * The rule of one field, from the schema that the action reads it with: what is right is said in one place.
 * @param read what stands in the field, as the action would be sent it; left out, as it stands
 */
export const ruleOf = (schema: z.ZodType, read: (value: unknown) => unknown = (v) => v ?? ''): FormRule => ({
  validator: (_, value: unknown) => {
    const result = schema.safeParse(read(value));
    return result.success ? Promise.resolve() : Promise.reject(new Error(result.error.issues[0]!.message));
  },
});
/** A whole number that was typed; what is none is left to the schema to refuse. */
export const typedNumber = (value: unknown): number =>
  String(value ?? '').trim() === '' ? Number.NaN : Number(value);

/** What the server found wrong stands at its field, and the first of them takes the focus. */
export function useServerErrors(form: FormInstance, errors: Record<string, string> | undefined): void {
  useEffect(() => {
    const known = new Set(Object.keys(form.getFieldsValue(true) as object));
    const found = Object.entries(errors ?? {}).filter(([name]) => known.has(name));
    if (!found.length) return;
    form.setFields(found.map(([name, text]) => ({ name, errors: [text] })));
    form.focusField(found[0]![0]);
  }, [form, errors]);
}
/** A figure with a point or a comma; what is none is left to the schema to refuse. */
export const typedFigure = (value: unknown): number => typedNumber(String(value ?? '').replace(',', '.'));
