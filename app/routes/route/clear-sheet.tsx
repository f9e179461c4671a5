import * as wording from '../../../words/screens/route';
import { Button, Form, Input } from 'antd';
import { Field, needed } from '../../ui/field';
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
    <Sheet title={wording.clear(condition)} onClose={onClose}>
      <p>{wording.anOwnerOrLeadClears}</p>
      <Form className="stack" layout="vertical" onFinish={({ why }: { why: string }) => onClear(why.trim())}>
        <Field label={wording.whatWasSeen} name="why" rules={needed(wording.sayWhatWasSeenIt)}>
          <Input.TextArea rows={3} maxLength={1000} />
        </Field>
        <div className="row">
          <Button htmlType="submit" danger>
            {wording.clear(condition)}
          </Button>
        </div>
      </Form>
    </Sheet>
  );
}
