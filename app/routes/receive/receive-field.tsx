import type { FormItemProps } from 'antd';
import type { Receipt } from '../../../forms/receipt-fields';
import { Field } from '../../ui/field';

/** What stands in the form: a receipt's fields, the passcode, too, which no draft ever holds. */
export type ReceiveFields = Partial<Receipt>;
/** A control of the form under its own name: what is wrong with it stands below it. */
export function ReceiveField({
  field,
  ...item
}: { field: keyof ReceiveFields & string } & Omit<FormItemProps, 'name'>) {
  return <Field name={field} {...item} />;
}
/** What a control that is no single field takes from its place in the form. */
export interface Control<Value> {
  id?: string;
  value?: Value;
  onChange?: (value: Value) => void;
  'aria-invalid'?: boolean | 'true' | 'false';
  'aria-describedby'?: string;
}
