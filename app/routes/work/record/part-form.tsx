import { Button, Input, Segmented } from 'antd';
import { useState } from 'react';
import type { Met, MetEntry } from '../../../../core/log/met-schema';
import { poseOf } from '../../../../core/log/view';
import { likelyFor, type Outline } from '../../../../core/record/proposals';
import { functionsOfPart } from '../../../../core/record/usual';
import { slotKinds } from '../../../../core/vocabulary/trade';
import * as wording from '../../../../words/screens/record';
import { kindName } from '../../../../words/things';
import { Field } from '../../../ui/field';
import { Pick } from '../../../ui/pick';
import { noFocus } from '../work-keys';
import { type Enter, useEnter } from './use-enter';
import type { RecordState } from './use-record';

type Kind = (typeof slotKinds)[number];
type Going = 'out' | 'folded' | 'shifted';
type Side = 'left' | 'right' | 'top' | 'bottom';
const sides: Side[] = ['left', 'right', 'top', 'bottom'];

interface Asked {
  kind: Kind;
  named?: string | undefined;
  going: Going;
  towards: Side;
  carrier: string;
  /** What was said yes or no to, by chip. */
  said: Record<string, boolean>;
}
const first: Asked = { kind: 'bracket', going: 'out', towards: 'right', carrier: '', said: {} };

/** What is asked of a part that comes away, and what of it is proposed. */
function usePart(record: RecordState) {
  const { index, state, face, outlineNow: outline, loose, isOff, newId, forget, say } = record;
  const [asked, setAsked] = useState(first);
  const parts = index.model.slots.filter((s) => state.met[s.id]);
  // what lay over it is known by where it lay; of the others it is asked
  const beside = parts.filter((p) => outline && !overlap(p.shape, outline));
  const usual = kindName(asked.kind);
  const alike = parts.filter((p) => p.name === usual || p.name.startsWith(`${usual} `)).length;
  const name = asked.named ?? (alike ? `${usual} ${alike + 1}` : usual);
  const chips = outline ? chipsOf(loose, beside, outline) : [];
  const isOn = (chip: Chip) => asked.said[chip.key] ?? chip.likely;
  const take = (): void => {
    if (!outline) {
      say(wording.tapThePart);
      return;
    }
    const { kind, going, towards, carrier } = asked;
    isOff({
      ...{ kind: 'part', id: newId('part'), name: name.trim() || usual, face, shape: outline, part: kind },
      functions: functionsOfPart(kind),
      needed: chips.filter(isOn).flatMap((chip) => chip.ids),
      ...(going === 'out' ? {} : { first: going, towards }),
      ...(carrier ? { carrier } : {}),
    });
    setAsked({ ...first, kind });
    forget();
  };
  const change = (more: Partial<Asked>) => setAsked({ ...asked, ...more });
  const outs = parts.filter((p) => poseOf(state, p.id) === 'out');
  return { asked, change, name, chips, isOn, take, outs };
}
type PartAsked = ReturnType<typeof usePart>;

