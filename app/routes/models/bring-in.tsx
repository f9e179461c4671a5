import { Button, Progress, Upload } from 'antd';
import { Link } from 'react-router';
import * as wording from '../../../words/screens/models';
import { Note } from '../../ui/note';
import { useBringIn } from './use-bring-in';

/** A model file is taken in whole or not at all, a ZIP of them one by one; every problem is said with its path. */
export function BringIn({ may }: { may: boolean }) {
  const { busy, progress, said, bring, stop } = useBringIn();
  return (
    <section className="card stack" aria-label={wording.bringIn}>
      <h2>{wording.bringIn}</h2>
      <p className="small muted">
        {wording.bringInMeans} {wording.bringMany}
      </p>
      {may ? (
        <Upload
          accept=".json,application/json,.zip,application/zip"
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
      {progress && (
        <div className="stack gap-4">
          <Progress percent={Math.round((100 * progress.done) / progress.of)} showInfo={false} />
          <div className="spread">
            <span role="status">{wording.progress(progress.done, progress.of)}</span>
            <Button onClick={stop}>{wording.stop}</Button>
          </div>
        </div>
      )}
      <div className="row">
        <Button href="/models/schema.json">{wording.schema}</Button>
        <Button href="/models/all.zip" download>
          {wording.allAsZip}
        </Button>
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
