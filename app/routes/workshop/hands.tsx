import { Button, Checkbox, Form, Input } from 'antd';
import { handsFields } from '../../../forms/hands-fields';
import type { ShopSettings } from '../../../core/wire/who';
import * as wording from '../../../words/screens/workshop';
import { Field } from '../../ui/field';
import { ruleOf, typedNumber, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

/** What follows a badge, and when a bench locks. */
export function ChangingHands({ settings: { hands }, may }: { settings: ShopSettings; may: boolean }) {
  const [form] = Form.useForm<{ pin: boolean; lockMinutes: string }>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  return (
    <Form
      form={form}
      layout="vertical"
      className="card stack gap-4"
      disabled={!may}
      initialValues={{ pin: hands?.pin ?? false, lockMinutes: String(hands?.lockMinutes ?? 0) }}
      onFinish={({ pin, lockMinutes }) => change({ do: 'hands', pin, lockMinutes: typedNumber(lockMinutes) })}
    >
      <h2>{wording.changingHands}</h2>
      <Field name="pin" valuePropName="checked" label="">
        <Checkbox>{wording.pinAfterBadge}</Checkbox>
      </Field>
      <div className="fields kept-beside">
        <Field
          name="lockMinutes"
          htmlFor="lock-minutes"
          label={wording.lockMinutes}
          rules={[ruleOf(handsFields.shape.lockMinutes, typedNumber)]}
        >
          <Input id="lock-minutes" inputMode="numeric" maxLength={3} />
        </Field>
        <Button htmlType="submit" loading={busy}>
          {wording.keep}
        </Button>
      </div>
      <Kept said={said} form={form} />
      <p className="muted small">{wording.handsMean}</p>
    </Form>
  );
}
