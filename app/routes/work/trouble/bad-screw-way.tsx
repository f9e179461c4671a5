import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import type { Body, TroubleKind } from '../../../../core/log/events';
import { noHeat } from '../../../../core/vocabulary/conditions';
import { originalPiece } from '../../../../core/vocabulary/pieces';
import { hasCondition, pieceInHole } from '../../../../core/log/view';
import { list, thingName } from '../../../../words/things';
import type { WayProps } from './way';
import { Note } from '../../../ui/note';
import { Spares } from './spares-list';

const screwAdvice: Record<'stripped head' | 'stuck' | 'bad thread', readonly string[]> = {
  // common practice
  'stripped head': [wording.aFreshBitStraightDown, wording.aStripOfRubberOr, wording.lastABitGluedOn],
  stuck: [wording.threadLockTouchTheHead, wording.aDropOfAlcoholWait, wording.itTurnsButStaysIn],
  'bad thread': [wording.startItByHandBackwards, wording.aScrewALittleLonger, wording.neverGlueAScrewOf],
};
/** A screw that will not come, or a hole that does not hold: short advice, then what became of it. */
export function BadScrewWay(p: WayProps & { kind: TroubleKind }) {
  const { index, state, target, onReport } = p;
  const kind = p.kind as keyof typeof screwAdvice;
  const f = target!;
  const inside = pieceInHole(state, f);
  const hot = noHeat.filter((c) => hasCondition(state, c));
  const piece = inside ?? originalPiece(f);
  const scrapped: Body[] = [
    ...(inside ? [{ type: 'screwOut' as const, fastener: f, piece: inside }] : []),
    { type: 'pieceSetAside', piece, to: 'scrap' },
  ];
  return (
    <>
      <ol className="m-0 indent-20">
        {screwAdvice[kind].map((t) => (
          <li key={t}>{t}</li>
        ))}
      </ol>
      {kind === 'stuck' && hot.length > 0 && <Note tone="stop">{wording.theCellIsMarkedNo(list(hot))}</Note>}
      <div className="row">
        {kind !== 'bad thread' && inside && (
          <Button
            onClick={() =>
              onReport(
                { type: 'troubled', kind, thing: f },
                ...(kind === 'stripped head'
                  ? scrapped
                  : [{ type: 'screwOut' as const, fastener: f, piece }]),
                {
                  type: 'troubleEnded',
                  kind,
                  thing: f,
                  how: kind === 'stripped head' ? 'it came out; scrapped' : 'it came out',
                },
              )
            }
          >
            {kind === 'stripped head' ? wording.isOutScrapIt(f) : wording.isOut(f)}
          </Button>
        )}
        {state.trouble[`${kind} ${f}`] ? (
          <Button onClick={() => onReport({ type: 'troubleEnded', kind, thing: f, how: 'holds now' })}>
            {wording.itIsSettled}
          </Button>
        ) : (
          <Button onClick={() => onReport({ type: 'troubled', kind, thing: f })}>
            {wording.itStandsForNowRecord}
          </Button>
        )}
      </div>
      {(kind !== 'stuck' || !inside) && <Spares {...p} fastener={f} />}
      <p className="small muted">{wording.closingTheDeviceWaitsUntil(thingName(index, f))}</p>
    </>
  );
}
