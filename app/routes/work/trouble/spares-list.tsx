import * as wording from '../../../../words/screens/trouble';
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
  'same in everything': wording.theSameInEverything,
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
      <span className="label">
        {wording.fromTheBoxFor(
          fastener,
          driveName[f.drive] ?? f.drive,
          f.thread,
          f.lengthMm,
          safeLengthMm(f),
        )}
      </span>
      {fit.length === 0 ? (
        <span className="muted">
          {wording.nothingInTheBoxFits(
            not.length ? wording.lookedAtNoneWithThis(plural(not.length, 'kind')) : '',
          )}
        </span>
      ) : (
        <ul className="list">
          {fit.slice(0, 4).map(({ spare, why }) => (
            <li key={spare.id} className="row">
              <Recess drive={spare.drive as 'P2'} size={22} />
              <span className="fill">
                {wording.mmHead(spare.drive, spare.thread, spare.lengthMm, spare.headMm)}
                <span className="small muted">
                  {wording.left(why.map((w) => goodText[w]).join(', '), spare.count)}
                </span>
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
                {wording.takeIt}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
