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

const whereText = (index: IndexedModel, searchPlace: SearchPlace): string => {
  switch (searchPlace.where) {
    case 'in its hole still':
      return wording.stillInHoleWiggleIt(searchPlace.thing);
    case 'on the bit':
      return wording.onTheBit(driveName[searchPlace.thing] ?? searchPlace.thing);
    case 'under the piece':
      return wording.underOrOnTheIn(thingName(index, searchPlace.thing));
    case 'on a magnet':
      return wording.onTheMagneticMmAway(thingName(index, searchPlace.thing), searchPlace.awayMm);
    case 'on tacky edge':
      return wording.onTheStickyMmAway(thingName(index, searchPlace.thing), searchPlace.awayMm);
  }
};
/** Lost and found: a search list from the model, by identity. */
export function AdriftWay(wayProps: WayProps) {
  const { index, state, target, onReport } = wayProps;
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
              {searchPlaces(index, state, hole).map((searchPlace) => (
                <li key={`${searchPlace.where} ${searchPlace.thing}`}>{whereText(index, searchPlace)}</li>
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
            {index.fasteners.has(hole) && <Spares {...wayProps} fastener={hole} />}
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
