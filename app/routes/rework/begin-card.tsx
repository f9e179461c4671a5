import { Button, Checkbox } from 'antd';
import { Link } from 'react-router';
import { oddsOf } from '../../../core/rework/odds';
import { type AirSchool, airSchools, type ReworkKind } from '../../../core/rework/work-plan';
import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { useFormats } from '../../ui/formats';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import { type Heat, isNever } from './use-heat';
import type { Rework } from './use-rework';

/** What is done at which part and how; with the chance and the price of losing it, before it is begun. */
export function BeginCard({ rework }: { rework: Rework }) {
  const { slot, parts, work, stencils, setChosen, ended, state, draft, heat, begin, chip } = rework;
  const { kinds, setting, set, nameOf } = draft;
  const fits = stencils?.fits ?? [];
  const never = isNever(heat);
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
        value={setting.kind}
        onChange={(v) => set({ kind: v as ReworkKind })}
        options={kinds.map((value) => ({ value, label: words.kindOfRework[value] }))}
      />
      {setting.kind !== 'loose lens' && (
        <div className="fields">
          <Choice
            label={wording.school}
            value={setting.school}
            onChange={(v) => set({ school: v as AirSchool })}
            options={airSchools.map((value) => ({ value, label: words.schoolOfAir[value] }))}
          />
          <Choice
            label={wording.stencilLabel}
            value={draft.stencil}
            onChange={(stencil) => set({ stencil })}
            options={[
              { value: '', label: wording.noStencil },
              ...fits.map((fit) => ({ value: nameOf(fit.id), label: nameOf(fit.id) })),
            ]}
          />
        </div>
      )}
      {chip && (setting.kind === 'identity chip' || setting.kind === 'add-on flex') && (
        <Checkbox
          checked={setting.newPart ?? false}
          onChange={(event) => set({ newPart: event.target.checked })}
        >
          {wording.toNewPart}
        </Checkbox>
      )}
      <Checkbox checked={setting.practice} onChange={(event) => set({ practice: event.target.checked })}>
        {wording.practice}
      </Checkbox>
      <Odds rework={rework} kind={setting.kind} />
      {state.consent.chip === undefined && <Note tone="warn">{wording.consentOpen}</Note>}
      {never && <NoTime heat={heat} />}
      <div className="row">
        <Button
          type="primary"
          size="large"
          disabled={ended || never}
          onMouseDown={(e) => e.preventDefault()}
          onClick={begin}
        >
          {work ? wording.again : wording.begin}
        </Button>
        {work?.outcome && <Link to={`/jobs/${rework.frame.page.id}/work`}>{wording.backToWork}</Link>}
      </div>
      <p className="small muted m-0">{wording.cautions}</p>
    </section>
  );
}
/** No time is right at what is set: what would be, one press away. */
function NoTime({ heat }: { heat: Heat }) {
  const instead = heat.told?.instead;
  return (
    <Note tone="stop">
      <p className="m-0 strong">{wording.noTimeAt(heat.nozzle.setC, heat.nozzle.airPercent)}</p>
      {instead && (
        <div className="row">
          <span>{wording.insteadOf(instead.setC, instead.airPercent, instead.preheatC!)}</span>
          <Button onClick={() => heat.setNozzle(instead)}>{wording.takeIt}</Button>
        </div>
      )}
    </Note>
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
/** How often such work took the part with it, what that costs, and what worked here before; of two parts, each by its name. */
function Odds({ rework: { page, chip, slot, draft }, kind }: { rework: Rework; kind: ReworkKind }) {
  const { money } = useFormats();
  const same = page.past.filter((p) => p.kind === kind);
  const works = same.filter((p) => p.outcome === 'works').length;
  const lostOf = (which?: 'old part' | 'new part') =>
    same.filter((p) => p.outcome === 'part lost' && (which === undefined || (p.lost ?? 'old part') === which))
      .length;
  const percent = (share: number) => Math.round(share * 100);
  const chance = (name: string, lost: number) => {
    const odds = oddsOf({ works, lost });
    return wording.odds(name, percent(odds.likely), percent(odds.low), percent(odds.high), odds.jobs);
  };
  const both = draft.setting.newPart;
  const lost = lostOf();
  const held = page.past.find((p) => p.outcome === 'works' && p.chip === (chip?.id ?? ''));
  const lift = held?.heats.find((h) => h.step === 'lift');
  return (
    <p className="m-0">
      {both ? (
        <>
          {chance(wording.oldPart, lostOf('old part'))} {wording.oldPartLoss}{' '}
          <span className="block">
            {chance(wording.newPart, lostOf('new part'))}{' '}
            {slot!.price > 0 && wording.lossCosts(money(slot!.price))}
          </span>
        </>
      ) : (
        <>
          {chance(wording.thePart, lost)} {slot!.price > 0 && wording.lossCosts(money(slot!.price))}
        </>
      )}
      {works + lost > 0 && <span className="block muted">{wording.before(works, lost)}</span>}
      {lift && <span className="block muted">{wording.workedAt(lift.setC, lift.airPercent)}</span>}
    </p>
  );
}
