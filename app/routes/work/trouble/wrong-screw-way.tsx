import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import { safeLengthMm } from '../../../../core/screws/safe-length';
import { pieceName, thingName } from '../../../../words/things';
import type { WayProps } from './way';
import { Spares } from './spares-list';

/** A screw that does not belong into this hole: aside with it, and another one from the box. */
export function WrongScrewWay(wayProps: WayProps) {
  const { index, state, target, onReport } = wayProps;
  const hole = target!;
  const here = Object.keys(state.place).filter((piece) => state.place[piece] === `mat/${hole}`);
  const safe = safeLengthMm(index.fasteners.get(hole)!);
  return (
    <>
      <p>{wording.takesMmAtMostMeasure(thingName(index, hole), safe)}</p>
      <div className="row">
        {here.map((piece) => (
          <Button key={piece} onClick={() => onReport({ type: 'pieceSetAside', piece, to: 'owner' })}>
            {wording.goesIntoTheOwnersBag(pieceName(index, piece))}
          </Button>
        ))}
      </div>
      <Spares {...wayProps} fastener={hole} />
    </>
  );
}
