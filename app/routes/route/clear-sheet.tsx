import { Button, Form, Input } from 'antd';
import { Field } from '../../ui/field';
import { Sheet } from '../../ui/sheet';

/** A condition is cleared by whoever has looked at the device, with what was seen. */
export function ClearSheet({
  condition,
  onClose,
  onClear,
}: {
  condition: string;
  onClose: () => void;
  onClear: (reason: string) => void;
}) {
  return (
    <Sheet title={`Clear “${condition}”`} onClose={onClose}>
      <p>
        An owner or lead clears this after looking at the device. The reason stays in the record, and the
        route is planned again.
      </p>
      <Form className="stack" layout="vertical" onFinish={({ why }: { why: string }) => onClear(why.trim())}>
        <Field
          label="What was seen"
          name="why"
          rules={[
            { required: true, whitespace: true, message: 'Say what was seen: it stays in the record.' },
          ]}
        >
          <Input.TextArea rows={3} maxLength={1000} />
        </Field>
        <div className="row">
          <Button htmlType="submit" danger>{`Clear “${condition}”`}</Button>
        </div>
      </Form>
    </Sheet>
  );
}
