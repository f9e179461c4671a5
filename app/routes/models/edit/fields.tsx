import { Input, type InputProps } from 'antd';
import { useEffect, useId, useState } from 'react';
import { Field } from '../../../ui/field';
import { Pick } from '../../../ui/pick';
import { typedFigure } from '../../../ui/zod-form';

interface Common {
  label: string;
  error?: string | undefined;
}
const wrong = (error: string | undefined) => (error ? { validateStatus: 'error' as const, help: error } : {});

/** A text that counts once one leaves it, or with Enter; Escape puts back what stood there. */
export function TextField({
  label,
  error,
  value,
  onCommit,
  ...more
}: Common & Omit<InputProps, 'value' | 'onChange'> & { value: string; onCommit: (text: string) => void }) {
  const id = useId();
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const commit = () => {
    if (text !== value) onCommit(text);
  };
  return (
    <Field label={label} htmlFor={id} {...wrong(error)}>
      <Input
        id={id}
        value={text}
        {...more}
        onChange={(event) => setText(event.target.value)}
        onBlur={commit}
        onPressEnter={commit}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setText(value);
        }}
      />
    </Field>
  );
}
/** A figure with its unit; what is none is left to the schema to refuse. Empty where it may be left out. */
export function FigureField({
  value,
  unit = 'mm',
  onCommit,
  ...more
}: Common & {
  value: number | undefined;
  unit?: string;
  onCommit: (figure: number | undefined) => void;
}) {
  return (
    <TextField
      {...more}
      value={value === undefined ? '' : String(value)}
      suffix={unit}
      inputMode="decimal"
      maxLength={8}
      onCommit={(text) => onCommit(text.trim() === '' ? undefined : typedFigure(text.replace(/\s*mm$/i, '')))}
    />
  );
}
export interface Choice {
  value: string;
  label: string;
}
export function ChoiceField({
  label,
  error,
  value,
  options,
  onCommit,
  clear = false,
}: Common & {
  value: string | undefined;
  options: readonly Choice[];
  onCommit: (value: string | undefined) => void;
  clear?: boolean;
}) {
  const id = useId();
  return (
    <Field label={label} htmlFor={id} {...wrong(error)}>
      <Pick
        id={id}
        allowClear={clear}
        value={value ?? null}
        options={[...options]}
        onChange={(v) => onCommit(v ?? undefined)}
      />
    </Field>
  );
}
export function ManyField({
  label,
  error,
  values,
  options,
  onCommit,
}: Common & {
  values: readonly string[];
  options: readonly Choice[];
  onCommit: (values: string[]) => void;
}) {
  const id = useId();
  return (
    <Field label={label} htmlFor={id} {...wrong(error)}>
      <Pick<never>
        id={id}
        mode="multiple"
        value={values as never}
        options={[...options]}
        onChange={(v) => onCommit(v as unknown as string[])}
      />
    </Field>
  );
}
