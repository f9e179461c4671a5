import * as wording from '../../../words/screens/workshop';
import { Button, Form, type FormRule, Input, type InputProps } from 'antd';
import {
  benchName,
  eraseAfterMonths,
  hourlyRateMinor,
  warrantyMonths,
  waitFields,
} from '../../../forms/workshop-fields';
import { minorTyped } from '../../../core/quote/amount';
import type { ShopSettings } from '../../../core/wire/who';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { ruleOf, typedNumber, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

/** What an hour costs, how long the workshop stands by its work, and waits that it wants longer than they must be. */
export function Money({ settings, may }: { settings: ShopSettings; may: boolean }) {
  const formats = useFormats();
  const minorOf = (text: unknown) => minorTyped(text, formats);
  return (
    <section className="card stack">
      <h2>{wording.rateWarrantyAndWaits}</h2>
      <OneFigure
        name="warrantyMonths"
        id="warranty"
        label={wording.warrantyOnTheWorkMonths}
        placeholder={wording.notSaidOnTheReport}
        maxLength={4}
        shown={settings.warrantyMonths === undefined ? '' : String(settings.warrantyMonths)}
        rule={ruleOf(warrantyMonths, typedNumber)}
        may={may}
        ask={(typed) => ({ do: 'warranty', warrantyMonths: Number(typed) })}
      />
      <OneFigure
        name="hourlyRateMinor"
        id="rate"
        label={wording.anHourOfHands(settings.currency)}
        inputMode="decimal"
        maxLength={12}
        shown={formats.typedAmount(settings.hourlyRateMinor)}
        rule={ruleOf(hourlyRateMinor, minorOf)}
        may={may}
        ask={(typed) => ({ do: 'rate', hourlyRateMinor: minorOf(typed) })}
      />
      <Waits waits={settings.waits} may={may} />
    </section>
  );
}
/** For how long what is known of owners is kept. */
export function OwnersData({ settings, may }: { settings: ShopSettings; may: boolean }) {
  return (
    <section className="card stack gap-4" id="owners-data">
      <h2>{wording.ownersData}</h2>
      <OneFigure
        name="afterMonths"
        id="erase-after"
        label={wording.eraseAfter}
        inputMode="numeric"
        maxLength={3}
        shown={String(settings.erasing?.afterMonths ?? 0)}
        rule={ruleOf(eraseAfterMonths, typedNumber)}
        may={may}
        ask={(typed) => ({ do: 'erasing', afterMonths: typedNumber(typed) })}
      />
      <p className="muted small">{wording.eraseMeans}</p>
    </section>
  );
}

/** Under which name phones reach the bench. */
export function BenchName({ settings, may }: { settings: ShopSettings; may: boolean }) {
  return (
    <section className="card stack gap-4">
      <h2>{wording.benchInTheNetwork}</h2>
      <OneFigure
        name="benchName"
        id="bench-name"
        label={wording.benchName}
        inputMode="url"
        maxLength={253}
        shown={settings.benchName ?? ''}
        rule={ruleOf(benchName)}
        may={may}
        ask={(typed) => ({ do: 'bench name', benchName: typed })}
      />
      <p className="muted small">{wording.benchNameMeans}</p>
    </section>
  );
}
/** One figure that is kept by itself, as soon as it is right. */
function OneFigure({
  name,
  id,
  label,
  shown,
  rule,
  may,
  ask,
  ...input
}: {
  name: 'warrantyMonths' | 'hourlyRateMinor' | 'afterMonths' | 'benchName';
  id: string;
  label: string;
  shown: string;
  rule: FormRule;
  may: boolean;
  /** What is asked of the server for what was typed. */
  ask: (typed: string) => Record<string, unknown>;
} & Pick<InputProps, 'placeholder' | 'inputMode' | 'maxLength'>) {
  const [form] = Form.useForm<Record<string, string>>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  return (
    <Form
      form={form}
      layout="vertical"
      disabled={!may}
      initialValues={{ [name]: shown }}
      onFinish={(typed) => change(ask(typed[name] ?? ''))}
    >
      <div className="fields kept-beside">
        <Field name={name} htmlFor={id} label={label} rules={[rule]}>
          <NumberInput id={id} {...input} />
        </Field>
        <Button htmlType="submit" loading={busy}>
          {wording.keep}
        </Button>
      </div>
      <Kept said={said} form={form} />
    </Form>
  );
}

function Waits({ waits, may }: { waits: ShopSettings['waits']; may: boolean }) {
  const [form] = Form.useForm<{ solventFlashS: string; coolingS: string }>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  return (
    <Form
      form={form}
      layout="vertical"
      className="stack"
      disabled={!may}
      initialValues={{ solventFlashS: String(waits.solventFlashS), coolingS: String(waits.coolingS) }}
      onFinish={(v) =>
        change({ do: 'waits', solventFlashS: Number(v.solventFlashS), coolingS: Number(v.coolingS) })
      }
    >
      <Field
        name="solventFlashS"
        htmlFor="flash"
        label={wording.alcoholFlashesOffBeforeHeat}
        rules={[ruleOf(waitFields.shape.solventFlashS, typedNumber)]}
      >
        <NumberInput id="flash" maxLength={5} />
      </Field>
      <Field
        name="coolingS"
        htmlFor="cool"
        label={wording.deviceCoolsBeforeAlcoholS}
        rules={[ruleOf(waitFields.shape.coolingS, typedNumber)]}
      >
        <NumberInput id="cool" maxLength={5} />
      </Field>
      <div className="row">
        <Button htmlType="submit" loading={busy}>
          {wording.keep}
        </Button>
        <Kept said={said} form={form} />
      </div>
      <p className="muted small">{wording.shippedMinimums60SAnd}</p>
    </Form>
  );
}

/** A number as it is typed: kept as text, so that what is wrong stays to be seen. */
function NumberInput(props: InputProps) {
  return <Input inputMode="numeric" {...props} />;
}
