import { Button, Tag } from 'antd';
import { DataTable } from '../../ui/data-table';
import type { HeapState } from './use-heap';
import type { Measured } from './use-measured-screws';

/** What has been measured, the latest first, with the hole that each is most likely from. */
export function MeasuredTable({ heap, onMeasure }: { heap: HeapState; onMeasure: () => void }) {
  const { screws, setScrews, headOf, setHeadOf } = heap;
  return (
    <section className="card" aria-label="Measured">
      <DataTable
        name="Measured screws"
        rows={screws.toReversed()}
        rowKey={(s) => s.id}
        columns={[
          { title: 'screw', className: 'strong', cell: (s) => s.id },
          { title: 'drive', cell: (s) => <DriveOf screw={s} heap={heap} /> },
          { title: 'length', className: 'nowrap', cell: (s) => `${s.lengthMm} mm` },
          {
            title: 'head',
            cell: (s) =>
              s.headMm === undefined ? (
                <Button
                  aria-label={`Measure the head of ${s.id}`}
                  onClick={() => {
                    setHeadOf(s.id);
                    onMeasure();
                  }}
                >
                  {headOf === s.id ? '…' : 'measure'}
                </Button>
              ) : (
                `${s.headMm} mm`
              ),
          },
          { title: 'most likely from', cell: (s) => <HoleOf screw={s} heap={heap} /> },
          {
            title: <span className="sr">remove</span>,
            cell: (s) => (
              <Button
                aria-label={`Remove ${s.id}`}
                onClick={() => setScrews(screws.filter((x) => x.id !== s.id))}
              >
                ×
              </Button>
            ),
          },
        ]}
      />
    </section>
  );
}

function DriveOf({ screw, heap }: { screw: Measured; heap: HeapState }) {
  const { holeOf, ofHole, chosen, screws, setScrews } = heap;
  const hole = holeOf.get(screw.id);
  if (screw.drive) return screw.drive;
  return (
    <>
      <span className="muted">{hole ? `${ofHole.get(hole)!.drive}?` : 'not said'}</span>
      {chosen && (
        <Button
          className="beside"
          onClick={() => setScrews(screws.map((x) => (x.id === screw.id ? { ...x, drive: chosen } : x)))}
        >{`it is ${chosen}`}</Button>
      )}
    </>
  );
}

function HoleOf({ screw, heap: { heap, holeOf } }: { screw: Measured; heap: HeapState }) {
  const hole = holeOf.get(screw.id);
  const doubt = heap?.sorted.doubtful.find((d) => d.hole === hole);
  const risk = heap?.sorted.dangerous.find((d) => d.screw === screw.id && d.hole === hole);
  return (
    <>
      <span className={hole ? 'strong' : 'brick strong'}>{hole ?? 'no hole: a stray'}</span>
      {doubt && (
        <Tag className="beside" color="warning">
          {doubt.instead ? `or ${doubt.instead}` : 'in doubt'}
        </Tag>
      )}
      {risk && <div className="brick small">{`too long: ${risk.why}`}</div>}
    </>
  );
}
