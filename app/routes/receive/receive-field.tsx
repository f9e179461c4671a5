import type { ReactNode } from 'react';
import { Field } from '../../ui/field';
import type { ReceiveState } from './use-receive';

/** What a control of the form says of itself when its field is wrong. */
export const marked = (errors: ReceiveState['errors'], field: string) => ({
  id: field,
  'aria-invalid': !!errors[field],
  ...(errors[field] ? { 'aria-describedby': `${field}-error` } : {}),
});
/** What is wrong with something that is no single field, below it. */
export const Problem = ({ errors, field }: { errors: ReceiveState['errors']; field: string }) =>
  errors[field] && (
    <span className="error" id={`${field}-error`} role="alert">
      {errors[field]}
    </span>
  );
/** A labelled control of the form with what is wrong with it. */
export function ReceiveField({
  label,
  field,
  errors,
  className,
  children,
}: {
  label: string;
  field: string;
  errors: ReceiveState['errors'];
  className?: string;
  children: ReactNode;
}) {
  return (
    <Field
      label={label}
      htmlFor={field}
      {...(className ? { className } : {})}
      {...(errors[field]
        ? { validateStatus: 'error', help: <span id={`${field}-error`}>{errors[field]}</span> }
        : {})}
    >
      {children}
    </Field>
  );
}
