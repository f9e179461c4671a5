import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { oddsOf } from '../../../core/rework/odds';
import { type AirSchool, airSchools, kindsFor, type ReworkKind } from '../../../core/rework/work-plan';
import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { useFormats } from '../../ui/formats';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import type { Rework } from './use-rework';

/** What is done at which part and how; with the chance and the price of losing it, before it is begun. */
export function BeginCard({ rework }: { rework: Rework }) {
  const { slot, parts, work, chip, stencils, page, setChosen, report, ended, state, frame } = rework;
  const kinds = kindsFor({ kind: slot!.kind, laser: slot!.traits.includes('laser') });
  const [kind, setKind] = useState<ReworkKind>(kinds[0]!);
  // as the house does it, until somebody says otherwise here
  const { route, methods } = frame.context;
  const house = (route?.input.methods ?? methods)?.['chip-work'];
  const [school, setSchool] = useState<AirSchool>(house === '300' ? '300' : '280');
  const [practice, setPractice] = useState(false);
  const fits = stencils?.fits ?? [];
  const nameOf = (id: string) => page.stencils.find((s) => s.id === id)?.name ?? id;
  const [stencil, setStencil] = useState(fits[0] ? nameOf(fits[0].id) : '');
  const begin = () =>
    void report({
      ...{ type: 'reworkBegun', slot: slot!.id, kind, school, practice, stencil },
      ...(chip ? { chip: chip.id } : {}),
    });
  return (
    <section className="card stack gap-8" aria-label={wording.bench}>
      <h1>{wording.bench}</h1>
      {work?.outcome && <Note>{wording.endedAs(wording.outcomeName[work.outcome])}</Note>}
      <Choice
        label={wording.part}
        value={slot!.id}
        onChange={setChosen}
        options={parts.map((part) => ({ value: part.id, label: part.name }))}
      />
      <Choice
        label={wording.kind}
        value={kind}
        onChange={(v) => setKind(v as ReworkKind)}
        options={kinds.map((value) => ({ value, label: words.kindOfRework[value] }))}
      />
      {kind !== 'loose lens' && (
        <div className="fields">
          <Choice
            label={wording.school}
            value={school}
            onChange={(v) => setSchool(v as AirSchool)}
            options={airSchools.map((value) => ({ value, label: words.schoolOfAir[value] }))}
          />
          <Choice
            label={wording.stencilLabel}
            value={stencil}
            onChange={setStencil}
            options={[
              { value: '', label: wording.noStencil },
              ...fits.map((fit) => ({ value: nameOf(fit.id), label: nameOf(fit.id) })),
            ]}
          />
        </div>
      )}
      <Checkbox checked={practice} onChange={(event) => setPractice(event.target.checked)}>
        {wording.practice}
      </Checkbox>
      <Odds rework={rework} kind={kind} />
      {state.consent.chip === undefined && <Note tone="warn">{wording.consentOpen}</Note>}
      <div className="row">
        <Button type="primary" size="large" disabled={ended} onClick={begin}>
          {work ? wording.again : wording.begin}
        </Button>
      </div>
      <p className="small muted m-0">{wording.cautions}</p>
    </section>
  );
}
function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: { value: string; label: string }[];
  onChange: (value: string) => void;
}) {
  const id = `rework-${label.toLowerCase().replaceAll(' ', '-')}`;
  return (
    <Field label={label} htmlFor={id}>
      <Pick id={id} value={value} onChange={(v) => onChange(v ?? '')} options={options} />
    </Field>
  );
}
/** How often such work took the part with it, what that costs, and what worked here before. */
function Odds({ rework: { page, chip, slot }, kind }: { rework: Rework; kind: ReworkKind }) {
  const { money } = useFormats();
  const same = page.past.filter((p) => p.kind === kind);
  const works = same.filter((p) => p.outcome === 'works').length;
  const lost = same.filter((p) => p.outcome === 'part lost').length;
  const odds = oddsOf({ works, lost });
  const percent = (share: number) => Math.round(share * 100);
  const held = page.past.find((p) => p.outcome === 'works' && p.chip === (chip?.id ?? ''));
  const lift = held?.heats.find((h) => h.step === 'lift');
  return (
    <p className="m-0">
      {wording.odds(percent(odds.likely), percent(odds.low), percent(odds.high), odds.jobs)}{' '}
      {slot!.price > 0 && wording.lossCosts(money(slot!.price))}
      {works + lost > 0 && <span className="block muted">{wording.before(works, lost)}</span>}
      {lift && <span className="block muted">{wording.workedAt(lift.setC, lift.airPercent)}</span>}
    </p>
  );
}
