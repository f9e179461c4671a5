import * as wording from '../../../words/screens/workshop';
import { skillsOf } from '../../../core/day/at-benches';
import { type Skill, skills } from '../../../core/day/people';
import type { ShopSettings } from '../../../core/wire/who';
import { Button, Checkbox, Collapse, Dropdown, Form, Input, type InputProps, QRCode, Tag } from 'antd';
import { useEffect, useState } from 'react';
import { personFields } from '../../../forms/people-fields';
import { type Role, roles } from '../../../core/vocabulary/roles';
import type { Changed } from '../../../core/wire/changed';
import type { PersonLine } from '../../../core/wire/person-line';
import { DataTable } from '../../ui/data-table';
import { Field } from '../../ui/field';
import { Sheet } from '../../ui/sheet';
import { Pick } from '../../ui/pick';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

const roleOptions = roles.map((r) => ({ value: r, label: r }));

/** Who works here and as what; an owner lets people in by a link, changes what they may, and says who has left. */
export function People({
  people,
  may,
  mayMethods,
  self,
  skills: given,
}: {
  people: PersonLine[];
  may: boolean;
  /** Who does what is the lead's to say, too. */
  mayMethods: boolean;
  self: string;
  skills: ShopSettings['skills'];
}) {
  const { change, said, asked } = useChange();
  // shown at once, confirmed by the server
  const ownOf = (person: PersonLine): readonly Skill[] =>
    asked?.do === 'skills' && asked.person === person.id
      ? (asked.skills as Skill[])
      : skillsOf(person, given);
  return (
    <section className="card stack" id="people">
      <div className="spread">
        <h2>{wording.people}</h2>
        <Kept said={said} />
      </div>
      <LinkOnce said={said} />
      <BadgeOnce said={said} />
      <DataTable
        name={wording.people}
        rows={people}
        rowKey={(person) => person.id}
        bare
        columns={[
          { title: wording.who, cell: (person) => <WhoCell person={person} /> },
          {
            title: wording.role,
            align: 'right',
            cell: (person) =>
              may && person.id !== self ? (
                <Pick<Role>
                  aria-label={wording.roleOf(person.name)}
                  value={person.role}
                  onChange={(role) => change({ do: 'role', person: person.id, role })}
                  options={roleOptions}
                />
              ) : (
                person.role
              ),
          },
          {
            title: wording.does,
            cell: (person) => (
              <SkillsCell person={person} own={ownOf(person)} may={mayMethods} onAsk={change} />
            ),
          },
          {
            title: '',
            align: 'right',
            width: 60,
            cell: (person) => may && <PersonMenu person={person} self={person.id === self} onAsk={change} />,
          },
        ]}
      />
      <p className="small muted m-0">{wording.doesMeans}</p>
      {may && (
        <Collapse size="small" items={[{ key: 'add', label: wording.addAPerson, children: <AddPerson /> }]} />
      )}
    </section>
  );
}
function WhoCell({ person }: { person: PersonLine }) {
  return (
    <>
      <span className="strong">{person.name}</span>{' '}
      <span className="muted small">{[person.login, person.bench].filter(Boolean).join(', ')}</span>
      {person.waits && <Tag className="beside">{wording.notInYet}</Tag>}
    </>
  );
}
/** What a person does of what not everybody does: the day is planned by it. */
function SkillsCell({
  person,
  own,
  may,
  onAsk,
}: {
  person: PersonLine;
  own: readonly Skill[];
  may: boolean;
  onAsk: (ask: Record<string, unknown>) => void;
}) {
  return skills.map((skill) => (
    <Checkbox
      key={skill}
      disabled={!may}
      checked={own.includes(skill)}
      aria-label={wording.doesSkill(person.name, wording.skillName[skill])}
      onChange={(e) =>
        onAsk({
          ...{ do: 'skills', person: person.id },
          skills: skills.filter((s) => (s === skill ? e.target.checked : own.includes(s))),
        })
      }
    >
      <span className="small">{wording.skillName[skill]}</span>
    </Checkbox>
  ));
}
/** What an owner does about a person: another link, or that they have left. */
function PersonMenu({
  person,
  self,
  onAsk,
}: {
  person: PersonLine;
  /** One's own: nobody sends themselves a link, or away. */
  self: boolean;
  onAsk: (ask: Record<string, unknown>) => void;
}) {
  const [leaving, setLeaving] = useState(false);
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items: (
            [
              {
                key: 'link',
                label: person.waits ? wording.anotherLink : wording.linkForPassword,
                onClick: () => onAsk({ do: 'new link', person: person.id }),
              },
              {
                key: 'badge',
                label: wording.newBadge,
                onClick: () => onAsk({ do: 'badge', person: person.id }),
              },
              { key: 'leave', label: wording.hasLeft, danger: true, onClick: () => setLeaving(true) },
            ] satisfies MenuItem[]
          ).filter(({ key }) => !self || key === 'badge'),
        }}
      >
        <Button aria-label={wording.more(person.name)}>…</Button>
      </Dropdown>
      {leaving && (
        <Sheet title={wording.hasLeftAsk(person.name)} onClose={() => setLeaving(false)}>
          <p>{wording.hasLeftMeans(person.name)}</p>
          <div className="row">
            <Button
              danger
              onClick={() => {
                setLeaving(false);
                onAsk({ do: 'leave', person: person.id });
              }}
            >
              {wording.hasLeft}
            </Button>
            <Button onClick={() => setLeaving(false)}>{wording.staysHere}</Button>
          </div>
        </Sheet>
      )}
    </>
  );
}
/** A badge that was just made: printed from the screen; it is not shown again. */
function BadgeOnce({ said }: { said: Changed | undefined }) {
  const [gone, setGone] = useState<Changed>();
  if (!said?.ok || !said.badge || said === gone) return null;
  const { code, name } = said.badge;
  return (
    <Sheet title={wording.badgeOf(name)} onClose={() => setGone(said)}>
      <p>{wording.badgeMeans}</p>
      <div className="badge-paper">
        <QRCode value={code} type="svg" size={160} bordered={false} />
        <div>
          <div className="size-20 strong">{name}</div>
          <div className="muted">{code}</div>
        </div>
      </div>
      <div className="row noprint">
        <Button type="primary" onClick={() => window.print()}>
          {wording.print}
        </Button>
      </div>
    </Sheet>
  );
}
/** A link that serves once: to be scanned from the screen, or copied; it is not shown again. */
function LinkOnce({ said }: { said: Changed | undefined }) {
  const [gone, setGone] = useState<Changed>();
  const [copied, setCopied] = useState(false);
  if (!said?.ok || !said.link || said === gone) return null;
  const link = `${window.location.origin}${said.link.path}`;
  return (
    <Sheet title={wording.linkFor(said.link.name)} onClose={() => setGone(said)}>
      <p>{wording.linkServesOnce}</p>
      <div className="row">
        <QRCode value={link} type="svg" size={200} bordered={false} />
        <div className="stack">
          <Input.TextArea
            className="breaks"
            aria-label={wording.linkFor(said.link.name)}
            value={link}
            readOnly
            autoSize
            onFocus={(e) => e.target.select()}
          />
          {/* a browser without a secure context has no clipboard: there it is copied by hand */}
          {navigator.clipboard && (
            <Button onClick={() => void navigator.clipboard.writeText(link).then(() => setCopied(true))}>
              {copied ? wording.copied : wording.copyIt}
            </Button>
          )}
        </div>
      </div>
    </Sheet>
  );
}

type MenuItem = { key: string; label: string; danger?: boolean; onClick: () => void };
type Name = keyof typeof personFields.shape;
const blank: Record<Name, string> = { name: '', login: '', role: 'technician', bench: '' };
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
        <Kept said={said} form={form} />
      </div>
      <LinkOnce said={said} />
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
