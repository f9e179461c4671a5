import { Button, Input } from 'antd';
import { useState } from 'react';
import { ownCopy } from '../../../../words/answers/library';
import * as wording from '../../../../words/screens/edit-model';
import { Field } from '../../../ui/field';
import { Note } from '../../../ui/note';
import type { Editor } from './use-editor';
import type { Saving } from './use-save';

/** Keeping what was changed as the next version, received of or not. */
export function KeepRow({
  editor: { edits },
  whole,
  saving: { busy, save },
}: {
  editor: Editor;
  whole: boolean;
  saving: Saving;
}) {
  return (
    <>
      <span className="small muted" role="status">
        {wording.changes(edits.length)}
      </span>
      <Button
        type="primary"
        loading={busy}
        disabled={!edits.length}
        onClick={() => void save({ offer: false })}
      >
        {wording.keep}
      </Button>
      <Button loading={busy} disabled={!whole} onClick={() => void save({ offer: true })}>
        {wording.keepAndOffer}
      </Button>
    </>
  );
}
/** What came of it; where somebody else has made a version meanwhile, what can be done then. */
export function KeptNote({ saving: { busy, said, save, takeTheirs } }: { saving: Saving }) {
  if (!said) return null;
  if (said.ok)
    return (
      <Note tone="safe" role="status">
        {said.said}
      </Note>
    );
  const { newer, errors, problems } = said;
  return (
    <Note tone="stop" role="alert" layout="stack">
      {errors.form}
      {problems?.slice(0, 5).map((p) => (
        <div key={`${p.path} ${p.text}`}>{`${p.path}: ${p.text}`}</div>
      ))}
      {newer && (
        <div className="row">
          <Button type="primary" loading={busy} onClick={() => void takeTheirs(newer)}>
            {wording.takeTheirs(newer.by)}
          </Button>
          <Button loading={busy} onClick={() => void save({ offer: false, beside: true })}>
            {wording.besideTheirs}
          </Button>
        </div>
      )}
    </Note>
  );
}
/** The same as another model, under a name of its own. */
export function KeepCopy({
  editor: { model },
  own,
  saving: { busy, save },
}: {
  editor: Editor;
  own: boolean;
  saving: Saving;
}) {
  const [copy, setCopy] = useState('');
  return (
    <section className="card stack gap-8" aria-label={wording.keepCopy}>
      <Field label={wording.copyName} htmlFor="copy-name">
        <div className="row one-line">
          <Input
            id="copy-name"
            value={copy}
            maxLength={60}
            placeholder={own ? model.name : ownCopy(model.name)}
            onChange={(event) => setCopy(event.target.value)}
          />
          <Button
            loading={busy}
            disabled={!copy.trim()}
            onClick={() => void save({ offer: false, copyAs: copy })}
          >
            {wording.keepCopy}
          </Button>
        </div>
      </Field>
    </section>
  );
}
