import { Button } from 'antd';
import { safeLengthMm } from '../../../../core/screws/safe-length';
import { pieceName, thingName } from '../../../../words/things';
import type { WayProps } from './way';
import { Spares } from './spares-list';

/** A screw that does not belong into this hole: aside with it, and another one from the box. */
export function WrongScrewWay(p: WayProps) {
  const { index, state, target, onReport } = p;
  const hole = target!;
  const here = Object.keys(state.place).filter((piece) => state.place[piece] === `mat/${hole}`);
  const safe = safeLengthMm(index.fasteners.get(hole)!);
  return (
    <>
      <p>{`${thingName(index, hole)} takes ${safe} mm at most. Measure once more: a burr or a tilted jaw adds a tenth. If it stands, this screw goes back to the owner, not into the phone.`}</p>
      <div className="row">
        {here.map((piece) => (
          <Button
            key={piece}
            onClick={() => onReport({ type: 'pieceSetAside', piece, to: 'owner' })}
          >{`${pieceName(index, piece)} goes into the owner’s bag`}</Button>
        ))}
      </div>
      <Spares {...p} fastener={hole} />
    </>
  );
}
