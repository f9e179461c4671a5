import type { ReactNode } from 'react';
import { CsvImport } from './csv-import';
import { Note } from './note';

type Answer = { ok: true; said: string } | { ok: false; errors: Record<string, string> };
/** What stands beside a drawer of the stock: what came of the last change, and for those who may, adding and importing. */
export function StockSide({
  said,
  may,
  hint,
  accept,
  whoMay,
  onCsv,
  children,
}: {
  said: Answer | undefined;
  may: boolean;
  /** The columns of a file. */
  hint: string;
  /** Kinds of file, where it is not CSV alone. */
  accept?: string;
  /** For those who may not: who does, and what is theirs. */
  whoMay: string;
  onCsv: (csv: string) => void;
  children: ReactNode;
}) {
  return (
    <div className="stack">
      {said?.ok && (
        <Note tone="safe" role="status">
          {said.said}
        </Note>
      )}
      {said && !said.ok && said.errors.form && (
        <Note tone="stop" role="alert">
          {said.errors.form}
        </Note>
      )}
      {may ? (
        <>
          {children}
          <CsvImport
            {...(accept ? { accept } : {})}
            hint={hint}
            error={said && !said.ok ? said.errors.csv : undefined}
            onCsv={onCsv}
          />
        </>
      ) : (
        <section className="card">
          <p className="muted">{whoMay}</p>
        </section>
      )}
    </div>
  );
}
