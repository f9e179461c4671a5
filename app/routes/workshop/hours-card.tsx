import { Button, Form, Input } from 'antd';
import { openingSchema, type WorkHours } from '../../../core/day/hours';
import type { PersonLine } from '../../../core/wire/person-line';
import type { ShopSettings } from '../../../core/wire/who';
import * as wording from '../../../words/screens/hours';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { useState } from 'react';
import { useServerErrors } from '../../ui/zod-form';
import { Absences } from './absences';
import { Kept, useChange } from './use-change';

type Typed = Record<string, string>;
const days = [0, 1, 2, 3, 4, 5, 6] as const;
const typedOf = ({ week, pause }: WorkHours): Typed => ({
  ...Object.fromEntries(
    week.flatMap((line, k) => [
      [`from${k}`, line?.from ?? ''],
      [`to${k}`, line?.to ?? ''],
    ]),
  ),
  pauseFrom: pause?.from ?? '',
  pauseTo: pause?.to ?? '',
});
const closed: WorkHours = { week: days.map(() => null) };
/** `8:30` and `830` are `08:30`. */
const clockOf = (text: string): string => {
  const [, h, m] = /^\s*(\d{1,2})[:.h]?(\d{2})?\s*$/.exec(text) ?? [];
  return h ? `${h.padStart(2, '0')}:${m ?? '00'}` : text.trim();
};
const openingOf = (from: string, to: string) =>
  from.trim() || to.trim() ? { from: clockOf(from), to: clockOf(to) } : null;
function hoursOf(typed: Typed): WorkHours {
  const pause = openingOf(typed.pauseFrom ?? '', typed.pauseTo ?? '');
  return {
    week: days.map((k) => openingOf(typed[`from${k}`] ?? '', typed[`to${k}`] ?? '')),
    ...(pause ? { pause } : {}),
  };
}

/** When the workshop is open, who is there otherwise, and who is away when: what the day is planned by. */
export function HoursCard({
  settings,
  people,
  now,
  may,
}: {
  settings: ShopSettings;
  people: readonly PersonLine[];
  now: number;
  may: boolean;
}) {
  const [whose, setWhose] = useState('');
  const person = people.find((p) => p.id === whose);
  const own = person && settings.personHours?.[person.id];
  return (
    <section className="card stack gap-8" aria-label={wording.hours}>
      <div className="spread mid">
        <h2>{wording.hours}</h2>
        <Pick
          aria-label={wording.whose}
          value={whose}
          onChange={setWhose}
          options={[
            { value: '', label: wording.ofAll },
            ...people.filter((p) => p.bench).map((p) => ({ value: p.id, label: p.name })),
          ]}
        />
      </div>
      <p className="muted small m-0">
        {person ? wording.ownMeans(person.name) : settings.hours ? wording.means : wording.nobodySaid}
      </p>
      {person ? (
        <Week
          key={person.id}
          hours={{ week: own ?? (settings.hours ?? closed).week }}
          may={may}
          ask={({ week }) => ({ do: 'own hours', person: person.id, week })}
          none={own && { text: wording.asAll, ask: { do: 'own hours', person: person.id, week: null } }}
        />
      ) : (
        <Week
          key=""
          hours={settings.hours ?? closed}
          pause
          may={may}
          ask={(hours) => ({ do: 'hours', hours })}
          none={settings.hours && { text: wording.everyHour, ask: { do: 'hours', hours: null } }}
        />
      )}
      <Absences absences={settings.absences ?? []} people={people} now={now} may={may} />
    </section>
  );
}
/** A line for each day of the week, kept together. */
function Week({
  hours,
  pause = false,
  may,
  ask,
  none,
}: {
  hours: WorkHours;
  pause?: boolean;
  may: boolean;
  ask: (hours: WorkHours) => Record<string, unknown>;
  /** Takes back what was said. */
  none: { text: string; ask: Record<string, unknown> } | undefined;
}) {
  const [form] = Form.useForm<Typed>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  const line = (label: string, from: string, to: string) => (
    <div className="row one-line mid" key={label}>
      <span className="w-110">{label}</span>
      <Field name={from} className="m-0">
        <Input aria-label={wording.fromOf(label)} maxLength={5} placeholder="–" className="w-110" />
      </Field>
      <span aria-hidden>–</span>
      <Field
        name={to}
        className="m-0"
        dependencies={[from]}
        rules={[
          {
            validator: (_, typed: string) => {
              const opening = openingOf(String(form.getFieldValue(from) ?? ''), typed ?? '');
              const read = opening && openingSchema.safeParse(opening);
              return read && !read.success ? Promise.reject(new Error(wording.noTimes)) : Promise.resolve();
            },
          },
        ]}
      >
        <Input aria-label={wording.toOf(label)} maxLength={5} placeholder="–" className="w-110" />
      </Field>
    </div>
  );
  return (
    <Form
      form={form}
      className="stack gap-4"
      disabled={!may}
      validateTrigger="onBlur"
      initialValues={typedOf(hours)}
      onFinish={(typed) => change(ask(hoursOf(typed)))}
    >
      {days.map((k) => line(wording.dayName[k], `from${k}`, `to${k}`))}
      {pause && line(wording.pause, 'pauseFrom', 'pauseTo')}
      {may && (
        <div className="row">
          <Button htmlType="submit" loading={busy}>
            {wording.keep}
          </Button>
          {none && <Button onClick={() => change(none.ask)}>{none.text}</Button>}
          <Kept said={said} form={form} />
        </div>
      )}
    </Form>
  );
}
