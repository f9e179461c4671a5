import { useState } from 'react';

/** A CSV file is taken in whole or not at all; what is wrong is said by line. */
export function CsvImport({
  hint,
  error,
  onCsv,
}: {
  hint: string;
  error: string | undefined;
  onCsv: (csv: string) => void;
}) {
  const [wrong, setWrong] = useState<string>();
  return (
    <section className="card stack" aria-label="Import">
      <h2>Import</h2>
      <p className="small muted">{hint}</p>
      <div className="field">
        <label htmlFor="csv" className="small">
          CSV file
        </label>
        <input
          id="csv"
          type="file"
          accept=".csv,text/csv"
          onChange={(e) => {
            const f = e.target.files?.[0];
            e.target.value = '';
            if (!f) return;
            if (f.size > 900_000) {
              setWrong(`The file has ${Math.round(f.size / 1000)} kB; at most 900 kB at a time.`);
              return;
            }
            setWrong(undefined);
            void f.text().then(onCsv);
          }}
        />
      </div>
      {(wrong ?? error) && (
        <div className="note stop" role="alert">
          {wrong ?? error}
        </div>
      )}
    </section>
  );
}
