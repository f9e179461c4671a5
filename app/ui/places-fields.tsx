import { Checkbox } from 'antd';
import { countries, currencies, placesFields, timeZones } from '../../forms/places-fields';
import * as wording from '../../words/screens/parts';
import { Field } from './field';
import { Pick } from './pick';
import { ruleOf } from './zod-form';

const names = new Intl.DisplayNames(['en'], { type: 'region' });
const countryOptions = countries
  .map((code) => ({ value: code, label: `${names.of(code)} (${code})` }))
  .sort((a, b) => a.label.localeCompare(b.label, 'en'));
const currencyNames = new Intl.DisplayNames(['en'], { type: 'currency' });
const currencyOptions = currencies.map((code) => ({
  value: code,
  label: `${code}, ${currencyNames.of(code)}`,
}));
const zoneOptions = timeZones.map((zone) => ({ value: zone, label: zone.replaceAll('_', ' ') }));
const ruleFor = (name: keyof typeof placesFields.shape) => [ruleOf(placesFields.shape[name])];

/** Where this browser is, as far as it tells: what is filled in before somebody says otherwise. */
export function placeOfBrowser(): { timeZone: string; country?: string } {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  const country = typeof navigator === 'undefined' ? undefined : new Intl.Locale(navigator.language).region;
  return {
    timeZone: timeZones.includes(timeZone) ? timeZone : 'UTC',
    ...(country && countries.includes(country) ? { country } : {}),
  };
}
/** How times and figures are written, and by which clock. */
export function CountryAndZone() {
  return (
    <div className="fields">
      <Field name="country" htmlFor="country" label={wording.country} rules={ruleFor('country')}>
        <Pick id="country" virtual options={countryOptions} placeholder={wording.countryHint} />
      </Field>
      <Field name="timeZone" htmlFor="timeZone" label={wording.timeZone} rules={ruleFor('timeZone')}>
        <Pick id="timeZone" virtual options={zoneOptions} placeholder={wording.timeZoneHint} />
      </Field>
    </div>
  );
}
export function CurrencyField() {
  return (
    <Field name="currency" htmlFor="currency" label={wording.currency} rules={ruleFor('currency')}>
      <Pick id="currency" virtual options={currencyOptions} />
    </Field>
  );
}
export function TaxIncluded() {
  return (
    <Field name="taxIncluded" valuePropName="checked" label="">
      <Checkbox>{wording.taxIncluded}</Checkbox>
    </Field>
  );
}
