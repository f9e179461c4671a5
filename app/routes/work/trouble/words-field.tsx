import { Input } from 'antd';
import { Field } from '../../../ui/field';

/** Without spaces around it, and no longer than its field. */
export const cut = (text: string, most: number) => text.trim().slice(0, most);
/** What is to be said in words. */
export function Words({ label, value, set }: { label: string; value: string; set: (t: string) => void }) {
  return (
    <Field label={label} htmlFor="trouble-words">
      <Input.TextArea
        id="trouble-words"
        rows={2}
        maxLength={1000}
        value={value}
        onChange={(e) => set(e.target.value)}
      />
    </Field>
  );
}
