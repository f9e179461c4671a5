import { Button, Form, Input, type InputProps } from 'antd';
import { hourlyRateMinor, warrantyMonths, waitFields } from '../../../core/forms/workshop-fields';
import { readAmount } from '../../../core/quote/amount';
import type { ShopSettings } from '../../../server/types';
import { Field } from '../../ui/field';
import { ruleOf, typedNumber, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

const minorOf = (text: unknown): number => {
  const read = readAmount(String(text ?? ''));
  return read.ok ? read.minor : Number.NaN;
};

/** What an hour costs, how long the workshop stands by its work, and waits that it wants longer than they must be. */
export function Money({ settings, may }: { settings: ShopSettings; may: boolean }) {
  return (
    <section className="card stack">
      <h2>Rate, warranty and waits</h2>
      <Warranty months={settings.warrantyMonths} may={may} />
      <Rate minor={settings.hourlyRateMinor} currency={settings.currency} may={may} />
      <Waits waits={settings.waits} may={may} />
    </section>
  );
}

function Warranty({ months, may }: { months: number | undefined; may: boolean }) {
  const [form] = Form.useForm<{ warrantyMonths: string }>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  return (
    <Form
      form={form}
      layout="vertical"
      disabled={!may}
      initialValues={{ warrantyMonths: months === undefined ? '' : String(months) }}
      onFinish={(v) => change({ do: 'warranty', warrantyMonths: Number(v.warrantyMonths) })}
    >
      <div className="fields kept-beside">
        <Field
          name="warrantyMonths"
          htmlFor="warranty"
          label="Warranty on the work, months"
          rules={[ruleOf(warrantyMonths, typedNumber)]}
        >
          <NumberInput id="warranty" placeholder="not said on the report" maxLength={4} />
        </Field>
        <Button htmlType="submit" loading={busy}>
          Keep
        </Button>
      </div>
      <Kept said={said} />
    </Form>
  );
}

function Rate({ minor, currency, may }: { minor: number; currency: string; may: boolean }) {
  const [form] = Form.useForm<{ hourlyRateMinor: string }>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  return (
    <Form
      form={form}
      layout="vertical"
      disabled={!may}
      initialValues={{ hourlyRateMinor: (minor / 100).toFixed(2) }}
      onFinish={(v) => change({ do: 'rate', hourlyRateMinor: minorOf(v.hourlyRateMinor) })}
    >
      <div className="fields kept-beside">
        <Field
          name="hourlyRateMinor"
          htmlFor="rate"
          label={`An hour of hands, ${currency}`}
          rules={[ruleOf(hourlyRateMinor, minorOf)]}
        >
          <NumberInput id="rate" inputMode="decimal" maxLength={12} />
        </Field>
        <Button htmlType="submit" loading={busy}>
          Keep
        </Button>
      </div>
      <Kept said={said} />
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
        label="Alcohol flashes off before heat, s"
        rules={[ruleOf(waitFields.shape.solventFlashS, typedNumber)]}
      >
        <NumberInput id="flash" maxLength={5} />
      </Field>
      <Field
        name="coolingS"
        htmlFor="cool"
        label="Device cools before alcohol, s"
        rules={[ruleOf(waitFields.shape.coolingS, typedNumber)]}
      >
        <NumberInput id="cool" maxLength={5} />
      </Field>
      <div className="row">
        <Button htmlType="submit" loading={busy}>
          Keep
        </Button>
        <Kept said={said} />
      </div>
      <p className="muted small">Shipped minimums: 60 s and 120 s; longer is always allowed.</p>
    </Form>
  );
}

/** A number as it is typed: kept as text, so that what is wrong stays to be seen. */
function NumberInput(props: InputProps) {
  return <Input inputMode="numeric" {...props} />;
}
