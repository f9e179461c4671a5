import { Button, Form, Input } from 'antd';
import {
  type GlueItem,
  type GlueSheet,
  glueItems,
  glueTimes,
  type Glues as Sheets,
  usualRoomC,
} from '../../../core/seal/glue';
import { glueFields, roomField } from '../../../forms/workshop-fields';
import { changeWorkshop, mayChange, workshopPage } from '../../../server/use-cases/workshop';
import * as wording from '../../../words/screens/glues';
import { span } from '../../../words/time';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';
import { StockTabs } from '../../ui/stock-tabs';
import { ruleOf, typedFigure, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from '../workshop/use-change';
import type { Route } from './+types/glues';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const { settings } = await workshopPage(who);
  return { may: mayChange(who.role, 'methods'), glues: settings.glues ?? { sheets: {}, roomC: usualRoomC } };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeWorkshop(who, await jsonBody(request));
}

/** What the sheets of the workshop's glues and seals say, and what that is in its room. */
export default function Glues({ loaderData: { may, glues } }: Route.ComponentProps) {
  return (
    <main className="page stack">
      <StockTabs />
      <div className="cols main-narrow high">
        <section className="card stack gap-8">
          <h1>{wording.glues}</h1>
          <p className="muted m-0">{wording.means}</p>
          {glueItems.map((item) => (
            <Sheet key={`${item} ${JSON.stringify(glues.sheets[item])}`} {...{ item, glues, may }} />
          ))}
        </section>
        <div className="stack">
          <Room key={glues.roomC} roomC={glues.roomC} may={may} />
          <Note>{wording.caution}</Note>
        </div>
      </div>
    </main>
  );
}

const [minute, hour] = [60, 3600];
const secondsOf = (unit: number) => (typed: unknown) => typedFigure(typed) * unit;
const openOf = (typed: unknown) => (String(typed ?? '').trim() ? typedFigure(typed) * minute : undefined);
const figureOf = (seconds: number | undefined, unit: number) =>
  seconds === undefined ? '' : String(Math.round((seconds / unit) * 100) / 100);
const typedOf = (sheet: GlueSheet | undefined) => ({
  name: sheet?.name ?? '',
  atC: String(sheet?.atC ?? 23),
  openS: figureOf(sheet?.openS, minute),
  handlingS: figureOf(sheet?.handlingS, minute),
  fullS: figureOf(sheet?.fullS, hour),
});
type Typed = ReturnType<typeof typedOf>;

function Sheet({ item, glues, may }: { item: GlueItem; glues: Sheets; may: boolean }) {
  const [form] = Form.useForm<Typed>();
  const { change, said, errors, busy } = useChange();
  useServerErrors(form, errors);
  const times = glueTimes(glues, item);
  const { shape } = glueFields;
  const field = (name: keyof Typed, label: string, suffix: string, as: (typed: unknown) => unknown) => (
    <Field name={name} label={label} htmlFor={`${item}-${name}`} rules={[ruleOf(shape[name], as)]}>
      <Input
        id={`${item}-${name}`}
        inputMode={suffix ? 'decimal' : 'text'}
        maxLength={suffix ? 8 : 60}
        readOnly={!may}
        {...(suffix ? { suffix } : {})}
      />
    </Field>
  );
  const keep = ({ name, atC, openS, handlingS, fullS }: Typed) => {
    const open = openOf(openS);
    change({
      ...{ do: 'glue', item, name, atC: typedFigure(atC) },
      ...(open === undefined ? {} : { openS: open }),
      ...{ handlingS: secondsOf(minute)(handlingS), fullS: secondsOf(hour)(fullS) },
    });
  };
  return (
    <section className="stack gap-4 rule-row" aria-label={wording.itemName[item]}>
      <div className="spread">
        <h2>{wording.itemName[item]}</h2>
        <Kept said={said} form={form} />
      </div>
      <p className="small muted m-0" data-testid={`here-${item}`}>
        {times
          ? wording.here(
              times.openS === undefined ? '' : span(times.openS),
              span(times.handlingS),
              span(times.fullS),
            )
          : wording.noSheet}
      </p>
      <Form
        form={form}
        layout="vertical"
        className="stack gap-4"
        validateTrigger="onBlur"
        initialValues={typedOf(glues.sheets[item])}
        onFinish={keep}
      >
        <div className="fields">
          {field('name', wording.name, '', (typed) => typed)}
          {field('atC', wording.at, '°C', typedFigure)}
        </div>
        <div className="fields">
          {item === 'contact-glue' && field('openS', wording.open, 'min', openOf)}
          {field('handlingS', wording.handling, 'min', secondsOf(minute))}
          {field('fullS', wording.full, 'h', secondsOf(hour))}
        </div>
        {may && (
          <div className="row">
            <Button htmlType="submit" loading={busy}>
              {wording.keep}
            </Button>
            {times && <Button onClick={() => change({ do: 'no glue', item })}>{wording.forget}</Button>}
          </div>
        )}
      </Form>
    </section>
  );
}
function Room({ roomC, may }: { roomC: number; may: boolean }) {
  const [form] = Form.useForm<{ roomC: string }>();
  const { change, said, errors, busy } = useChange();
  useServerErrors(form, errors);
  return (
    <section className="card stack gap-8">
      <Form
        form={form}
        layout="vertical"
        className="stack gap-4"
        validateTrigger="onBlur"
        initialValues={{ roomC: String(roomC) }}
        onFinish={(typed) => change({ do: 'room', roomC: typedFigure(typed.roomC) })}
      >
        <Field name="roomC" label={wording.room} htmlFor="room-c" rules={[ruleOf(roomField, typedFigure)]}>
          <Input id="room-c" suffix="°C" inputMode="decimal" maxLength={4} readOnly={!may} />
        </Field>
        {may && (
          <Button htmlType="submit" loading={busy}>
            {wording.keep}
          </Button>
        )}
      </Form>
      <Kept said={said} form={form} />
    </section>
  );
}
