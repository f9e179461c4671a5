import * as wording from '../../../words/screens/sort';
import { Button, Tag } from 'antd';
import { DataTable } from '../../ui/data-table';
import type { MixedState } from './use-mixed-screws';
import type { Measured } from './use-measured-screws';

/** What has been measured, the latest first, with the hole that each is most likely from. */
export function MeasuredTable({ mixed, onMeasure }: { mixed: MixedState; onMeasure: () => void }) {
  const { screws, setScrews, headOf, setHeadOf } = mixed;
  return (
    <section className="card" aria-label={wording.measured}>
      <DataTable
        name={wording.measuredScrews}
        rows={screws.toReversed()}
        rowKey={(s) => s.id}
        columns={[
          { title: wording.screw, className: 'strong', cell: (s) => s.id },
          { title: wording.drive2, cell: (s) => <DriveOf screw={s} mixed={mixed} /> },
          { title: wording.length, className: 'nowrap', cell: (s) => `${s.lengthMm} mm` },
          {
            title: wording.head,
            cell: (s) =>
              s.headMm === undefined ? (
                <Button
                  aria-label={wording.measureTheHeadOf(s.id)}
                  onClick={() => {
                    setHeadOf(s.id);
                    onMeasure();
                  }}
                >
                  {headOf === s.id ? '…' : wording.measure2}
                </Button>
              ) : (
                `${s.headMm} mm`
              ),
          },
          { title: wording.mostLikelyFrom, cell: (s) => <HoleOf screw={s} mixed={mixed} /> },
          {
            title: <span className="sr">{wording.remove}</span>,
            cell: (s) => (
              <Button
                aria-label={wording.removeOf(s.id)}
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

function DriveOf({ screw, mixed }: { screw: Measured; mixed: MixedState }) {
  const { holeOf, ofHole, chosen, screws, setScrews } = mixed;
  const hole = holeOf.get(screw.id);
  if (screw.drive) return screw.drive;
  return (
    <>
      <span className="muted">{hole ? `${ofHole.get(hole)!.drive}?` : wording.notSaid}</span>
      {chosen && (
        <Button
          className="beside"
          onClick={() => setScrews(screws.map((x) => (x.id === screw.id ? { ...x, drive: chosen } : x)))}
        >
          {wording.itIs(chosen)}
        </Button>
      )}
    </>
  );
}

function HoleOf({ screw, mixed: { mixed, holeOf } }: { screw: Measured; mixed: MixedState }) {
  const hole = holeOf.get(screw.id);
  const doubt = mixed?.sorted.doubtful.find((d) => d.hole === hole);
  const risk = mixed?.sorted.dangerous.find((d) => d.screw === screw.id && d.hole === hole);
  return (
    <>
      <span className={hole ? 'strong' : 'brick strong'}>{hole ?? wording.noHoleAStray}</span>
      {doubt && (
        <Tag className="beside" color="warning">
          {doubt.instead ? wording.or(doubt.instead) : wording.inDoubt}
        </Tag>
      )}
      {risk && <div className="brick small">{wording.tooLong(risk.why)}</div>}
    </>
  );
}
