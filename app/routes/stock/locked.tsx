import * as wording from '../../../words/screens/stock';
import { Button, Form, Input, Tag } from 'antd';
import { useState } from 'react';
import { proofField } from '../../../forms/part-fields';
import type { StockPart } from '../../../core/wire/stock';
import { Field } from '../../ui/field';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import type { Said } from './stock';

/** A part still locked to a former owner's account is not used until somebody has seen the proof of its release. */
export function Locked({
  part,
  may,
  ask,
  said,
}: {
  part: StockPart;
  may: boolean;
  ask: (b: Record<string, unknown>) => void;
  said: Said | undefined;
}) {
  const [form] = Form.useForm<{ proof: string }>();
  const [open, setOpen] = useState(false);
  useServerErrors(form, open && said && !said.ok ? said.errors : undefined);
  if (!open)
    return (
      <span className="row">
        <Tag color="error">{wording.lockedToAnAccount}</Tag>
        {may && <Button onClick={() => setOpen(true)}>{wording.released}</Button>}
      </span>
    );
  return (
    <Form
      form={form}
      layout="vertical"
      className="stack"
      initialValues={{ proof: '' }}
      onFinish={({ proof }) => ask({ do: 'change', id: part.id, released: 'proof seen', proof })}
    >
      <Field
        name="proof"
        htmlFor={`proof-${part.id}`}
        label={wording.whatProvesIt}
        rules={[ruleOf(proofField)]}
      >
        <Input id={`proof-${part.id}`} maxLength={200} />
      </Field>
      <Button htmlType="submit">{wording.keep}</Button>
    </Form>
  );
}
