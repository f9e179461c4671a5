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
  'stripped head': [
    'A fresh bit, straight down, more weight than turn.',
    'A strip of rubber or film between bit and head; then a bit one size up.',
    'Last: a bit glued on, or the head filed away. Cover the board and take up every chip of metal.',
  ],
  stuck: [
    'Thread-lock: touch the head with a hot iron tip for a few seconds, then turn. Never near the cell, never on a marked cell.',
    'A drop of alcohol, wait, a short turn to tighten, then out.',
    'It turns but stays in the hole: wiggle it out with tweezers.',
  ],
  'bad thread': [
    'Start it by hand, backwards until it drops in, then forwards.',
    'A screw a little longer that is still safe reaches whole thread.',
    'Never glue a screw of the board.',
  ],
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
      {kind === 'stuck' && hot.length > 0 && (
        <Note tone="stop">{`The cell is marked ${list(hot)}: no iron, no heat.`}</Note>
      )}
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
                  type: 'eased',
                  kind,
                  thing: f,
                  how: kind === 'stripped head' ? 'it came out; scrapped' : 'it came out',
                },
              )
            }
          >
            {kind === 'stripped head' ? `${f} is out, scrap it` : `${f} is out`}
          </Button>
        )}
        {state.trouble[`${kind} ${f}`] ? (
          <Button onClick={() => onReport({ type: 'eased', kind, thing: f, how: 'holds now' })}>
            It is settled
          </Button>
        ) : (
          <Button onClick={() => onReport({ type: 'troubled', kind, thing: f })}>
            It stands for now: record it
          </Button>
        )}
      </div>
      {(kind !== 'stuck' || !inside) && <Spares {...p} fastener={f} />}
      <p className="small muted">{`${thingName(index, f)}: closing the device waits until it is settled.`}</p>
    </>
  );
}
