import { Button, Form, Input } from 'antd';
import { leakShares } from '../../../core/leak/shares';
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

const { setPa, holdS, limitPaS, referencePaS, fillS, lossShare } = leakTesterFields.shape;
/** The fields, two in a row: what each is called, its unit, and what may be typed. */
const pairs = [
  [
    { name: 'under', label: wording.under, unit: 'kPa', rule: ruleOf(setPa, pascal) },
    { name: 'hold', label: wording.hold, unit: 's', rule: ruleOf(holdS, typedFigure) },
  ],
  [
    { name: 'passes', label: wording.passes, unit: 'Pa/s', rule: ruleOf(limitPaS, typedFigure) },
    { name: 'reference', label: wording.reference, unit: 'Pa/s', rule: ruleOf(referencePaS, referenceOf) },
  ],
  [
    { name: 'fill', label: wording.fill, unit: 's', rule: ruleOf(fillS, typedFigure) },
    { name: 'loss', label: wording.mayLose, unit: '%', rule: ruleOf(lossShare, share) },
  ],
] as const;

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
        {pairs.map((pair) => (
          <div className="fields" key={pair[0].name}>
            {pair.map(({ name, label, unit, rule }) => (
              <Field key={name} name={name} label={label} htmlFor={`leak-${name}`} rules={[rule]}>
                {input(`leak-${name}`, unit)}
              </Field>
            ))}
          </div>
        ))}
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
