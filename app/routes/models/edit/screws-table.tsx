import { Button } from 'antd';
import { useState } from 'react';
import type { Fastener } from '../../../../core/model/schema';
import { takeScrews } from '../../../../core/model/screws-table';
import * as wording from '../../../../words/screens/edit-model';
import { plural } from '../../../../words/things';
import { CsvImport } from '../../../ui/csv-import';
import type { Editor } from './use-editor';

/** The screws of a model as a table, out and in: whole, or not at all. */
export function ScrewsTable({ editor }: { editor: Editor }) {
  const { hash, model, index, change } = editor;
  const [wrong, setWrong] = useState<string>();
  const [taken, setTaken] = useState<number>();
  const bring = async (csv: string) => {
    setTaken(undefined);
    const said = await fetch(`/models/${hash}/screws.csv`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ csv, screws: model.fasteners }),
    })
      .then((res) => res.json() as Promise<{ ok: true; screws: Fastener[] } | { ok: false; wrong: string }>)
      .catch(() => ({ ok: false as const, wrong: wording.notKept }));
    if (!said.ok) {
      setWrong(said.wrong ?? wording.notKept);
      return;
    }
    setWrong(undefined);
    setTaken(said.screws.length);
    change(takeScrews(index, said.screws));
  };
  return (
    <>
      <CsvImport
        title={wording.screwsFile}
        hint={wording.screwsFileMeans}
        error={wrong}
        onCsv={(csv) => void bring(csv)}
      />
      <div className="row">
        <Button href={`/models/${hash}/screws.csv`}>{wording.takeScrewsOut}</Button>
        {taken !== undefined && (
          <span className="moss" role="status">
            {wording.screwsTaken(plural(taken, 'screw'))}
          </span>
        )}
      </div>
    </>
  );
}
