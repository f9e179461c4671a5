import { Button, Form, Input, type InputProps } from 'antd';
import { useState } from 'react';
import { useRevalidator } from 'react-router';
import { deviceFields } from '../../../forms/device-fields';
import type { LibraryLine, ModelSaid } from '../../../core/wire/library';
import * as models from '../../../words/screens/models';
import * as wording from '../../../words/screens/record';
import { Field } from '../../ui/field';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';
import { Pick as Choose } from '../../ui/pick';
import { ruleOf, typedFigure, useServerErrors } from '../../ui/zod-form';

type Name = keyof typeof deviceFields.shape;

/** A device of one's own: only its size, and its first repair records the rest. */
export function RecordDevice({
  models: known,
}: {
  models: readonly Pick<LibraryLine, 'hash' | 'name' | 'parts'>[];
}) {
  const [form] = Form.useForm<Record<Name, string>>();
  const { revalidate } = useRevalidator();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<ModelSaid>();
  const [copied, setCopied] = useState(false);
  useServerErrors(form, said && !said.ok ? said.errors : undefined);
  const begin = async (values: Record<Name, string>) => {
    setBusy(true);
    const { maker, name, like, ...size } = values;
    const lengths = Object.fromEntries(Object.entries(size).map(([k, v]) => [k, typedFigure(v)]));
    const came = await fetch('/record', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ maker, name, ...lengths, ...(like ? { like } : {}) }),
    })
      .then((answer) => answer.json() as Promise<ModelSaid | { error: string }>)
      .catch(() => ({ error: models.notSent }));
    setBusy(false);
    const answer: ModelSaid =
      'error' in came ? { ok: false, status: 400, errors: { form: came.error } } : came;
    setSaid(answer);
    setCopied(Boolean(like));
    if (answer.ok) form.resetFields();
    void revalidate();
  };
  const typed = (name: Exclude<Name, 'like'>, label: string, input: InputProps = {}) => (
    <Field
      name={name}
      htmlFor={`device-${name}`}
      label={label}
      rules={[ruleOf(deviceFields.shape[name], name.endsWith('Mm') ? typedFigure : undefined)]}
    >
      <Input id={`device-${name}`} {...input} />
    </Field>
  );
  const mm: InputProps = { suffix: 'mm', inputMode: 'decimal', maxLength: 6 };
  return (
    <section className="card stack" aria-label={wording.record} id="record">
      <Form form={form} layout="vertical" className="stack gap-4" validateTrigger="onBlur" onFinish={begin}>
        <h2>{wording.record}</h2>
        <p className="small muted">{wording.recordMeans}</p>
        <div className="fields">
          {typed('maker', wording.maker, { maxLength: 40 })}
          {typed('name', wording.name, { maxLength: 40 })}
        </div>
        <div className="fields">
          {typed('widthMm', wording.width, mm)}
          {typed('heightMm', wording.height, mm)}
          {typed('thicknessMm', wording.thickness, mm)}
        </div>
        <Field name="like" htmlFor="device-like" label={wording.like}>
          <Choose
            id="device-like"
            allowClear
            placeholder={wording.likeHint}
            options={known
              .filter((model) => model.parts > 0)
              .map((model) => ({ value: model.hash, label: model.name }))}
          />
        </Field>
        <Button htmlType="submit" type="primary" loading={busy}>
          {wording.begin}
        </Button>
      </Form>
      <Begun said={said} copied={copied} />
    </section>
  );
}
/** What came of it, and where to go on. */
function Begun({ said, copied }: { said: ModelSaid | undefined; copied: boolean }) {
  return (
    <>
      {said?.ok && (
        <Note tone="safe" role="status" layout="stack">
          {said.said}
          <div className="row gap-8">
            <LinkButton to="/receive">{wording.receiveIt}</LinkButton>
            {copied && said.hash && <LinkButton to={`/models/${said.hash}/edit`}>{models.editIt}</LinkButton>}
          </div>
        </Note>
      )}
      {said && !said.ok && said.errors.form && (
        <Note tone="stop" role="alert">
          {said.errors.form}
        </Note>
      )}
    </>
  );
}
