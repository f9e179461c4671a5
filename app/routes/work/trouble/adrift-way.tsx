import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import { originalPiece } from '../../../../core/vocabulary/pieces';
import { pieceInHole } from '../../../../core/log/view';
import { searchPlaces, type SearchPlace } from '../../../../core/screws/search-places';
import type { IndexedModel } from '../../../../core/model/index-model';
import { driveName, pieceName, thingName } from '../../../../words/things';
import type { WayProps } from './way';
import { Field } from '../../../ui/field';
import { Pick } from '../../../ui/pick';
import { Spares } from './spares-list';

const whereText = (index: IndexedModel, s: SearchPlace): string => {
  switch (s.where) {
    case 'in its hole still':
      return wording.stillInHoleWiggleIt(s.thing);
    case 'on the bit':
      return wording.onTheBit(driveName[s.thing] ?? s.thing);
    case 'under the piece':
      return wording.underOrOnTheIn(thingName(index, s.thing));
    case 'on a magnet':
      return wording.onTheMagneticMmAway(thingName(index, s.thing), s.awayMm);
    case 'on tacky edge':
      return wording.onTheStickyMmAway(thingName(index, s.thing), s.awayMm);
  }
};
/** Lost and found: a search list from the model, by identity. */
export function AdriftWay(p: WayProps) {
  const { index, state, target, onReport } = p;
  const adrift = Object.keys(state.place).filter((x) => state.place[x] === 'adrift');
  const loose = Object.keys(state.place).filter(
    (x) => state.place[x]!.startsWith('mat/') || state.place[x] === 'tray' || state.place[x] === 'mixed',
  );
  const current =
    target && index.fasteners.has(target) ? (pieceInHole(state, target) ?? originalPiece(target)) : undefined;
  const losable = [...new Set([...(current ? [current] : []), ...loose])].filter(
    (x) => state.place[x] !== 'adrift',
  );
  return (
    <>
      {adrift.map((piece) => {
        const hole = piece.slice(0, piece.lastIndexOf('#'));
        return (
          <div key={piece} className="field">
            <span className="label">{wording.isAdriftLookHereIn(pieceName(index, piece))}</span>
            <ol className="m-0 indent-20">
              {searchPlaces(index, state, hole).map((s) => (
                <li key={`${s.where} ${s.thing}`}>{whereText(index, s)}</li>
              ))}
            </ol>
            <div className="row">
              <Button
                type="primary"
                onClick={() =>
                  onReport({
                    type: 'found',
                    piece,
                    ...(index.fasteners.has(hole) ? {} : { tray: true as const }),
                  })
                }
              >
                {wording.isFound(pieceName(index, piece))}
              </Button>
            </div>
            {index.fasteners.has(hole) && <Spares {...p} fastener={hole} />}
            <span className="small muted">{wording.aScrewFromTheBox}</span>
          </div>
        );
      })}
      {losable.length > 0 && (
        <Field label={wording.lostWhichPieceIsNot} htmlFor="lost">
          <Pick<string>
            id="lost"
            placeholder={wording.choose}
            onChange={(value) => onReport({ type: 'lost', piece: value })}
            options={[...losable.map((x) => ({ value: x, label: pieceName(index, x) }))]}
          />
        </Field>
      )}
    </>
  );
}
