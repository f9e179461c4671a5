import * as wording from '../../words/screens/csv-import';
import { Button, Upload } from 'antd';
import { useState } from 'react';
import { Field } from './field';
import { Note } from './note';

/** The largest file, bytes. */
const most = 900_000;
/** A CSV file is taken in whole or not at all; what is wrong is said by line. */
export function CsvImport({
  title = wording.importIt,
  hint,
  accept = '.csv,text/csv',
  error,
  onCsv,
}: {
  title?: string;
  hint: string;
  accept?: string;
  error: string | undefined;
  onCsv: (csv: string) => void;
}) {
  const [wrong, setWrong] = useState<string>();
  return (
    <section className="card stack" aria-label={title}>
      <h2>{title}</h2>
      <p className="small muted">{hint}</p>
      <Field label={wording.csvFile} htmlFor="csv">
        <Upload
          id="csv"
          accept={accept}
          showUploadList={false}
          beforeUpload={(rcFile) => {
            if (rcFile.size > most) setWrong(wording.theFileHasKbAt(Math.round(rcFile.size / 1000)));
            else {
              setWrong(undefined);
              void rcFile.text().then(onCsv);
            }
            return false;
          }}
        >
          <Button>{wording.chooseAFile}</Button>
        </Upload>
      </Field>
      {(wrong ?? error) && (
        <Note tone="stop" role="alert">
          {wrong ?? error}
        </Note>
      )}
    </section>
  );
}
