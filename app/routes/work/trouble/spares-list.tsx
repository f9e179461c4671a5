import { Button } from 'antd';
import { newPiece } from '../../../../core/vocabulary/pieces';
import { safeLengthMm } from '../../../../core/screws/safe-length';
import { substitutesFor, type Substitute } from '../../../../core/screws/substitutes';
import { Recess } from '../../../ui/recess';
import { driveName, plural } from '../../../../words/things';
import type { WayProps } from './way';

/** The id of the next replacement for a hole. */
function nextPiece(state: WayProps['state'], fastener: string): string {
  for (let n = 1; ; n++) if (state.place[newPiece(fastener, n)] === undefined) return newPiece(fastener, n);
}
const goodText: Record<Substitute['why'][number], string> = {
  'same in everything': 'the same in everything',
  shorter: 'shorter',
  'longer, still safe': 'longer, still safe',
  'smaller head': 'smaller head',
  'other drive': 'other drive',
};

/** What the spares box has for a hole, best first, with the reason. */
export function Spares({ index, state, spares, fastener, onReport }: WayProps & { fastener: string }) {
  const f = index.fasteners.get(fastener)!;
  const { fit, not } = substitutesFor(f, spares);
  return (
    <div className="field">
      <span className="label">{`From the spares box for ${fastener} (${driveName[f.drive]}, ${f.thread}, ${f.lengthMm} mm, at most ${safeLengthMm(f)} mm)`}</span>
      {fit.length === 0 ? (
        <span className="muted">{`Nothing in the box fits${not.length ? `: ${plural(not.length, 'kind')} looked at, none with this thread, length and head` : ''}. Order one; until then the hole stays empty and closing is stopped.`}</span>
      ) : (
        <ul className="list">
          {fit.slice(0, 4).map(({ spare, why }) => (
            <li key={spare.id} className="row">
              <Recess drive={spare.drive as 'P2'} size={22} />
              <span className="fill">
                {`${spare.drive} ${spare.thread} × ${spare.lengthMm} mm, head ${spare.headMm}`}
                <span className="small muted">{` · ${why.map((w) => goodText[w]).join(', ')} · ${spare.count} left`}</span>
              </span>
              <Button
                onClick={() =>
                  onReport({
                    type: 'substituted',
                    fastener,
                    piece: nextPiece(state, fastener),
                    spare: spare.id,
                    drive: spare.drive as 'P2',
                    thread: spare.thread,
                    lengthMm: spare.lengthMm,
                    headMm: spare.headMm,
                  })
                }
              >
                Take it
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
