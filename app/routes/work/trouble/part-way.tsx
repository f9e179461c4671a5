import * as wording from '../../../../words/screens/trouble';
import type { Body } from '../../../../core/log/events';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { pieceInSlot } from '../../../../core/log/view';
import { thingName } from '../../../../words/things';
import type { WayProps } from './way';
import { Field } from '../../../ui/field';
import { Pick } from '../../../ui/pick';
import { cut, Words } from './words-field';

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
  const how = kind === 'broken' ? wording.replacedOrRepaired : wording.anotherPartIsHere;
  const Ways = kind === 'broken' ? BrokenPart : WrongPart;
  return (
    <>
      {slots
        .filter((s) => state.trouble[`${kind} ${s}`])
        .map((s) => (
          <div key={s} className="row">
            <span>{`${thingName(index, s)}: ${kind}`}</span>
            <Button onClick={() => onReport({ type: 'troubleEnded', kind, thing: s, how })}>
              {wording.settled}
            </Button>
            <Link to={`/jobs/${jobId}/offer`}>{wording.offer}</Link>
          </div>
        ))}
      <Field label={kind === 'broken' ? wording.whatBroke : wording.whichPart} htmlFor="trouble-slot">
        <Pick
          id="trouble-slot"
          value={slot}
          onChange={(value) => setSlot(value)}
          options={slots.map((s) => ({ value: s, label: thingName(index, s) }))}
        />
      </Field>
      <Words label={wording.howAndHowBad} value={note} set={setNote} />
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

/** Says that something is wrong with a part, and does at once what follows from it. */
function TroubleButton({
  kind,
  then,
  text,
  slot,
  note,
  onReport,
}: Omit<PartTrouble, 'state'> & { kind: 'broken' | 'wrong part'; then: Body | undefined; text: string }) {
  const said = note.trim() ? { note: cut(note, 1000) } : {};
  return (
    <Button
      danger
      disabled={!slot}
      onClick={() => onReport({ type: 'troubled', kind, thing: slot, ...said }, ...(then ? [then] : []))}
    >
      {text}
    </Button>
  );
}
function BrokenPart({ state, slot, note, onReport }: PartTrouble) {
  return (
    <>
      <TroubleButton
        kind="broken"
        then={state.task[slot] === 'replace' ? undefined : { type: 'taskSet', slot, action: 'replace' }}
        text={wording.itIsToBeReplaced}
        slot={slot}
        note={note}
        onReport={onReport}
      />
      <Button
        disabled={!slot || !note.trim()}
        onClick={() =>
          onReport({ type: 'noted', thing: slot, text: wording.brokenLeftAsItIs(cut(note, 900)) })
        }
      >
        {wording.itStaysAsItIs}
      </Button>
    </>
  );
}
const WrongPart = ({ state, slot, note, onReport }: PartTrouble) => (
  <TroubleButton
    kind="wrong part"
    then={state.part[slot] ? { type: 'partDropped', slot } : undefined}
    text={wording.itGoesBackToStock}
    slot={slot}
    note={note}
    onReport={onReport}
  />
);
