import * as wording from '../../../words/screens/sort';
import { Button, Checkbox, Form, Input, type InputRef } from 'antd';
import type { RefObject } from 'react';
import { Field } from '../../ui/field';
import { Recess } from '../../ui/recess';
import type { MixedState } from './use-mixed-screws';

/** One number after the other, by calliper or by hand; a drive that is said first tells more of them apart. */
export function MeasureCard({ mixed, input }: { mixed: MixedState; input: RefObject<InputRef | null> }) {
  const { screws, holes, kinds, chosen, setDrive, heads, setHeads, headOf, setHeadOf, wrong, take } = mixed;
  const [form] = Form.useForm<{ mm?: string }>();
  const back = () => input.current?.focus();
  const left = (d: string) =>
    holes.filter((h) => h.drive === d).length - screws.filter((s) => s.drive === d).length;
  return (
    <section className="card stack" aria-label={wording.measure}>
      <div className="spread">
        <h1>{wording.sortScrews}</h1>
        <span className="strong">{wording.measuredOf(screws.length, holes.length)}</span>
      </div>
      <Form
        form={form}
        className="row low"
        layout="vertical"
        onFinish={({ mm }: { mm?: string }) => {
          if (mm?.trim()) take(mm);
          form.resetFields();
          back();
        }}
      >
        <Field
          label={headOf ? wording.headOfMm(headOf) : wording.lengthMm}
          name="mm"
          {...(wrong ? { validateStatus: 'error', help: <span role="alert">{wrong}</span> } : {})}
        >
          <Input
            ref={input}
            className="size-24 w-150"
            inputMode="decimal"
            autoComplete="off"
            maxLength={12}
          />
        </Field>
        <fieldset className="row gap-6 bare">
          <legend className="sr">{wording.drive}</legend>
          {[undefined, ...kinds].map((d) => (
            <Button
              key={d ?? 'any'}
              type={chosen === d ? 'primary' : 'default'}
              aria-pressed={chosen === d}
              onClick={() => {
                setDrive(d);
                back();
              }}
            >
              {d && <Recess drive={d} size={22} />}
              {d ? `${d} · ${Math.max(0, left(d))}` : wording.anyDrive}
            </Button>
          ))}
        </fieldset>
        <Checkbox
          checked={heads}
          onChange={(checkboxChangeEvent) => {
            setHeads(checkboxChangeEvent.target.checked);
            setHeadOf(undefined);
            back();
          }}
        >
          {wording.headsToo}
        </Checkbox>
      </Form>
      <p className="muted small">{wording.inAnyOrderByCalliper}</p>
    </section>
  );
}
