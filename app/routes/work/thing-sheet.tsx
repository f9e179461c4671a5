import * as wording from '../../../words/screens/work';
import { Button } from 'antd';
import type { Body } from '../../../core/log/events';
import type { JobState } from '../../../core/log/state';
import { newPiece, originalPiece } from '../../../core/vocabulary/pieces';
import { isHooked, isOn, isWhole, pieceInHole, pieceInSlot, poseOf } from '../../../core/log/view';
import type { IndexedModel } from '../../../core/model/index-model';
import { Sheet } from '../../ui/sheet';
import { thingName } from '../../../words/things';

type Report = [label: string, body: Body];
/** What can have happened to a thing, as it stands now. */
function reportsOf(index: IndexedModel, state: JobState, id: string): Report[] {
  if (index.fasteners.has(id)) return ofScrew(state, id);
  if (index.connectors.has(id))
    return isOn(state, id)
      ? [
          [wording.itIsOff, { type: 'connectorOff', connector: id }],
          ['reseated', { type: 'reseated', connector: id }],
        ]
      : [[wording.itIsOn, { type: 'connectorOn', connector: id }]];
  if (index.bonds.has(id))
    return isWhole(state, id)
      ? [
          [wording.itCameAwayWhole, { type: 'bondReleased', bond: id, torn: false }],
          [wording.itTore, { type: 'bondReleased', bond: id, torn: true }],
        ]
      : [[wording.itIsRenewed, { type: 'bondRenewed', bond: id }]];
  if (index.catches.has(id))
    return isHooked(state, id)
      ? [[wording.itIsFree, { type: 'catchFreed', catch: id }]]
      : [[wording.itIsHooked, { type: 'catchHooked', catch: id }]];
  return index.slots.has(id) ? ofPiece(index, state, id) : [];
}
function ofScrew(state: JobState, id: string): Report[] {
  const own = Object.keys(state.place).find((p) => state.place[p] === `mat/${id}`) ?? originalPiece(id);
  const inside = pieceInHole(state, id);
  const moves: Report[] = inside
    ? [[wording.isOut(id), { type: 'screwOut', fastener: id, piece: inside }]]
    : [
        [wording.isIn(id), { type: 'screwIn', fastener: id, piece: own }],
        [wording.anotherScrewIsIn(id), { type: 'screwIn', fastener: id, piece: newPiece(id) }],
      ];
  return state.place[own] === 'adrift'
    ? moves
    : [...moves, [wording.isLost(id), { type: 'lost', piece: inside ?? own }]];
}
function ofPiece(index: IndexedModel, state: JobState, id: string): Report[] {
  const here = pieceInSlot(state, id);
  const pose = poseOf(state, id);
  if (!here) {
    const loose = Object.keys(state.place).find((p) => p.startsWith(`${id}#`) && state.place[p] === 'tray');
    return loose ? [[wording.itIsBack, { type: 'pieceFitted', slot: id, piece: loose, pose: 'in' }]] : [];
  }
  const away = index.slots
    .get(id)!
    .ways.filter((w) => w.to !== pose)
    .map((w): Report => [wording.itIs(w.to), { type: 'pieceMoved', slot: id, pose: w.to }]);
  return pose === 'in'
    ? away
    : [...away, [wording.itIsBackInPlace, { type: 'pieceFitted', slot: id, piece: here, pose: 'in' }]];
}

/** What can be reported of one thing on the map, in whatever order it happened: facts are always taken. */
export function ThingSheet({
  index,
  state,
  id,
  onClose,
  onReport,
  onNote,
}: {
  index: IndexedModel;
  state: JobState;
  id: string;
  onClose: () => void;
  onReport: (b: Body) => void;
  onNote: () => void;
}) {
  const options = reportsOf(index, state, id);
  const fastener = index.fasteners.get(id);
  const connector = index.connectors.get(id);
  return (
    <Sheet title={thingName(index, id)} onClose={onClose}>
      {fastener && (
        <p className="muted">
          {wording.mmHoldsThe(
            fastener.name,
            fastener.drive,
            fastener.lengthMm,
            fastener.holds.map((h) => thingName(index, h)).join(wording.andThe),
          )}
        </p>
      )}
      {connector && (
        <p className="muted">
          {wording.joins(
            connector.press === 'ends'
              ? wording.widePressOneEndThen
              : connector.press === 'middle'
                ? wording.pressItsMiddleStraightDown
                : wording.pressStraightDownUntilIt,
            connector.joins.map((j) => `the ${thingName(index, j)}`).join(' and '),
          )}
        </p>
      )}
      <p>{wording.reportWhatHasHappenedAlso}</p>
      <div className="row">
        {options.map(([label, body]) => (
          <Button key={label} onClick={() => onReport(body)}>
            {label}
          </Button>
        ))}
        {options.length === 0 && <span className="muted">{wording.nothingToReportForIt}</span>}
        <Button onClick={onNote}>{wording.noteLabel}</Button>
      </div>
    </Sheet>
  );
}
