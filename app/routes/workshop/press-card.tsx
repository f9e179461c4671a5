import { Button, Form, Input } from 'antd';
import { type ForceUnit, forceUnits, usualPress } from '../../../core/seal/press';
import type { ShopSettings } from '../../../core/wire/who';
import { pressFields } from '../../../forms/workshop-fields';
import * as wording from '../../../words/screens/press';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { ruleOf, typedFigure, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

/** What the seal press is set to, in the unit that it shows. */
export function PressCard({
  settings: { press },
  models,
  may,
}: {
  settings: ShopSettings;
  models: readonly { id: string; name: string }[];
  may: boolean;
}) {
  const [form] = Form.useForm<{ force: string; unit: ForceUnit; models: string[] }>();
  const { change, said, errors, busy } = useChange();
  useServerErrors(form, errors);
  const set = press ?? usualPress;
  return (
    <section className="card stack gap-8" aria-label={wording.press}>
      <div className="spread">
        <h2>{wording.press}</h2>
        <Kept said={said} form={form} />
      </div>
      <p className="muted small m-0">{wording.means}</p>
      <Form
        form={form}
        layout="vertical"
        className="stack gap-4"
        validateTrigger="onBlur"
        initialValues={{ force: String(set.force), unit: set.unit, models: set.models ?? [] }}
        onFinish={({ force, unit, models: plates }) =>
          change({ do: 'press', force: typedFigure(force), unit, models: plates })
        }
      >
        <div className="fields">
          <Field
            name="force"
            label={wording.force}
            htmlFor="press-force"
            rules={[ruleOf(pressFields.shape.force, typedFigure)]}
          >
            <Input id="press-force" inputMode="decimal" maxLength={8} readOnly={!may} />
          </Field>
          <Field name="unit" label={wording.unit} htmlFor="press-unit">
            <Pick
              id="press-unit"
              disabled={!may}
              options={forceUnits.map((value) => ({ value, label: value }))}
            />
          </Field>
        </div>
        <Field name="models" label={wording.plates} htmlFor="press-models" extra={wording.platesMean}>
          <Pick<never>
            id="press-models"
            mode="multiple"
            disabled={!may}
            options={models.map(({ id, name }) => ({ value: id, label: name })) as never}
          />
        </Field>
        {may && (
          <Button htmlType="submit" loading={busy}>
            {wording.keep}
          </Button>
        )}
      </Form>
    </section>
  );
}
