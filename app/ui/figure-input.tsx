import { InputNumber } from 'antd';
import { useId } from 'react';
import { Field } from './field';

/** A figure within its limits, typed with a point or a comma; what is none leaves the last one. */
export function FigureInput({
  label,
  value,
  min,
  max,
  onChange,
}: {
  label: string;
  value: number | undefined;
  min: number;
  max: number;
  onChange: (figure: number) => void;
}) {
  const id = useId();
  return (
    <Field label={label} htmlFor={id}>
      <InputNumber
        id={id}
        controls={false}
        className="all-wide"
        value={value ?? null}
        min={min}
        max={max}
        parser={(text) => Number((text ?? '').replace(',', '.'))}
        onChange={(v) => typeof v === 'number' && Number.isFinite(v) && onChange(v)}
      />
    </Field>
  );
}
