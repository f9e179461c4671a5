import { Input, Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Body, TroubleKind } from '../../../core/job/events';
import { noHeat } from '../../../core/job/conditions';
import { newPiece, originalPiece } from '../../../core/job/state';
import { hasCondition, isWhole, pieceInHole, pieceInSlot } from '../../../core/job/view';
import { safeLengthMm } from '../../../core/screws/safe-length';
import { searchPlaces, type SearchPlace } from '../../../core/screws/search-places';
import { substitutesFor, type Substitute } from '../../../core/screws/substitutes';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Condition } from '../../../core/model/schema';
import { Recess } from '../../ui/recess';
import { driveName, list, pieceName, plural, thingName } from '../../words/things';
import type { WayProps } from './trouble-sheet';
import { LinkButton } from '../../ui/link-button';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { Note } from '../../ui/note';

const cut = (text: string, most: number) => text.trim().slice(0, most);
function Words({ label, value, set }: { label: string; value: string; set: (t: string) => void }) {
  return (
    <Field label={label} htmlFor="trouble-words">
      <Input.TextArea
        id="trouble-words"
        rows={2}
        maxLength={1000}
        value={value}
        onChange={(e) => set(e.target.value)}
      />
    </Field>
  );
}
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
function Spares({ index, state, spares, fastener, onReport }: WayProps & { fastener: string }) {
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

/** A strip or a seal that tore: alcohol, time, a wide tool. */
export function BondWay({ index, state, step, target, onReport }: WayProps) {
  const torn = Object.keys(state.bond).filter((b) => state.bond[b] === 'torn');
  const now = step?.action === 'release' && target && isWhole(state, target) ? target : undefined;
  const dissolve = (bond: string): Body => ({ type: 'solventApplied', bond, dwellS: 60 });
  return (
    <>
      {now && (
        <div className="row">
          <Button
            danger
            onClick={() => onReport({ type: 'bondReleased', bond: now, torn: true })}
          >{`${thingName(index, now)} tore`}</Button>
        </div>
      )}
      {torn.map((b) => (
        <div key={b} className="stack gap-8">
          <span className="label strong">{`${thingName(index, b)} is torn`}</span>
          {index.bonds.get(b)!.tornThen === 'solvent' ? (
            <>
              <p>
                Alcohol along the edge, 30 to 60 s, then a wide flat plastic tool; never bend the cell, never
                near heat.
              </p>
              <div className="row">
                <Button onClick={() => onReport(dissolve(b))}>
                  {state.acted[`solvent ${b}`] === undefined
                    ? 'Alcohol is on: start the 60 s'
                    : 'Once more: start the 60 s'}
                </Button>
              </div>
            </>
          ) : (
            <p>
              {index.bonds.get(b)!.tornThen === 'heat'
                ? 'Warm it again where the model says, then lift slowly.'
                : 'Cut it with a plastic tool, flat along the frame.'}
            </p>
          )}
        </div>
      ))}
    </>
  );
}

export function StrayWay({ index, state, onReport }: WayProps) {
  const [note, setNote] = useState('');
  const inside = Object.keys(state.stray).filter((s) => state.stray[s] === 'inside');
  const adrift = Object.keys(state.place).filter((x) => state.place[x] === 'adrift');
  return (
    <>
      {adrift.length > 0 && (
        <Note>{`${list(adrift.map((x) => pieceName(index, x)))} ${adrift.length > 1 ? 'are' : 'is'} adrift. Is it one of these? Measure it: only then is it found.`}</Note>
      )}
      {inside.map((s) => (
        <div key={s} className="row">
          <Button
            onClick={() => onReport({ type: 'strayRemoved', stray: s, note: note.trim() || 'taken out' })}
          >{`${s} is out of the device`}</Button>
        </div>
      ))}
      <Words label="What is it, and where?" value={note} set={setNote} />
      <div className="row">
        <Button
          disabled={!note.trim()}
          onClick={() =>
            onReport({
              type: 'strayFound',
              stray: `stray ${Object.keys(state.stray).length + 1}`,
              note: cut(note, 300),
            })
          }
        >
          A loose piece is inside that is not this device’s
        </Button>
      </div>
    </>
  );
}

/** The screws of a mat in one heap: they are mixed until each has been measured. */
export function SpillWay({ state, jobId, onReport }: WayProps) {
  const lying = Object.keys(state.place).filter((x) => state.place[x]!.startsWith('mat/'));
  const mixed = Object.values(state.place).filter((at) => at === 'mixed').length;
  return (
    <>
      <p>
        Leave them where they fell and take them up with a magnet. Each is measured once; the lengths tell
        which hole it is from.
      </p>
      <div className="row">
        {lying.length > 0 && (
          <Button
            danger
            onClick={() => onReport({ type: 'spilled', pieces: lying })}
          >{`${plural(lying.length, 'screw')} on the mat ${lying.length === 1 ? 'is' : 'are'} mixed up`}</Button>
        )}
        {mixed > 0 && (
          <LinkButton type="primary" to={`/jobs/${jobId}/sort`}>{`Sort the ${mixed}`}</LinkButton>
        )}
      </div>
    </>
  );
}

/** Something broke, or the new part is wrong: the tasks change, and with them route, price and agreement. */
export function PartWay({
  index,
  state,
  step,
  kind,
  jobId,
  onReport,
}: WayProps & { kind: 'broken' | 'wrong part' }) {
  const slots = partsOfTrouble(index, state, kind);
  const [slot, setSlot] = useState(step?.about && slots.includes(step.about) ? step.about : (slots[0] ?? ''));
  const [note, setNote] = useState('');
  const how = kind === 'broken' ? 'replaced or repaired' : 'another part is here';
  const Ways = kind === 'broken' ? BrokenPart : WrongPart;
  return (
    <>
      {slots
        .filter((s) => state.trouble[`${kind} ${s}`])
        .map((s) => (
          <div key={s} className="row">
            <span>{`${thingName(index, s)}: ${kind}`}</span>
            <Button onClick={() => onReport({ type: 'eased', kind, thing: s, how })}>Settled</Button>
            <Link to={`/jobs/${jobId}/offer`}>Offer</Link>
          </div>
        ))}
      <Field label={kind === 'broken' ? 'What broke?' : 'Which part?'} htmlFor="trouble-slot">
        <Pick
          id="trouble-slot"
          value={slot}
          onChange={(value) => setSlot(value)}
          options={slots.map((s) => ({ value: s, label: thingName(index, s) }))}
        />
      </Field>
      <Words label="How, and how bad?" value={note} set={setNote} />
      <div className="row">
        <Ways state={state} slot={slot} note={note} onReport={onReport} />
      </div>
    </>
  );
}
/** What can be broken, or the wrong one: of the parts that are replaced, or of all that are here. */
function partsOfTrouble(
  index: WayProps['index'],
  state: WayProps['state'],
  kind: 'broken' | 'wrong part',
): string[] {
  if (kind === 'wrong part') return Object.keys(state.task).filter((s) => state.task[s] === 'replace');
  const inTray = (slot: string) =>
    Object.keys(state.place).some((x) => x.startsWith(`${slot}#`) && state.place[x] === 'tray');
  return index.model.slots
    .filter((s) => pieceInSlot(state, s.id) !== undefined || inTray(s.id))
    .map((s) => s.id);
}
type PartTrouble = Pick<WayProps, 'state' | 'onReport'> & { slot: string; note: string };
const withNote = (note: string) => (note.trim() ? { note: cut(note, 1000) } : {});

function BrokenPart({ state, slot, note, onReport }: PartTrouble) {
  return (
    <>
      <Button
        danger
        disabled={!slot}
        onClick={() =>
          onReport(
            { type: 'troubled', kind: 'broken', thing: slot, ...withNote(note) },
            ...(state.task[slot] === 'replace'
              ? []
              : [{ type: 'taskSet' as const, slot, action: 'replace' as const }]),
          )
        }
      >
        It is to be replaced: price and route follow
      </Button>
      <Button
        disabled={!slot || !note.trim()}
        onClick={() =>
          onReport({ type: 'noted', thing: slot, text: `broken, left as it is: ${cut(note, 900)}` })
        }
      >
        It stays as it is; the owner is told
      </Button>
    </>
  );
}
function WrongPart({ state, slot, note, onReport }: PartTrouble) {
  return (
    <Button
      danger
      disabled={!slot}
      onClick={() =>
        onReport(
          { type: 'troubled', kind: 'wrong part', thing: slot, ...withNote(note) },
          ...(state.part[slot] ? [{ type: 'partDropped' as const, slot }] : []),
        )
      }
    >
      It goes back to stock: choose another on the offer
    </Button>
  );
}

export function WordsWay({ index, state, step, target, onReport }: WayProps) {
  const [note, setNote] = useState('');
  const thing = step?.about ?? target;
  const masked = state.mask.tape === 'on';
  return (
    <>
      <Words label="In words" value={note} set={setNote} />
      <div className="row">
        <Button disabled={!note.trim()} onClick={() => onReport({ type: 'noted', text: note.trim() })}>
          Keep as a note
        </Button>
        {thing && (
          <Button
            disabled={!note.trim()}
            onClick={() => onReport({ type: 'noted', text: note.trim(), thing, finding: true })}
          >{`Not as the model says, at the ${thingName(index, thing)}`}</Button>
        )}
        {step?.action === 'apply seal' && (
          <Button
            disabled={!note.trim()}
            onClick={() => onReport({ type: 'leftUnsealed', reason: cut(note, 1000) })}
          >
            The seal is left off on purpose, for this reason
          </Button>
        )}
        <Button
          onClick={() =>
            onReport(masked ? { type: 'maskOff', mask: 'tape' } : { type: 'maskOn', mask: 'tape' })
          }
        >
          {masked ? 'Masking tape is off again' : 'Masking tape is on'}
        </Button>
      </div>
    </>
  );
}

const dangers: readonly { condition: Condition; says: string }[] = [
  { condition: 'swollen', says: 'The cell is swollen' },
  { condition: 'pierced', says: 'The cell is pierced or smells' },
  { condition: 'wet', says: 'There is liquid inside' },
  { condition: 'hot', says: 'It is too hot to hold' },
];
/** The device or its cell has become a danger: recorded with one tap; what runs is stopped by the next instruction. */
export function DangerWay({ state, onReport }: WayProps) {
  return (
    <>
      <p className="strong">
        Smoke or hissing: leave, ventilate, do not breathe it, call the fire service by your local rules.
      </p>
      <div className="row">
        {dangers.map(({ condition, says }) => (
          <Button
            key={condition}
            danger
            disabled={hasCondition(state, condition)}
            onClick={() => onReport({ type: 'conditionSet', condition, because: 'seen at the bench' })}
          >
            {says}
          </Button>
        ))}
      </div>
      <p className="small muted">
        Heat, press and charger stop at once; only an owner or lead clears the mark.
      </p>
    </>
  );
}

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
