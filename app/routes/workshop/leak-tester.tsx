import { Button, Form, Input } from 'antd';
import { leakShares } from '../../../core/leak/leak';
import { usualFillS } from '../../../core/wire/leak-test';
import type { ShopSettings } from '../../../core/wire/who';
import { leakTesterFields } from '../../../forms/workshop-fields';
import * as wording from '../../../words/screens/leak';
import { Field } from '../../ui/field';
import { ruleOf, typedFigure, useServerErrors } from '../../ui/zod-form';
import { LeakSelfTest } from './leak-self-test-card';
import { Kept, useChange } from './use-change';

interface Typed {
  under: string;
  hold: string;
  passes: string;
  reference: string;
  fill: string;
  loss: string;
}
const typedOf = (set: ShopSettings['leakTester']): Typed => ({
  under: set ? String(set.setPa / 1000) : '',
  hold: String(set?.holdS ?? 20),
  passes: set ? String(set.limitPaS) : '',
  reference: set?.referencePaS === undefined ? '' : String(set.referencePaS),
  fill: String(set?.fillS ?? usualFillS),
  loss: String(100 * (set?.lossShare ?? leakShares.loss)),
});
const referenceOf = (typed: unknown) => (String(typed ?? '').trim() ? typedFigure(typed) : undefined);
const share = (typed: unknown) => typedFigure(typed) / 100;
const pascal = (typed: unknown) => typedFigure(typed) * 1000;

/** What the leak tester is set to: under-pressure, hold and limit, which are the tester's own. */
export function LeakTester({
  settings,
  may,
  simulated,
  now,
}: {
  settings: ShopSettings;
  may: boolean;
  simulated: boolean;
  now: number;
}) {
  const { leakTester: set } = settings;
  const [form] = Form.useForm<Typed>();
  const { change, said, errors, busy } = useChange();
  useServerErrors(form, errors);
  const { setPa, holdS, limitPaS, referencePaS, fillS, lossShare } = leakTesterFields.shape;
  const keep = ({ under, hold, passes, reference, fill, loss }: Typed) =>
    change({
      do: 'leak tester',
      setPa: pascal(under),
      holdS: typedFigure(hold),
      limitPaS: typedFigure(passes),
      fillS: typedFigure(fill),
      lossShare: share(loss),
      ...(referenceOf(reference) === undefined ? {} : { referencePaS: referenceOf(reference) }),
    });
  const input = (id: string, suffix: string) => (
    <Input id={id} suffix={suffix} inputMode="decimal" maxLength={8} readOnly={!may} />
  );
  return (
    <section className="card stack gap-8" aria-label={wording.leakTester} id="leak-tester">
      <div className="spread">
        <h2>{wording.leakTester}</h2>
        <Kept said={said} form={form} />
      </div>
      <p className="muted small m-0">{wording.setMeans}</p>
      <Form
        form={form}
        layout="vertical"
        className="stack gap-4"
        validateTrigger="onBlur"
        initialValues={typedOf(set)}
        onFinish={keep}
      >
        <div className="fields">
          <Field name="under" label={wording.under} htmlFor="leak-under" rules={[ruleOf(setPa, pascal)]}>
            {input('leak-under', 'kPa')}
          </Field>
          <Field name="hold" label={wording.hold} htmlFor="leak-hold" rules={[ruleOf(holdS, typedFigure)]}>
            {input('leak-hold', 's')}
          </Field>
        </div>
        <div className="fields">
          <Field
            name="passes"
            label={wording.passes}
            htmlFor="leak-passes"
            rules={[ruleOf(limitPaS, typedFigure)]}
          >
            {input('leak-passes', 'Pa/s')}
          </Field>
          <Field
            name="reference"
            label={wording.reference}
            htmlFor="leak-reference"
            rules={[ruleOf(referencePaS, referenceOf)]}
          >
            {input('leak-reference', 'Pa/s')}
          </Field>
        </div>
        <div className="fields">
          <Field name="fill" label={wording.fill} htmlFor="leak-fill" rules={[ruleOf(fillS, typedFigure)]}>
            {input('leak-fill', 's')}
          </Field>
          <Field name="loss" label={wording.mayLose} htmlFor="leak-loss" rules={[ruleOf(lossShare, share)]}>
            {input('leak-loss', '%')}
          </Field>
        </div>
        {may && (
          <Button htmlType="submit" loading={busy}>
            {wording.keep}
          </Button>
        )}
      </Form>
      {set?.referencePaS !== undefined && <LeakSelfTest {...{ settings, simulated, now }} />}
    </section>
  );
}
