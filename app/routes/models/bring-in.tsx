import { Button, Upload } from 'antd';
import { useState } from 'react';
import { Link, useRevalidator } from 'react-router';
import type { ModelSaid } from '../../../core/wire/library';
import * as wording from '../../../words/screens/models';
import { Note } from '../../ui/note';

/** A model file is taken in whole or not at all; every problem of it is said with its path. */
export function BringIn({ may }: { may: boolean }) {
  const { revalidate } = useRevalidator();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<ModelSaid>();
  const bring = async (file: File) => {
    setBusy(true);
    const came = await fetch('/bring-in', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: file,
    })
      .then((answer) => answer.json() as Promise<ModelSaid | { error: string }>)
      .catch(() => ({ error: wording.notSent }));
    setBusy(false);
    setSaid('error' in came ? { ok: false, status: 400, errors: { form: came.error } } : came);
    void revalidate();
  };
  return (
    <section className="card stack" aria-label={wording.bringIn}>
      <h2>{wording.bringIn}</h2>
      <p className="small muted">{wording.bringInMeans}</p>
      {may ? (
        <Upload
          accept=".json,application/json"
          showUploadList={false}
          beforeUpload={(file) => {
            void bring(file);
            return false;
          }}
        >
          <Button type="primary" loading={busy}>
            {wording.chooseFile}
          </Button>
        </Upload>
      ) : (
        <p className="muted">{wording.whoMay}</p>
      )}
      <div className="row">
        <Button href="/models/schema.json">{wording.schema}</Button>
      </div>
      {said?.ok && (
        <Note tone="safe" role="status">
          {said.said} {said.hash && <Link to={`/models/${said.hash}`}>{wording.lookAtIt}</Link>}
        </Note>
      )}
      {said && !said.ok && (
        <Note tone="stop" role="alert">
          {said.errors.form}
        </Note>
      )}
      {said && !said.ok && said.problems && (
        <ul className="problems small">
          {said.problems.map(({ path, text }) => (
            <li key={`${path} ${text}`}>
              <code className="breaks">{path}</code> {text}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
