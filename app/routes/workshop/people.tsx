import * as wording from '../../../words/screens/workshop';
import { Button, Collapse, Form, Input, type InputProps } from 'antd';
import { useEffect } from 'react';
import { personFields } from '../../../core/forms/workshop-fields';
import { type Role, roles } from '../../../core/vocabulary/roles';
import type { PersonLine } from '../../../core/wire/person-line';
import { DataTable } from '../../ui/data-table';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

const roleOptions = roles.map((r) => ({ value: r, label: r }));

/** Who works here and as what; an owner adds people and changes what they may. */
export function People({ people, may, self }: { people: PersonLine[]; may: boolean; self: string }) {
  const { change, said } = useChange();
  return (
    <section className="card stack">
      <div className="spread">
        <h2>{wording.people}</h2>
        <Kept said={said} />
      </div>
      <DataTable
        name="People"
        rows={people}
        rowKey={(p) => p.id}
        bare
        columns={[
          {
            title: wording.who,
            cell: (personLine) => (
              <>
                <span className="strong">{personLine.name}</span>{' '}
                <span className="muted small">
                  {[personLine.login, personLine.bench].filter(Boolean).join(', ')}
                </span>
              </>
            ),
          },
          {
            title: wording.role,
            align: 'right',
            cell: (personLine) =>
              may && personLine.id !== self ? (
                <Pick<Role>
                  aria-label={wording.roleOf(personLine.name)}
                  value={personLine.role}
                  onChange={(role) => change({ do: 'role', person: personLine.id, role })}
                  options={roleOptions}
                />
              ) : (
                personLine.role
              ),
          },
        ]}
      />
      {may && (
        <Collapse size="small" items={[{ key: 'add', label: wording.addAPerson, children: <AddPerson /> }]} />
      )}
    </section>
  );
}

type Name = keyof typeof personFields.shape;
const blank: Record<Name, string> = { name: '', login: '', role: 'technician', bench: '', password: '' };
function AddPerson() {
  const [form] = Form.useForm<Record<Name, string>>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  useEffect(() => {
    if (said?.ok) form.setFieldsValue(blank);
  }, [said, form]);
  return (
    <Form
      form={form}
      layout="vertical"
      className="stack"
      initialValues={blank}
      validateTrigger="onBlur"
      onFinish={(person) => change({ do: 'add person', ...person })}
    >
      <Typed name="name" label={wording.name} />
      <Typed name="login" label={wording.loginName} autoComplete="off" />
      <Typed name="bench" label={wording.bench} />
      <Typed name="password" label={wording.firstPassword} type="password" autoComplete="new-password" />
      <Field
        name="role"
        htmlFor="new-role"
        label={wording.roleLabel}
        rules={[ruleOf(personFields.shape.role)]}
      >
        <Pick id="new-role" options={roleOptions} />
      </Field>
      <div className="row">
        <Button type="primary" htmlType="submit" loading={busy}>
          {wording.add}
        </Button>
        <Kept said={said} />
      </div>
    </Form>
  );
}
function Typed({ name, label, ...input }: { name: Name; label: string } & Omit<InputProps, 'name'>) {
  return (
    <Field name={name} htmlFor={name} label={label} rules={[ruleOf(personFields.shape[name])]}>
      <Input id={name} maxLength={200} {...input} />
    </Field>
  );
}
