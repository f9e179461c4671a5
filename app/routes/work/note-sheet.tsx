import { Checkbox, Input, Form, Button } from 'antd';
import { useState } from 'react';
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

/** A note or a photograph of what is in hand: shown again at refitting, and the next time with this model. */
export function NoteSheet({ index, things, onClose, onReport, onPhotos }: Props) {
  const [thing, setThing] = useState(things[0] ?? '');
  const [text, setText] = useState('');
  const [finding, setFinding] = useState(false);
  return (
    <Sheet title="Note" onClose={onClose}>
      <Form
        className="stack"
        onFinish={() => {
          if (text.trim())
            onReport({
              type: 'noted',
              text: text.trim(),
              ...(thing ? { thing } : {}),
              ...(finding && thing ? { finding: true } : {}),
            });
        }}
        layout="vertical"
      >
        {things.length > 0 && (
          <Field label="About" htmlFor="note-thing">
            <Pick
              id="note-thing"
              value={thing}
              onChange={(value) => setThing(value)}
              options={[
                ...things.map((t) => ({ value: t, label: thingName(index, t) })),
                { value: '', label: 'the device' },
              ]}
            />
          </Field>
        )}
        <Field label="What is to be remembered" htmlFor="note-text">
          <Input.TextArea
            id="note-text"
            data-first
            rows={3}
            maxLength={4000}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </Field>
        {thing && (
          <Checkbox checked={finding} onChange={(e) => setFinding(e.target.checked)}>
            It is not as the model says: keep it as a finding for the model
          </Checkbox>
        )}
        <div className="row">
          <Button htmlType="submit" type="primary" disabled={!text.trim()}>
            Keep the note
          </Button>
          {thing && (
            <PhotoButton
              label="Photograph it"
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
