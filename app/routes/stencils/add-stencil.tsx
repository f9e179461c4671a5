import { Button, Form, Input } from 'antd';
import { useEffect, useState } from 'react';
import { stencilShape } from '../../../forms/stencil-fields';
import * as wording from '../../../words/screens/stencils';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import type { Said } from './stencils';

type Name = keyof typeof stencilShape;
const blank: Record<Name, string> = {
  ...{ name: '', pitch_mm: '', pattern: '', shape: 'circle', aperture_mm: '', thickness_mm: '' },
};
/** A stencil for the list. Pitch, shape and thickness stay for the next one. */
export function AddStencil({
  said,
  busy,
  ask,
}: {
  said: Said | undefined;
  busy: boolean;
  ask: (b: Record<string, unknown>) => void;
}) {
  const [form] = Form.useForm<Record<Name, string>>();
  const [sent, setSent] = useState(false);
  useServerErrors(form, sent && said && !said.ok ? said.errors : undefined);
  useEffect(() => {
    if (!said?.ok || !sent) return;
    form.setFieldsValue({ name: '', pattern: '', aperture_mm: '' });
    setSent(false);
  }, [said, sent, form]);
  const typed = (name: Name, label: string, figure = false) => (
    <Field name={name} htmlFor={`stencil-${name}`} label={label} rules={[ruleOf(stencilShape[name])]}>
      <Input
        id={`stencil-${name}`}
        maxLength={figure ? 8 : 60}
        {...(figure ? { inputMode: 'decimal' as const } : {})}
      />
    </Field>
  );
  return (
    <section className="card" aria-label={wording.addOne}>
      <Form
        form={form}
        layout="vertical"
        className="stack"
        initialValues={blank}
        validateTrigger="onBlur"
        onFinish={(stencil) => {
          setSent(true);
          ask({ do: 'add', stencil });
        }}
      >
        <h2>{wording.addOne}</h2>
        <div className="fields">
          {typed('name', wording.nameLabel)}
          {typed('pitch_mm', wording.pitchLabel, true)}
        </div>
        <Field
          name="pattern"
          htmlFor="stencil-pattern"
          label={wording.patternLabel}
          rules={[ruleOf(stencilShape.pattern)]}
        >
          <Input.TextArea id="stencil-pattern" autoSize={{ minRows: 4, maxRows: 12 }} className="mono" />
        </Field>
        <div className="fields">
          <Field name="shape" htmlFor="stencil-shape" label={wording.shapeLabel}>
            <Pick
              id="stencil-shape"
              options={(['circle', 'square'] as const).map((value) => ({
                value,
                label: wording.shapeName[value],
              }))}
            />
          </Field>
          {typed('aperture_mm', wording.apertureLabel, true)}
          {typed('thickness_mm', wording.thicknessLabel, true)}
        </div>
        <Button htmlType="submit" type="primary" disabled={busy}>
          {wording.add}
        </Button>
      </Form>
    </section>
  );
}
