import { Button, Checkbox, Form, Input } from 'antd';
import { useEffect } from 'react';
import { data, redirect, useFetcher } from 'react-router';
import { setUpFields } from '../../../forms/people-fields';
import { generalStations } from '../../../core/methods/catalogue';
import { minorTyped } from '../../../core/quote/amount';
import { minorDigits } from '../../../words/formats';
import { foundWorkshop, setUpOpen } from '../../../server/use-cases/set-up';
import * as wording from '../../../words/screens/set-up';
import { jsonBody, peerContext, requireSameOrigin, whoContext } from '../../context';
import { Field } from '../../ui/field';
import { FrontPage } from '../../ui/front-page';
import { Note } from '../../ui/note';
import { CountryAndZone, CurrencyField, placeOfBrowser, TaxIncluded } from '../../ui/places-fields';
import { ruleOf, typedFigure, useServerErrors } from '../../ui/zod-form';
import type { Route } from './+types/set-up';

/** The page is there only while no workshop is. */
export async function loader({ context }: Route.LoaderArgs) {
  if (context.get(whoContext).state === 'no database')
    throw new Response(null, { status: 503, statusText: 'The database cannot be reached' });
  if (!(await setUpOpen())) throw new Response(null, { status: 404, statusText: 'There is a workshop' });
  return null;
}
export async function action({ request, context }: Route.ActionArgs) {
  requireSameOrigin(request);
  const done = await foundWorkshop(await jsonBody(request), context.get(peerContext), request);
  if (done.ok) throw redirect('/', { headers: { 'Set-Cookie': done.cookie } });
  return data({ errors: done.errors }, { status: done.status });
}

const rule = (name: keyof typeof setUpFields.shape) => [ruleOf(setUpFields.shape[name])];
const usual = ['hot-plate', 'dryer'];

/** The first start: what cannot be guessed about a workshop, and who owns it. */
export default function SetUp() {
  const [form] = Form.useForm();
  const fetcher = useFetcher<{ errors: Record<string, string> }>();
  const errors = fetcher.data?.errors;
  useEffect(() => form.setFieldsValue(placeOfBrowser()), [form]);
  const currency = Form.useWatch('currency', form) ?? 'EUR';
  const minorOf = (text: unknown) => minorTyped(text, { digits: minorDigits(currency) });
  useServerErrors(form, errors);
  return (
    <FrontPage>
      <Form
        form={form}
        layout="vertical"
        className="card stack"
        validateTrigger="onBlur"
        initialValues={{ currency: 'EUR', rate: '60', tax: '0', taxIncluded: false, stations: usual }}
        onFinish={({ rate, tax, ...given }) =>
          void fetcher.submit(
            JSON.stringify({ ...given, taxPercent: typedFigure(tax), hourlyRateMinor: minorOf(rate) }),
            {
              method: 'post',
              encType: 'application/json',
            },
          )
        }
      >
        <h2>{wording.yourWorkshop}</h2>
        <p className="muted small">{wording.askedOnce}</p>
        {errors?.form && (
          <Note tone="stop" role="alert">
            {errors.form}
          </Note>
        )}
        <Field name="code" label={wording.code} rules={rule('code')}>
          <Input autoFocus autoComplete="off" maxLength={60} />
        </Field>
        <Field name="shop" label={wording.shop} rules={rule('shop')}>
          <Input maxLength={60} autoComplete="organization" />
        </Field>
        <CountryAndZone />
        <div className="fields">
          <CurrencyField />
          <Field
            name="rate"
            label={wording.hourOfHands}
            rules={[ruleOf(setUpFields.shape.hourlyRateMinor, minorOf)]}
          >
            <Input inputMode="decimal" maxLength={12} />
          </Field>
          <Field name="tax" label={wording.tax} rules={[ruleOf(setUpFields.shape.taxPercent, typedFigure)]}>
            <Input inputMode="decimal" maxLength={6} />
          </Field>
        </div>
        <TaxIncluded />
        <Field name="stations" label={wording.stations} extra={wording.routesUseThem}>
          <Checkbox.Group
            className="two-columns"
            options={generalStations.map((s) => ({ value: s.id, label: s.name }))}
          />
        </Field>
        <Owner />
        <Button type="primary" htmlType="submit" loading={fetcher.state !== 'idle'}>
          {wording.found}
        </Button>
      </Form>
    </FrontPage>
  );
}
function Owner() {
  return (
    <>
      <h2>{wording.you}</h2>
      <div className="fields">
        <Field name="name" label={wording.name} rules={rule('name')}>
          <Input maxLength={60} autoComplete="name" />
        </Field>
        <Field name="login" label={wording.login} rules={rule('login')}>
          <Input maxLength={40} autoComplete="username" placeholder={wording.loginHint} />
        </Field>
      </div>
      <Field name="password" label={wording.password} extra={wording.passwordHint} rules={rule('password')}>
        <Input.Password autoComplete="new-password" maxLength={200} />
      </Field>
    </>
  );
}
