import { Button, Form, Input } from 'antd';
import { useEffect } from 'react';
import { placesFields, roundings } from '../../../forms/places-fields';
import { shopName } from '../../../forms/workshop-fields';
import type { ShopSettings } from '../../../core/wire/who';
import * as wording from '../../../words/screens/workshop';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { Pick } from '../../ui/pick';
import { CountryAndZone, CurrencyField, placeOfBrowser, TaxIncluded } from '../../ui/places-fields';
import { ruleOf, typedFigure, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

interface Typed {
  currency: string;
  country?: string;
  timeZone: string;
  tax: string;
  taxName: string;
  taxIncluded: boolean;
  roundMinor: number;
}
/** What it is called, how it writes times and money, which tax is on its prices, and to what an offer is rounded. */
export function Places({ name, settings, may }: { name: string; settings: ShopSettings; may: boolean }) {
  const [form] = Form.useForm<Typed>();
  const { change, busy, said, errors } = useChange();
  const { money } = useFormats();
  useServerErrors(form, errors);
  useEffect(() => {
    const { timeZone, country } = form.getFieldsValue();
    const here = placeOfBrowser();
    form.setFieldsValue({
      timeZone: timeZone ?? here.timeZone,
      ...((country ?? here.country) ? { country: country ?? here.country } : {}),
    });
  }, [form]);
  const { currency, country, timeZone, tax, roundMinor = 1 } = settings;
  return (
    <section className="card stack" id="places">
      <h2>{wording.namePlaceAndMoney}</h2>
      <ShopName name={name} may={may} />
      <Form
        form={form}
        layout="vertical"
        className="stack"
        disabled={!may}
        validateTrigger="onBlur"
        initialValues={{
          currency,
          ...(country ? { country } : {}),
          ...(timeZone ? { timeZone } : {}),
          tax: String(tax?.percent ?? 0),
          taxName: tax?.name ?? 'VAT',
          taxIncluded: tax?.included ?? false,
          roundMinor,
        }}
        onFinish={({ tax: percent, ...given }) =>
          change({ do: 'places', ...given, taxPercent: typedFigure(percent) })
        }
      >
        <CountryAndZone />
        {may && (!country || !timeZone) && (
          <p className="muted small m-0">
            {wording.placeIsThisBrowsers(timeZone ? 'country' : country ? 'time zone' : 'both')}
          </p>
        )}
        <div className="fields">
          <CurrencyField />
          <Field name="roundMinor" htmlFor="roundMinor" label={wording.offersRoundedTo}>
            <Pick
              id="roundMinor"
              options={roundings.map((step) => ({ value: step as number, label: money(step) }))}
            />
          </Field>
        </div>
        <Tax />
        <div className="row">
          <Button htmlType="submit" loading={busy}>
            {wording.keep}
          </Button>
          <Kept said={said} form={form} />
        </div>
      </Form>
    </section>
  );
}
/** Which tax is on its prices, and how it is called on paper. */
function Tax() {
  return (
    <>
      <div className="fields">
        <Field
          name="tax"
          htmlFor="tax"
          label={wording.taxPercent}
          rules={[ruleOf(placesFields.shape.taxPercent, typedFigure)]}
        >
          <Input id="tax" inputMode="decimal" maxLength={6} />
        </Field>
        <Field
          name="taxName"
          htmlFor="taxName"
          label={wording.taxName}
          rules={[ruleOf(placesFields.shape.taxName)]}
        >
          <Input id="taxName" maxLength={20} />
        </Field>
      </div>
      <TaxIncluded />
    </>
  );
}
function ShopName({ name, may }: { name: string; may: boolean }) {
  const [form] = Form.useForm<{ name: string }>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  return (
    <Form
      form={form}
      layout="vertical"
      disabled={!may}
      initialValues={{ name }}
      onFinish={(given) => change({ do: 'name', ...given })}
    >
      <div className="fields kept-beside">
        <Field name="name" htmlFor="shop-name" label={wording.shopName} rules={[ruleOf(shopName)]}>
          <Input id="shop-name" maxLength={60} />
        </Field>
        <Button htmlType="submit" loading={busy}>
          {wording.keep}
        </Button>
      </div>
      <Kept said={said} form={form} />
    </Form>
  );
}
