import { Button } from 'antd';
import type { Learnt as Measured } from '../../../core/record/learn';
import * as wording from '../../../words/screens/models';
import { plural } from '../../../words/things';
import { DataTable } from '../../ui/data-table';
import { Kept, useChange } from '../workshop/use-change';

const figure = (mm: number) => mm.toFixed(2);
/** What the jobs of a model measured, with how many and how far apart; what they prove otherwise can be taken over. */
export function Learnt({ hash, learnt, may }: { hash: string; learnt: Measured[]; may: boolean }) {
  const { change, busy, said } = useChange();
  const proposed = learnt.filter((l) => l.proposedMm !== undefined);
  if (!learnt.length) return null;
  return (
    <section className="card stack gap-8" aria-label={wording.learnt}>
      <h2>{wording.learnt}</h2>
      <DataTable
        name={wording.learnt}
        rows={learnt}
        rowKey={(l) => l.id}
        columns={[
          { title: wording.thing, cell: (l) => `${l.id} ${l.name}`, sort: (l) => l.id },
          { title: wording.modelSays, align: 'right', cell: (l) => `${figure(l.modelMm)} mm` },
          {
            title: wording.measured,
            cell: (l) => wording.jobsSay(figure(l.meanMm), figure(l.spreadMm), plural(l.jobs, 'job')),
          },
          {
            title: wording.proposed,
            align: 'right',
            cell: (l) => (l.proposedMm === undefined ? wording.agrees : `${figure(l.proposedMm)} mm`),
          },
        ]}
      />
      {may && proposed.length > 0 && (
        <div className="row">
          <Button
            type="primary"
            loading={busy}
            onClick={() => change({ do: 'learn', hash, screws: proposed.map((l) => l.id) })}
          >
            {wording.takeOver}
          </Button>
          <Kept said={said} />
        </div>
      )}
      {may && proposed.length > 0 && <p className="muted small m-0">{wording.takeOverMeans}</p>}
    </section>
  );
}
