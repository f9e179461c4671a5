import * as wording from '../../../words/screens/work';
import { Checkbox, Input, Form, Button } from 'antd';
import type { Body } from '../../../core/log/events';
import type { IndexedModel } from '../../../core/model/index-model';
import { PhotoButton } from '../../ui/photo-button';
import { Sheet } from '../../ui/sheet';
import { thingName } from '../../../words/things';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';

interface Props {
  index: IndexedModel;
  things: readonly string[];
  onClose: () => void;
  onReport: (b: Body) => void;
  onPhotos: (files: readonly File[], thing: string) => void;
}

interface Written {
  thing: string;
  text: string;
  finding: boolean;
}

/** A note or a photograph of what is in hand: shown again at refitting, and the next time with this model. */
export function NoteSheet({ index, things, onClose, onReport, onPhotos }: Props) {
  const [form] = Form.useForm<Written>();
  const thing = Form.useWatch('thing', form) ?? '';
  const empty = !Form.useWatch('text', form)?.trim();
  return (
    <Sheet title={wording.note} onClose={onClose}>
      <Form<Written>
        form={form}
        className="stack"
        layout="vertical"
        initialValues={{ thing: things[0] ?? '', text: '', finding: false }}
        onFinish={(written) => {
          if (written.text.trim())
            onReport({
              type: 'noted',
              text: written.text.trim(),
              ...(written.thing ? { thing: written.thing } : {}),
              ...(written.finding && written.thing ? { finding: true } : {}),
            });
        }}
      >
        <Field label={wording.about} name="thing" htmlFor="note-thing" hidden={things.length === 0}>
          <Pick
            id="note-thing"
            options={[
              ...things.map((t) => ({ value: t, label: thingName(index, t) })),
              { value: '', label: wording.theDevice },
            ]}
          />
        </Field>
        <Field label={wording.whatIsToBeRemembered} name="text" htmlFor="note-text">
          <Input.TextArea id="note-text" data-first rows={3} maxLength={4000} />
        </Field>
        <Field name="finding" valuePropName="checked" hidden={!thing}>
          <Checkbox>{wording.itIsNotAsThe}</Checkbox>
        </Field>
        <div className="row">
          <Button htmlType="submit" type="primary" disabled={empty}>
            {wording.keepTheNote}
          </Button>
          {thing && (
            <PhotoButton
              label={wording.photographIt}
              text="Photograph"
              onFiles={(files) => {
                onPhotos(files, thing);
                onClose();
              }}
            />
          )}
        </div>
      </Form>
    </Sheet>
  );
}
