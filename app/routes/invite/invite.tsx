import { Button, Form, Input } from 'antd';
import { data, redirect, useFetcher } from 'react-router';
import { newPassword } from '../../../forms/people-fields';
import { acceptInvite, invitation } from '../../../server/use-cases/people';
import * as wording from '../../../words/screens/invite';
import { jsonBody, peerContext, requireSameOrigin } from '../../context';
import { Field } from '../../ui/field';
import { FrontPage } from '../../ui/front-page';
import { LinkButton } from '../../ui/link-button';
import { ruleOf, useServerErrors } from '../../ui/zod-form';
import type { Route } from './+types/invite';

/** A link is a secret: it goes to no other site, and is kept by nobody on the way. */
export const headers = () => ({ 'Referrer-Policy': 'no-referrer', 'Cache-Control': 'no-store' });

export async function loader({ params, context }: Route.LoaderArgs) {
  const found = await invitation(params.token, context.get(peerContext));
  if (!found || found === 'too many')
    return data({ invited: undefined, tooMany: found === 'too many' }, { status: found ? 429 : 410 });
  return data({ invited: found, tooMany: false });
}
export async function action({ request, params, context }: Route.ActionArgs) {
  requireSameOrigin(request);
  const sent = (await jsonBody(request)) as { password?: unknown } | null;
  const done = await acceptInvite(params.token, sent?.password, context.get(peerContext), request);
  if (done.ok) throw redirect('/', { headers: { 'Set-Cookie': done.cookie } });
  return data({ errors: { password: done.error } }, { status: done.status });
}

/** Whoever has the link sets a password of their own, once. */
export default function Invite({ loaderData: { invited, tooMany } }: Route.ComponentProps) {
  const [form] = Form.useForm();
  const fetcher = useFetcher<{ errors: Record<string, string> }>();
  useServerErrors(form, fetcher.data?.errors);
  if (!invited)
    return (
      <FrontPage>
        <div className="card stack">
          <h2>{wording.noMore}</h2>
          <p>{tooMany ? wording.tooMany : wording.askAnother}</p>
          <div className="row">
            <LinkButton to="/sign-in">{wording.toSignIn}</LinkButton>
          </div>
        </div>
      </FrontPage>
    );
  return (
    <FrontPage>
      <Form
        form={form}
        layout="vertical"
        className="card stack"
        onFinish={({ password }: { password: string }) =>
          void fetcher.submit(JSON.stringify({ password }), { method: 'post', encType: 'application/json' })
        }
      >
        <h2>{invited.again ? wording.anotherPassword(invited.name) : wording.welcome(invited.name)}</h2>
        <p>{wording.worksHere(invited.shopName, invited.login)}</p>
        <Input
          className="sr"
          autoComplete="username"
          value={invited.login}
          readOnly
          tabIndex={-1}
          aria-hidden
        />
        <Field name="password" label={wording.choose} extra={wording.hint} rules={[ruleOf(newPassword)]}>
          <Input.Password autoFocus autoComplete="new-password" maxLength={200} />
        </Field>
        <Button type="primary" htmlType="submit" loading={fetcher.state !== 'idle'}>
          {wording.goOn}
        </Button>
      </Form>
    </FrontPage>
  );
}
