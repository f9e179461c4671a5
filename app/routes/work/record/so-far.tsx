import { Button } from 'antd';
import type { MetEntry } from '../../../../core/log/met-schema';
import { poseOf } from '../../../../core/log/view';
import { inOrder, type MetPart, needsOf } from '../../../../core/record/holds';
import * as wording from '../../../../words/screens/record';
import { DataTable } from '../../../ui/data-table';
import { Note } from '../../../ui/note';
import { noFocus } from '../work-keys';
import { offNow } from './part-form';
import type { RecordState } from './use-record';

/** What can be done with the device already, how sure that is, and the way back. */
export function SoFar({ record }: { record: RecordState }) {
  const { state, loose, isOff, planning } = record;
  const parts = inOrder(state.met).filter((m): m is MetPart => m.kind === 'part');
  const hanging = parts.filter((p) => ['folded', 'shifted'].includes(poseOf(state, p.id)));
  const way = (part: MetPart) => {
    const needs = needsOf(part);
    const of = (kind: MetEntry['kind']) => needs.filter((id) => state.met[id]?.kind === kind).length;
    return wording.wayText(of('fastener'), of('connector'), of('bond'), of('catch'));
  };
  if (!Object.keys(state.met).length) return <Note>{wording.nothingYet}</Note>;
  return (
    <>
      {hanging.map((part) => (
        <Button
          key={part.id}
          onMouseDown={noFocus}
          onClick={() => {
            const { seq: _, under: __, ...thing } = part;
            isOff(offNow(thing, loose), true);
          }}
        >
          {wording.nowOff(part.name)}
        </Button>
      ))}
      <DataTable
        name={wording.canDo}
        rows={parts}
        rowKey={(part) => part.id}
        empty={wording.noPartYet}
        columns={[
          { title: wording.part, cell: (part) => part.name },
          { title: wording.wayOut, cell: way },
          { title: wording.sure, cell: (part) => (needsOf(part).length ? wording.said : wording.seen) },
        ]}
      />
      <p className="muted small m-0">{wording.safeSide}</p>
      <Button loading={planning.busy} onMouseDown={noFocus} onClick={() => planning.run()}>
        {wording.wayBack}
      </Button>
      <p className="muted small m-0">{wording.wayBackMeans}</p>
      {planning.error && (
        <Note tone="stop" role="alert">
          {planning.error}
        </Note>
      )}
    </>
  );
}
