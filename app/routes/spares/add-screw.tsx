import * as wording from '../../../words/screens/spares';
import { Button, Form, Input, type InputProps } from 'antd';
import { useEffect, useState } from 'react';
import { screwFields } from '../../../forms/screw-fields';
import { drives } from '../../../core/vocabulary/trade';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import type { Said } from './spares';

type Name = keyof typeof screwFields.shape;
const blank: Record<Name, string> = {
  drive: 'PH000',
  thread: 'M1.2',
  length_mm: '',
  head_mm: '',
  count: '1',
  note: '',
};
/** A kind of screw for the box. Drive, thread and head stay for the next one. */
export function AddScrew({
  said,
  busy,
  ask,
}: {
  said: Said | undefined;
  busy: boolean;
  ask: (b: Record<string, unknown>) => void;
}) {
  const [form] = Form.useForm<Record<Name, string>>();
  const [sent, setSent] = useState(false);
  useServerErrors(form, sent && said && !said.ok ? said.errors : undefined);
  useEffect(() => {
    if (!said?.ok || !sent) return;
    form.setFieldsValue({ length_mm: '', count: '1', note: '' });
    setSent(false);
  }, [said, sent, form]);
  return (
    <section className="card" aria-label={wording.addAScrew}>
      <Form
        form={form}
        layout="vertical"
        className="stack"
        initialValues={blank}
        validateTrigger="onBlur"
        onFinish={(screw) => {
          setSent(true);
          ask({ do: 'add', screw });
        }}
      >
        <h2>{wording.addScrews}</h2>
        <div className="fields">
          <Field
            name="drive"
            htmlFor="screw-drive"
            label={wording.driveLabel}
            rules={[ruleOf(screwFields.shape.drive)]}
          >
            <Pick id="screw-drive" options={drives.map((d) => ({ value: d, label: d }))} />
          </Field>
          <Typed name="thread" label={wording.threadLabel} maxLength={12} />
        </div>
        <div className="fields">
          <Typed name="length_mm" label={wording.lengthMm} inputMode="decimal" maxLength={8} />
          <Typed name="head_mm" label={wording.headMm} inputMode="decimal" maxLength={8} />
          <Typed name="count" label={wording.howManyLabel} inputMode="numeric" maxLength={6} />
        </div>
        <Typed name="note" label={wording.noteLabel} maxLength={200} />
        <Button htmlType="submit" type="primary" disabled={busy}>
          {wording.add}
        </Button>
      </Form>
    </section>
  );
}
function Typed({ name, label, ...input }: { name: Name; label: string } & Omit<InputProps, 'name'>) {
  return (
    <Field name={name} htmlFor={`screw-${name}`} label={label} rules={[ruleOf(screwFields.shape[name])]}>
      <Input id={`screw-${name}`} {...input} />
    </Field>
  );
}
