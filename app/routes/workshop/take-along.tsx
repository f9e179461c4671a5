import { Button, Upload } from 'antd';
import { useState } from 'react';
import { useRevalidator } from 'react-router';
import type { TaskLine } from '../../../core/wire/background';
import type { Changed } from '../../../core/wire/changed';
import * as wording from '../../../words/screens/workshop';
import { Note } from '../../ui/note';
import { isGoing, TaskNote } from './task-note';
import { useChange } from './use-change';

/** Everything in one file of open formats, out and in. */
export function TakeAlong({ tasks }: { tasks: TaskLine[] }) {
  const { change, busy } = useChange();
  const { revalidate } = useRevalidator();
  const [sending, setSending] = useState(false);
  const [error, setError] = useState('');
  const [out, taken] = (['export', 'import'] as const).map((kind) =>
    tasks.find((task) => task.kind === kind),
  );
  const send = async (file: File) => {
    setSending(true);
    setError('');
    const said = await fetch('/take-in', {
      method: 'PUT',
      body: file,
      headers: { 'content-type': 'application/zip' },
    })
      .then(async (answer) => (await answer.json()) as Changed | { error: string })
      .catch(() => ({ error: wording.notSent }));
    setSending(false);
    if ('error' in said) setError(said.error);
    else if (!said.ok) setError(said.errors.form ?? '');
    void revalidate();
  };
  return (
    <section className="card stack gap-8">
      <h2>{wording.takeAlong}</h2>
      <p className="muted small">{wording.takeAlongMeans}</p>
      <div className="row">
        <Button
          loading={busy || (out !== undefined && isGoing(out))}
          onClick={() => change({ do: 'take along' })}
        >
          {wording.writeIt}
        </Button>
        {out?.state === 'done' && out.file && (
          <Button href={`/archives/${out.file}`}>{wording.downloadOf(out.file)}</Button>
        )}
      </div>
      {out && <TaskNote task={out} />}
      <h2>{wording.takeIn}</h2>
      <p className="muted small">{wording.takeInMeans}</p>
      <Upload
        accept=".zip,application/zip"
        showUploadList={false}
        beforeUpload={(file) => {
          void send(file);
          return false;
        }}
      >
        <Button loading={sending || (taken !== undefined && isGoing(taken))}>{wording.chooseZip}</Button>
      </Upload>
      {error && (
        <Note tone="stop" role="alert">
          {error}
        </Note>
      )}
      {taken && <TaskNote task={taken} />}
    </section>
  );
}
