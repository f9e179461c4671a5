import * as wording from '../../../words/screens/work';
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
    <Sheet title={wording.note} onClose={onClose}>
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
          <Field label={wording.about} htmlFor="note-thing">
            <Pick
              id="note-thing"
              value={thing}
              onChange={(value) => setThing(value)}
              options={[
                ...things.map((t) => ({ value: t, label: thingName(index, t) })),
                { value: '', label: wording.theDevice },
              ]}
            />
          </Field>
        )}
        <Field label={wording.whatIsToBeRemembered} htmlFor="note-text">
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
            {wording.itIsNotAsThe}
          </Checkbox>
        )}
        <div className="row">
          <Button htmlType="submit" type="primary" disabled={!text.trim()}>
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
