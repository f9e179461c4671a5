import { useFormats } from '../../ui/formats';
import { Button, Form, Input } from 'antd';
import { useEffect } from 'react';
import { z } from 'zod';
import { pinFields } from '../../../forms/hands-fields';
import { ownPasswordFields } from '../../../forms/people-fields';
import { choosePin } from '../../../server/use-cases/hands';
import { changeOwnPassword, ownSessions, signOutElsewhere } from '../../../server/use-cases/people';
import * as wording from '../../../words/screens/account';
import { jsonBody, peerContext, requirePerson, requireSameOrigin } from '../../context';
import { DataTable } from '../../ui/data-table';
import { Field } from '../../ui/field';
import { useFrame } from '../../ui/frame';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import { Kept, useChange } from '../workshop/use-change';
import type { Route } from './+types/account';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  return { sessions: await ownSessions(who, request), now: Date.now() };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  const asked = await jsonBody(request);
  if (z.object({ pin: z.unknown() }).safeParse(asked).success)
    return choosePin(who, asked, context.get(peerContext));
  return z.object({ do: z.literal('sign out elsewhere') }).safeParse(asked).success
    ? signOutElsewhere(who, request)
    : changeOwnPassword(who, asked, context.get(peerContext), request);
}

/** One's own: the password, and where one is signed in. */
export default function Account({ loaderData: { sessions, now } }: Route.ComponentProps) {
  const { soon } = useFormats();
  const { who } = useFrame();
  const { change, busy, said } = useChange();
  return (
    <main className="page stack">
      <div>
        <h1>{who.name}</h1>
        <p className="muted">{wording.signedInAs(who.login, who.role)}</p>
      </div>
      <div className="cols halves high">
        <div className="stack">
          <OwnPassword />
          <OwnPin />
        </div>
        <section className="card stack" aria-label={wording.sessions}>
          <h2>{wording.sessions}</h2>
          <DataTable
            name={wording.sessions}
            rows={sessions}
            rowKey={(s) => `${s.openedAt} ${s.browser}`}
            columns={[
              { title: wording.browser, cell: (s) => wording.browserName(s.browser) },
              {
                title: wording.since,
                cell: (s) => <span suppressHydrationWarning>{soon(s.openedAt, now)}</span>,
              },
              {
                title: wording.where,
                className: 'strong',
                align: 'right',
                cell: (s) => (s.here ? wording.here : ''),
              },
            ]}
          />
          <div className="row">
            <Button
              disabled={sessions.length < 2}
              loading={busy}
              onClick={() => change({ do: 'sign out elsewhere' })}
            >
              {wording.elsewhere}
            </Button>
            <Kept said={said} />
          </div>
        </section>
      </div>
    </main>
  );
}
/** A form that is empty again once what it asked for is done. */
function useOwn() {
  const [form] = Form.useForm();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  useEffect(() => {
    if (said?.ok) form.resetFields();
  }, [said, form]);
  return { form, change, busy, said };
}
/** A number of one's own for the bench: after the badge, and to unlock. */
function OwnPin() {
  const { form, change, busy, said } = useOwn();
  return (
    <Form form={form} layout="vertical" className="card stack" onFinish={change}>
      <h2>{wording.pin}</h2>
      <p className="muted small">{wording.pinMeans}</p>
      <Field name="now" htmlFor="pin-now" label={wording.now} rules={[ruleOf(pinFields.shape.now)]}>
        <Input.Password id="pin-now" autoComplete="current-password" maxLength={200} />
      </Field>
      <Field name="pin" htmlFor="pin" label={wording.pinLabel} rules={[ruleOf(pinFields.shape.pin)]}>
        <Input.Password id="pin" inputMode="numeric" autoComplete="off" maxLength={8} />
      </Field>
      <div className="row">
        <Button htmlType="submit" loading={busy}>
          {wording.keep}
        </Button>
        <Kept said={said} form={form} />
      </div>
    </Form>
  );
}
function OwnPassword() {
  const { form, change, busy, said } = useOwn();
  return (
    <Form form={form} layout="vertical" className="card stack" onFinish={change}>
      <h2>{wording.password}</h2>
      <Field name="now" label={wording.now} rules={[ruleOf(ownPasswordFields.shape.now)]}>
        <Input.Password autoComplete="current-password" maxLength={200} />
      </Field>
      <Field
        name="password"
        label={wording.another}
        extra={wording.hint}
        rules={[ruleOf(ownPasswordFields.shape.password)]}
      >
        <Input.Password autoComplete="new-password" maxLength={200} />
      </Field>
      <div className="row">
        <Button type="primary" htmlType="submit" loading={busy}>
          {wording.keep}
        </Button>
        <Kept said={said} form={form} />
      </div>
    </Form>
  );
}
