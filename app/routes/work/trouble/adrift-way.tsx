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
      return `still in hole ${s.thing}: wiggle it`;
    case 'on the bit':
      return `on the ${driveName[s.thing] ?? s.thing} bit`;
    case 'under the piece':
      return `under or on the ${thingName(index, s.thing)} in the tray`;
    case 'on a magnet':
      return `on the ${thingName(index, s.thing)}, magnetic, ${s.awayMm} mm away`;
    case 'on tacky edge':
      return `on the sticky ${thingName(index, s.thing)}, ${s.awayMm} mm away`;
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
            <span className="label">{`${pieceName(index, piece)} is adrift: look here, in this order`}</span>
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
              >{`${pieceName(index, piece)} is found`}</Button>
            </div>
            {index.fasteners.has(hole) && <Spares {...p} fastener={hole} />}
            <span className="small muted">
              A screw from the box fills the hole; the lost one stays adrift and stops closing until it is
              found.
            </span>
          </div>
        );
      })}
      {losable.length > 0 && (
        <Field label="Lost: which piece is not where it should be?" htmlFor="lost">
          <Pick<string>
            id="lost"
            placeholder="choose…"
            onChange={(value) => onReport({ type: 'lost', piece: value })}
            options={[...losable.map((x) => ({ value: x, label: pieceName(index, x) }))]}
          />
        </Field>
      )}
    </>
  );
}