/** A part that comes away: which, where, what had to be undone for it, and whether it is off or still hangs on. */
export function PartForm({ record, enter }: { record: RecordState; enter: Enter }) {
  const { outlineNow: outline, drawn } = record;
  const part = usePart(record);
  const { asked, change, chips, isOn, outs } = part;
  useEnter(enter, part.take);
  return (
    <>
      {outline && !drawn && <p className="muted small m-0">{wording.outlineProposed}</p>}
      <WhichPart part={part} />
      <HowItGoes part={part} />
      {outs.length > 0 && (
        <Field label={wording.sitsOn} htmlFor="part-carrier">
          <Pick
            id="part-carrier"
            letGo
            value={asked.carrier}
            onChange={(carrier) => change({ carrier })}
            options={[
              { value: '', label: wording.sitsOnDevice },
              ...outs.map((p) => ({ value: p.id, label: p.name })),
            ]}
          />
        </Field>
      )}
      {outline && (
        <Needed
          chips={chips}
          isOn={isOn}
          onChange={(key, on) => change({ said: { ...asked.said, [key]: on } })}
        />
      )}
    </>
  );
}
function WhichPart({ part: { asked, change, name } }: { part: PartAsked }) {
  return (
    <div className="fields">
      <Field label={wording.partKind} htmlFor="part-kind">
        <Pick
          id="part-kind"
          letGo
          value={asked.kind}
          onChange={(kind) =>
            change({ kind, named: undefined, ...(kind === 'display' ? { going: 'folded' } : {}) })
          }
          options={slotKinds.map((k) => ({ value: k, label: kindName(k) }))}
        />
      </Field>
      <Field label={wording.partName} htmlFor="part-name">
        <Input
          id="part-name"
          value={name}
          maxLength={60}
          onChange={(e) => change({ named: e.target.value })}
        />
      </Field>
    </div>
  );
}
/** Off at once, or into a pose first, and then to which side. */
function HowItGoes({ part: { asked, change } }: { part: PartAsked }) {
  return (
    <>
      <Segmented<Going>
        aria-label={wording.off}
        value={asked.going}
        onChange={(going) => change({ going })}
        options={[
          { value: 'out', label: wording.off },
          { value: 'folded', label: wording.opened },
          { value: 'shifted', label: wording.shifted },
        ]}
      />
      {asked.going !== 'out' && (
        <Segmented<Side>
          aria-label={wording.towards}
          value={asked.towards}
          onChange={(towards) => change({ towards })}
          options={sides.map((s) => ({ value: s, label: `${wording.towards} ${wording.sideName[s]}` }))}
        />
      )}
    </>
  );
}

const overlap = (a: Outline, b: Outline) =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

interface Chip {
  key: string;
  ids: string[];
  text: string;
  likely: boolean;
}
/** What came off since, to be said yes or no to: the screws within the outline and those beside it together, the rest one by one. */
function chipsOf(
  loose: readonly MetEntry[],
  parts: readonly { id: string; name: string; kind: string }[],
  outline: Outline,
): Chip[] {
  const screws = loose.filter((t): t is MetEntry & { kind: 'fastener' } => t.kind === 'fastener');
  const here = screws.filter((s) => likelyFor(s, outline));
  const beside = screws.filter((s) => !likelyFor(s, outline));
  const group = (key: string, list: typeof screws, text: string, likely: boolean): Chip[] =>
    list.length ? [{ key, ids: list.map((s) => s.id), text, likely }] : [];
  return [
    ...group(`here ${here.length}`, here, wording.screwsHere(here.length), true),
    ...group(`beside ${beside.length}`, beside, wording.screwsBeside(beside.length), false),
    ...loose
      .filter((t) => t.kind !== 'fastener')
      .map((t) => ({ key: t.id, ids: [t.id], text: t.name, likely: true })),
    // a tray reaches into what it is pushed into; of other parts that lie beside it is asked
    ...parts.slice(-4).map((p) => ({ key: p.id, ids: [p.id], text: p.name, likely: p.kind === 'tray' })),
  ];
}
function Needed({
  chips,
  isOn,
  onChange,
}: {
  chips: readonly Chip[];
  isOn: (chip: Chip) => boolean;
  onChange: (key: string, on: boolean) => void;
}) {
  return (
    <div role="group" aria-label={wording.needed} className="stack gap-4">
      <span className="strong">{wording.needed}</span>
      {chips.length === 0 && <span className="muted small">{wording.nothingSince}</span>}
      <div className="row gap-4">
        {chips.map((chip) => (
          <Button
            key={chip.key}
            type={isOn(chip) ? 'primary' : 'default'}
            ghost={isOn(chip)}
            aria-pressed={isOn(chip)}
            onMouseDown={noFocus}
            onClick={() => onChange(chip.key, !isOn(chip))}
          >
            {isOn(chip) ? `${chip.text} ✓` : chip.text}
          </Button>
        ))}
      </div>
      {chips.length > 0 && <span className="muted small">{wording.neededHow}</span>}
    </div>
  );
}

/** A part that was opened or moved aside is off now: what came off since held it there. */
export const offNow = (part: Extract<Met, { kind: 'part' }>, loose: readonly MetEntry[]): Met => ({
  ...part,
  neededOut: loose.filter((t) => t.kind === 'connector' && t.carries === 'signal').map((t) => t.id),
});
