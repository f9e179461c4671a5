import { useState } from 'react';
import type { Body } from '../../../core/job/events';
import type { IndexedModel } from '../../../core/model/index-model';
import { Sheet } from '../../ui/sheet';
import { thingName } from '../../words/things';

interface Props {
  index: IndexedModel;
  things: readonly string[];
  onClose: () => void;
  onReport: (b: Body) => void;
  onPhotos: (files: FileList | null, thing: string) => void;
}

/** A note or a photograph of what is in hand: shown again at refitting, and the next time with this model. */
export function NoteSheet({ index, things, onClose, onReport, onPhotos }: Props) {
  const [thing, setThing] = useState(things[0] ?? '');
  const [text, setText] = useState('');
  const [finding, setFinding] = useState(false);
  return (
    <Sheet title="Note" onClose={onClose}>
      <form
        className="stack"
        onSubmit={(e) => {
          e.preventDefault();
          if (text.trim())
            onReport({
              type: 'noted',
              text: text.trim(),
              ...(thing ? { thing } : {}),
              ...(finding && thing ? { finding: true } : {}),
            });
        }}
      >
        {things.length > 0 && (
          <div className="field">
            <label htmlFor="note-thing">About</label>
            <select id="note-thing" className="pick" value={thing} onChange={(e) => setThing(e.target.value)}>
              {things.map((t) => (
                <option key={t} value={t}>
                  {thingName(index, t)}
                </option>
              ))}
              <option value="">the device</option>
            </select>
          </div>
        )}
        <div className="field">
          <label htmlFor="note-text">What is to be remembered</label>
          <textarea
            id="note-text"
            data-first
            rows={3}
            maxLength={4000}
            value={text}
            onChange={(e) => setText(e.target.value)}
            style={{ font: 'inherit', padding: 10, borderRadius: 8 }}
          />
        </div>
        {thing && (
          <label className="row">
            <input type="checkbox" checked={finding} onChange={(e) => setFinding(e.target.checked)} />
            It is not as the model says: keep it as a finding for the model
          </label>
        )}
        <div className="row">
          <button type="submit" className="btn primary" disabled={!text.trim()}>
            Keep the note
          </button>
          {thing && (
            <label className="btn">
              Photograph
              <input
                type="file"
                accept="image/*"
                capture="environment"
                multiple
                className="sr"
                onChange={(e) => {
                  onPhotos(e.target.files, thing);
                  onClose();
                }}
              />
            </label>
          )}
        </div>
      </form>
    </Sheet>
  );
}
