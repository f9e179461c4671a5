import * as wording from '../../../words/screens/stock';
import { Button, Collapse, Form, Input, type InputProps, Select } from 'antd';
import { useEffect, useState } from 'react';
import { partFieldsIn } from '../../../forms/part-fields';
import { provenances, releases } from '../../../core/log/events';
import type { StockModel } from '../../../core/wire/stock';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { Pick } from '../../ui/pick';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import type { Said } from './stock';

type Name = keyof ReturnType<typeof partFieldsIn>['shape'];
/** What is right in a field; a price is read as the workshop's currency is written. */
const useRule = (name: Name) => ruleOf(partFieldsIn(useFormats()).shape[name]);
const blank: Record<Name, string> = {
  name: '',
  model: '',
  slot: '',
  provenance: 'new original',
  supplier: '',
  lot: '',
  serial: '',
  price: '',
  arrives_with: '',
  released: 'not needed',
  proof: '',
};
interface Props {
  models: StockModel[];
  said: Said | undefined;
  busy: boolean;
  ask: (b: Record<string, unknown>) => void;
}
/** A part for the drawer. Model, provenance and supplier stay for the next one of the same delivery. */
export function AddPart({ models, said, busy, ask }: Props) {
  const [form] = Form.useForm<Record<Name, string>>();
  const [sent, setSent] = useState(false);
  useServerErrors(form, sent && said && !said.ok ? said.errors : undefined);
  useEffect(() => {
    if (!said?.ok || !sent) return;
    form.setFieldsValue({ ...blank, ...form.getFieldsValue(['model', 'provenance', 'supplier']) });
    setSent(false);
  }, [said, sent, form]);
  const chosen = Form.useWatch('model', form);
  const model = models.find((m) => m.id === chosen);
  const released = Form.useWatch('released', form);
  return (
    <section className="card" aria-label={wording.addAPart}>
      <Form
        form={form}
        layout="vertical"
        className="stack"
        initialValues={blank}
        validateTrigger="onBlur"
        onFinish={() => {
          setSent(true);
          ask({ do: 'add', part: form.getFieldsValue(true) });
        }}
      >
        <h2>{wording.addAPart}</h2>
        <div className="fields">
          <Chosen
            name="model"
            label={wording.model}
            options={models.map((m) => ({ value: m.id, label: m.name }))}
          />
          <Chosen
            name="slot"
            label={wording.place}
            options={(model?.slots ?? []).map((s) => ({ value: s.id, label: s.name }))}
          />
        </div>
        <div className="fields">
          <Chosen name="provenance" label={wording.whereFromLabel} options={plain(provenances)} />
          <Typed
            name="price"
            label={wording.priceOf(useFormats().currency)}
            inputMode="decimal"
            maxLength={16}
          />
        </div>
        <div className="fields">
          <Typed name="supplier" label={wording.supplier} maxLength={120} />
          <Typed name="lot" label={wording.lot} maxLength={60} />
          <Typed name="serial" label={wording.serial} maxLength={60} />
        </div>
        {model && <ComesWith model={model} />}
        <div className="fields">
          <Chosen name="released" label={wording.formerAccount} options={plain(releases)} />
          {released === 'proof seen' && (
            <Typed name="proof" label={wording.whatProvesTheRelease} maxLength={200} />
          )}
        </div>
        <Button htmlType="submit" type="primary" disabled={busy}>
          {wording.add}
        </Button>
      </Form>
    </section>
  );
}
const plain = (list: readonly string[]) => list.map((x) => ({ value: x, label: x }));

function Typed({ name, label, ...input }: { name: Name; label: string } & Omit<InputProps, 'name'>) {
  return (
    <Field name={name} htmlFor={`part-${name}`} label={label} rules={[useRule(name)]}>
      <Input id={`part-${name}`} {...input} />
    </Field>
  );
}
function Chosen({
  name,
  label,
  options,
}: {
  name: Name;
  label: string;
  options: { value: string; label: string }[];
}) {
  return (
    <Field
      name={name}
      htmlFor={`part-${name}`}
      label={label}
      rules={[useRule(name)]}
      // nothing chosen shows the hint, not an empty line
      getValueProps={(value: string) => ({ value: value || undefined })}
    >
      <Pick id={`part-${name}`} placeholder={wording.choose} options={options} />
    </Field>
  );
}
/** Pieces and seals that come fitted on the part: ids with `;` between, as in a file. */
function ComesWith({ model }: { model: StockModel }) {
  const form = Form.useFormInstance<Record<Name, string>>();
  const slot = Form.useWatch('slot', form);
  const on = (Form.useWatch('arrives_with', { form, preserve: true }) ?? '').split(';').filter(Boolean);
  const can = [
    ...model.slots.filter((s) => s.id !== slot),
    ...model.seals.filter((b) => b.holds.includes(slot ?? '')),
  ];
  return (
    <Collapse
      size="small"
      items={[
        {
          key: 'with',
          label: wording.comesFittedWith(on.length ? `: ${on.length}` : ' …'),
          children: (
            <Select<string[]>
              aria-label={wording.comesFittedWithLabel}
              mode="multiple"
              className="wide"
              virtual={false}
              value={on}
              onChange={(ids) => form.setFieldValue('arrives_with', ids.join(';'))}
              options={can.map((s) => ({ value: s.id, label: s.name }))}
            />
          ),
        },
      ]}
    />
  );
}
