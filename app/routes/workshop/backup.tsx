import { useFormats } from '../../ui/formats';
import { Button } from 'antd';
import type { BackupFile } from '../../../core/wire/backup-file';
import * as wording from '../../../words/screens/workshop';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';
import { Kept, useChange } from './use-change';

/** Younger than this a backup is one to rely on, ms. */
const freshMs = 36 * 3_600_000;

/** What has been saved of the workshop, and saving it now. */
export function Backup({ files, now }: { files: BackupFile[]; now: number }) {
  const { soon } = useFormats();
  const { change, busy, said } = useChange();
  const [latest] = files;
  return (
    <section className="card stack gap-8" id="backup">
      <div className="spread">
        <h2>{wording.backup}</h2>
        <Kept said={said} />
      </div>
      {(!latest || now - latest.madeAt > freshMs) && (
        <Note tone="warn">{latest ? wording.backupOld(soon(latest.madeAt, now)) : wording.backupNone}</Note>
      )}
      {latest && (
        <DataTable
          name={wording.backup}
          rows={files.slice(0, 5)}
          rowKey={(file) => file.name}
          bare
          columns={[
            {
              title: wording.made,
              cell: (file) => <span suppressHydrationWarning>{soon(file.madeAt, now)}</span>,
            },
            { title: wording.size, align: 'right', cell: (file) => wording.inMb(file.bytes) },
            {
              title: '',
              align: 'right',
              cell: (file) => (
                <Button href={`/backups/${file.name}`} aria-label={wording.downloadOf(file.name)}>
                  {wording.download}
                </Button>
              ),
            },
          ]}
        />
      )}
      <div className="row">
        <Button loading={busy} onClick={() => change({ do: 'back up' })}>
          {wording.backUpNow}
        </Button>
      </div>
      <p className="muted small">{wording.backupMeans}</p>
    </section>
  );
}
